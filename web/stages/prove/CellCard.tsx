import { Button } from '@mantine/core';
import { capital, inARow } from '../../../core/formatting/format.ts';
import type { RatePrediction, TurnVerdict } from '../../../core/judge/verdict.ts';
import type { TurnFunction } from '../../../core/model/cures.ts';
import { deviationKey } from '../../../core/model/deviationKey.ts';
import { ratesOf } from '../../../core/model/seen.ts';
import { lampById } from '../../../core/model/vehicle/lookUp.ts';
import type { Cell } from '../../../core/proving/cells.ts';
import type { ProvingGrid } from '../../../core/proving/grid.ts';
import { FUNCTION_WORDS } from '../../../core/record/observations.ts';
import { deviationsWords } from '../../../core/words/deviations.ts';
import { ProofReason, RateRecorder, RecordedRate } from '../../job/measure/RateRecorder.tsx';
import { SeenList } from '../../job/measure/SeenList.tsx';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { SavedText } from '../../ui/SavedText.tsx';
import classes from './CellCard.module.css';
import { countedIn } from './cellState.ts';
import { DeviationPad } from './DeviationPad.tsx';
import { useCellLook } from './useCellLook.ts';

/** So much is seen to be lit, and so much to glow, lm. */
const LIT_LUMENS = 2.5;
const GLOW_LUMENS = 0.4;

interface CellProps {
  cell: Cell;
  grid: ProvingGrid;
  at: number;
  /** goes on to the next cell that is open */
  next(): void;
}

/** One cell in hand: what is said in the seat, what should happen, and one tap for what did. */
export function CellCard({ cell, grid, at, next }: CellProps) {
  const { job, board } = useDesk();
  const look = useCellLook(cell);
  const outcome = grid.expected[at];
  const sound = grid.sound[at] ?? { sure: [], maybe: [] };
  const counted = countedIn(job, cell);
  if (!outcome) return null;
  const giving = (least: number, most: number) =>
    [...outcome.lumens].flatMap(([id, lumens]) => (lumens >= least && lumens < most ? [id] : []));
  const lit = giving(LIT_LUMENS, Number.POSITIVE_INFINITY);
  const glow = giving(GLOW_LUMENS, LIT_LUMENS);
  const name = (id: string) => lampById(job.vehicle, id).name.toLowerCase();
  const warm = [...outcome.watts].filter(([, watts]) => watts >= 1.5);
  return (
    <Card title={cell.name}>
      <p className={classes.say}>{cell.say}</p>
      {waitWords(cell) && <p className={classes.wait}>{waitWords(cell)}</p>}
      {cell.safely && <Caution>{cell.safely}</Caution>}
      <p className={classes.should}>
        <b>Should:</b> {lit.length === 0 ? 'all dark' : `lit ${inARow(lit.map(name))}; all others dark`}
        {glow.length > 0 && `, but a glow in ${inARow(glow.map(name))}: that is as it is fitted`}
        {flashWords(outcome.flash, counted, board?.cured ?? null)}
        {warm.length > 0 && `; warm, the resistors at ${inARow(warm.map(([id]) => name(id)))}`}
        {sound.sure.length > 0 && `. As it is fitted: ${deviationsWords(job.vehicle, sound.sure)}, see Cure`}
        {sound.maybe.length > 0 &&
          `. Nobody knows enough to rule out: ${deviationsWords(job.vehicle, sound.maybe)}`}
        . <span className="faint">Computed on this vehicle.</span>
      </p>
      <div className={classes.answer}>
        <Button
          size="lg"
          onClick={(event) => {
            if (event.detail > 1) return;
            look.asExpected(sound.sure);
            if (!counted) next();
          }}
        >
          As expected
        </Button>
        <p className="faint">Or tap everything that was not so; each tap is written down at once.</p>
      </div>
      <DeviationPad cell={cell} lit={lit} outcome={outcome} told={look.told} toggle={look.toggle} />
      {look.open?.found.some(({ what }) => what === 'message' || what === 'odd') && (
        <SavedText
          key={look.open.at}
          label="Message or code, as it reads"
          maxLength={160}
          value={look.open.words ?? ''}
          onSave={look.note}
        />
      )}
      {counted && <Counting turnFunction={counted} />}
      {look.looks.length > 0 && (
        <div className={classes.record}>
          <h4>On record</h4>
          <SeenList seen={look.looks} what={`a look at ${cell.name.toLowerCase()}`}>
            {(each) =>
              each.found.length === 0
                ? 'As expected'
                : capital(deviationsWords(job.vehicle, each.found.map(deviationKey), 8)) +
                  (each.words ? ` (“${each.words}”)` : '')
            }
          </SeenList>
        </div>
      )}
    </Card>
  );
}

/** The flash of one function, counted: a look does not tell 88 a minute from 130. */
function Counting({ turnFunction }: { turnFunction: TurnFunction }) {
  const { job } = useDesk();
  const seen = ratesOf(job)
    .filter((each) => each.fitted.configuration === 'cured' && each.function === turnFunction)
    .toReversed();
  return (
    <section
      className={classes.counting}
      aria-label={`Measure: ${FUNCTION_WORDS[turnFunction].toLowerCase()}`}
    >
      <h4>Count the flashes</h4>
      <RateRecorder key={turnFunction} configuration="cured" turnFunction={turnFunction} />
      {seen[0] && (
        <p>
          <ProofReason observation={seen[0]} />
        </p>
      )}
      {seen.length > 0 && (
        <SeenList seen={seen} what={`a reading of ${FUNCTION_WORDS[turnFunction].toLowerCase()}`}>
          {(each) => <RecordedRate observation={each} />}
        </SeenList>
      )}
    </section>
  );
}

function waitWords({ condition }: Cell): string | null {
  if (condition === 'minutes')
    return 'Leave it on for ten minutes, then look again and hold the back of a hand near each resistor: warm or cold?';
  if (condition === 'asleep')
    return 'Lock the vehicle and leave it for as long as its maker says it takes to sleep (often 10 to 30 minutes). Key on: does the dash say anything?';
  return null;
}

function flashWords(flash: string | null, counted: TurnFunction | null, verdict: TurnVerdict | null): string {
  if (flash === null) return '';
  const rate = counted && verdict && expectedRate(verdict, counted);
  if (rate && rate.high > 0) return `; flashing ${rateWords(rate)} a minute`;
  if (flash === 'none') return '; it does not flash';
  return flash === 'normal'
    ? '; flashing at its normal rate'
    : flash === 'unsure'
      ? '; flashing'
      : `; flashing ${flash}`;
}

function expectedRate(verdict: TurnVerdict, turnFunction: TurnFunction): RatePrediction {
  const side = verdict.circuits.find((each) => `turn-${each.side}` === turnFunction) ?? verdict.circuits[0];
  const found = turnFunction === 'hazard' ? (verdict.hazard ?? side) : side;
  return found?.rate ?? { low: 0, high: 0 };
}

function rateWords({ low, high }: RatePrediction): string {
  return low === high ? String(Math.round(low)) : `${Math.round(low)} or ${Math.round(high)}`;
}
