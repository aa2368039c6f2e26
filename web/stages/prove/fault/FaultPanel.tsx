import { Button, Checkbox } from '@mantine/core';
import { useState } from 'react';
import { capital } from '../../../../core/formatting/format.ts';
import { CLUES } from '../../../../core/model/clues.ts';
import { flashes } from '../../../../core/model/scope.ts';
import { standing } from '../../../../core/model/seen.ts';
import { lampById, lampsByPanel } from '../../../../core/model/vehicle/lookUp.ts';
import type { ProvingGrid } from '../../../../core/proving/grid.ts';
import type { PinTold } from '../../../../core/proving/pinsTold.ts';
import { SYMPTOMS } from '../../../../core/proving/symptomList.ts';
import { unlikeUsual } from '../../../../core/proving/symptoms.ts';
import { toldNow, toldOf } from '../../../../core/proving/toldOf.ts';
import { switchedName } from '../../../../core/wiring/connectors.ts';
import { readWords } from '../../../../core/wiring/pinFinder/agreement.ts';
import { deviationsWords } from '../../../../core/words/deviations.ts';
import { CLUE_WORDS } from '../../../../core/words/faults.ts';
import { SeenList } from '../../../job/measure/SeenList.tsx';
import { useEvidence } from '../../../job/measure/useEvidence.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { type Proving, useFinding } from '../../../workers/useProving.ts';
import { Causes } from './Causes.tsx';
import { Ended } from './Ended.tsx';
import classes from './Fault.module.css';
import { NextCheckCard } from './NextCheckCard.tsx';
import { TellSymptom } from './TellSymptom.tsx';

interface PanelProps {
  proving: Proving;
  grid: ProvingGrid;
  chooseCell(cellId: string): void;
}

/** Why it did not: what was told, what may be wrong and why, and the check that tells most next. */
export function FaultPanel({ proving, grid, chooseCell }: PanelProps) {
  const { job, shelf } = useDesk();
  const [helper, setHelper] = useState(job.habits?.helper ?? false);
  const [open, setOpen] = useState<readonly string[]>([]);
  const told = toldOf(job, grid.cells, 'cured', Date.now());
  const finding = useFinding(proving, { job, shelf }, told, { helper, open });
  const cells = toldNow(job, grid.cells, 'cured', Date.now());
  const failed = cells.filter(({ seen }) => seen.length > 0);
  const symptoms = SYMPTOMS.filter(({ id }) =>
    cells.some(({ by }) => by.kind === 'cell' && by.symptom === id),
  );
  const unlike =
    finding.data &&
    symptoms.flatMap((symptom) => {
      const mine = cells.filter(({ by }) => by.kind === 'cell' && by.symptom === symptom.id);
      return finding.data ? unlikeUsual(symptom, mine, finding.data, job.vehicle, grid) : [];
    });
  const anything = failed.length + told.places.length + told.clues.length + told.pins.length > 0;
  const panels = lampsByPanel(job.vehicle.lamps.filter(({ id }) => grid.expected[0]?.lumens.has(id)));
  const pinWords = ({ connectorId, cavity, circuitId, ...read }: PinTold) =>
    `${job.vehicle.connectors?.find(({ id }) => id === connectorId)?.name ?? connectorId}, cavity ${cavity}, ${switchedName(job.vehicle, circuitId)}: ${readWords(read)}`;
  const cellName = (id: string) => grid.cells.find((cell) => cell.id === id)?.name ?? id;
  return (
    <section className={classes.fault} aria-label="Find the fault">
      <Card
        title="Find the fault"
        aside={finding.isFetching ? <span className="faint">counting it in</span> : null}
      >
        <TellSymptom grid={grid} />
        <Clues />
        {told.pins.length > 0 && (
          <p className="faint">
            {told.pins.length === 1 ? 'A reading' : `${told.pins.length} readings`} of a meter at proved wires{' '}
            {told.pins.length === 1 ? 'is' : 'are'} counted in:{' '}
            {told.pins.map((each) => pinWords(each)).join('; ')}.
          </p>
        )}
        {failed.length > 0 && (
          <>
            <h4>What was told</h4>
            <p className="faint">
              Of this visit: what was seen more than a day before the newest counts no more, it may have come
              since.
            </p>
            <SeenList
              seen={[...new Map(failed.map(({ by }) => [by.id, by])).values()].toReversed()}
              what="what was told"
            >
              {(each) => {
                const mine = failed.find(({ by }) => by.id === each.id);
                return mine
                  ? `${cellName(mine.cellId)}: ${capital(deviationsWords(job.vehicle, mine.seen, 6))}`
                  : '';
              }}
            </SeenList>
          </>
        )}
      </Card>
      {finding.data && anything && (
        <>
          {finding.data.contradictory.map((id) => (
            <Caution key={id}>
              {cellName(id)} was told in two ways. Either it comes and goes, a contact then, or one was told
              wrongly: take that back above, or look once more.
            </Caution>
          ))}
          {finding.data.unexplained.map((each) => (
            <Caution key={`${each.cellId} ${each.seen.join()}`}>
              Nothing this vehicle can have explains “{deviationsWords(job.vehicle, each.seen)}” in{' '}
              {cellName(each.cellId).toLowerCase()}: look once more, or the vehicle is not as it is entered.
            </Caution>
          ))}
          <Causes finding={finding.data} grid={grid} chooseCell={chooseCell} />
          {unlike && unlike.length > 0 && (
            <Card title="Unlike what is usual">
              <ul>
                {unlike.map((each) => (
                  <li key={each}>{each}</li>
                ))}
              </ul>
              <p className="faint">What is usual is common practice; what this vehicle shows is computed.</p>
            </Card>
          )}
          <NextCheckCard finding={finding.data} grid={grid} chooseCell={chooseCell}>
            <div className={classes.where}>
              <Checkbox
                checked={helper}
                onChange={(event) => setHelper(event.currentTarget.checked)}
                label="Somebody sits in the seat"
              />
              {[...panels].map(([group, lamps]) => (
                <Checkbox
                  key={group}
                  checked={open.includes(group)}
                  onChange={(event) =>
                    setOpen(
                      event.currentTarget.checked ? [...open, group] : open.filter((each) => each !== group),
                    )
                  }
                  label={`${lampById(job.vehicle, lamps[0]?.id ?? '').name} is open`}
                />
              ))}
            </div>
          </NextCheckCard>
          <Ended finding={finding.data} grid={grid} />
        </>
      )}
    </section>
  );
}

/** What is told beside what is seen, a tap each; taken back by another. */
function Clues() {
  const { job, lamp } = useDesk();
  const { record, takeBack } = useEvidence();
  const told = standing(job).filter((each) => each.kind === 'clue');
  return (
    <div className={classes.clues} role="group" aria-label="Told beside">
      {CLUES.filter((clue) => clue !== 'since-relay' || flashes(job)).map((clue) => {
        const mine = told.find((each) => each.clue === clue);
        const of = mine?.lampId ? ` (${lampById(job.vehicle, mine.lampId).name.toLowerCase()})` : '';
        return (
          <Button
            key={clue}
            size="sm"
            variant={mine ? 'filled' : 'default'}
            aria-pressed={mine !== undefined}
            onClick={() => {
              if (mine) takeBack(`Take back: ${CLUE_WORDS[clue]}`, mine.id);
              else
                record(`Told: ${CLUE_WORDS[clue]}`, {
                  kind: 'clue',
                  clue,
                  lampId: clue === 'wiggle' ? (lamp?.id ?? null) : null,
                });
            }}
          >
            {CLUE_WORDS[clue]}
            {of}
          </Button>
        );
      })}
    </div>
  );
}
