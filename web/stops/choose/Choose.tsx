import { Button, Checkbox } from '@mantine/core';
import { useMemo, useState } from 'react';
import type { Job } from '../../../core/model/job.ts';
import type { LedPart, Shelf } from '../../../core/model/part.ts';
import type { Lamp } from '../../../core/model/vehicle.ts';
import { amps, perMinute, volts, watts } from '../../../core/quantities/format.ts';
import { bulbOf, ledOf } from '../../../core/vehicle/fitment.ts';
import { type LedFit, ledFit } from '../../../core/vehicle/ledFits.ts';
import { TurnJudge } from '../../../core/verdict/judge.ts';
import { HealthyBands } from '../../../core/verdict/outageBand.ts';
import type { CircuitVerdict } from '../../../core/verdict/verdict.ts';
import { LampList } from '../../job/lamps/LampList.tsx';
import { useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { price } from '../../ui/money.ts';
import { VerdictBadge } from '../../ui/VerdictBadge.tsx';
import classes from './Choose.module.css';
import { proposeLeds } from './proposeLeds.ts';

/** The LED for each lamp: what fits, what does not and why, and what each does to this circuit. */
export default function Choose() {
  const { job, shelf, edit, lamp, setStage } = useWorkspace();
  const { lamps } = job.vehicle;
  const open = lamps.filter((each) => job.chosen[each.id] === undefined);
  const current = lamp ?? open[0] ?? lamps[0];
  const proposal = useMemo(() => proposeLeds(job, shelf), [job, shelf]);
  return (
    <div className={classes.grid}>
      <LampList
        title="LED for each lamp"
        current={current}
        fill={
          proposal.size === 0
            ? undefined
            : {
                label: 'Fill from the shelf',
                act: () => {
                  edit('Fill the open lamps from the shelf', (draft) => {
                    for (const [lampId, part] of proposal) draft.chosen[lampId] = part.id;
                  });
                  setStage('leds');
                },
              }
        }
        value={(each) =>
          ledOf(job, shelf, each.id)?.code ??
          (job.chosen[each.id] === null ? `keeps ${bulbOf(job, each).names[0]}` : 'open')
        }
      />
      {current && <Candidates lamp={current} />}
    </div>
  );
}

interface Candidate {
  part: LedPart;
  fit: LedFit;
  verdict: CircuitVerdict | null;
}

function Candidates({ lamp }: { lamp: Lamp }) {
  const { job, shelf, edit, setStage } = useWorkspace();
  const [pair, setPair] = useState(true);
  const candidates = useMemo(() => candidatesFor(job, shelf, lamp), [job, shelf, lamp]);
  const partner = job.vehicle.lamps.find(
    (other) =>
      other.side !== lamp.side &&
      other.end === lamp.end &&
      other.role === lamp.role &&
      other.base === lamp.base,
  );
  const lamps = pair && partner ? [lamp, partner] : [lamp];
  const choose = (partId: string | null, name: string) => {
    edit(`${name} for ${lamps.map((each) => each.name.toLowerCase()).join(' and ')}`, (draft) => {
      for (const each of lamps) draft.chosen[each.id] = partId;
    });
    setStage('leds');
  };
  const fitting = candidates.filter(({ fit }) => fit.fits);
  const others = candidates.filter(({ fit }) => !fit.fits);
  const now = job.chosen[lamp.id];
  const bulb = bulbOf(job, lamp).names[0];
  return (
    <Card
      title={lamps.map((each, index) => (index === 0 ? each.name : each.name.toLowerCase())).join(' and ')}
      aside={
        partner && (
          <Checkbox
            label={`the same for ${partner.name.toLowerCase()}`}
            checked={pair}
            onChange={(event) => setPair(event.currentTarget.checked)}
          />
        )
      }
    >
      <p className={classes.takes}>
        Takes {lamp.base} behind {lamp.lens} glass; {bulb} now.
      </p>
      <ul className={classes.parts}>
        {fitting.map((candidate) => (
          <CandidateRow
            key={candidate.part.id}
            candidate={candidate}
            lamp={lamp}
            chosen={now === candidate.part.id}
            choose={choose}
          />
        ))}
        <li className={classes.part}>
          <div>
            <b>Keep the filament bulb</b>
            <div className="faint">{bulb} stays, and draws what it always drew.</div>
          </div>
          <Button
            variant={now === null ? 'filled' : 'default'}
            onClick={() => choose(null, 'Keep the filament')}
            aria-label="Keep the filament bulb"
          >
            {now === null ? 'Kept' : 'Keep'}
          </Button>
        </li>
      </ul>
      {fitting.length === 0 && <p>No LED on the shelf goes into this lamp; the reasons are below.</p>}
      {others.length > 0 && (
        <details className={classes.others} open={fitting.length === 0}>
          <summary>{others.length} on the shelf do not go in, and why</summary>
          <ul className={classes.parts}>
            {others.map((candidate) => (
              <CandidateRow
                key={candidate.part.id}
                candidate={candidate}
                lamp={lamp}
                chosen={false}
                choose={choose}
              />
            ))}
          </ul>
        </details>
      )}
    </Card>
  );
}

interface CandidateRowProps {
  candidate: Candidate;
  lamp: Lamp;
  chosen: boolean;
  choose(partId: string, name: string): void;
}

function CandidateRow({ candidate: { part, fit, verdict }, lamp, chosen, choose }: CandidateRowProps) {
  return (
    <li className={classes.part} data-fits={fit.fits}>
      <div>
        <b>{part.code}</b> {part.name}
        <div className="faint">
          {watts(part.watts)} at {volts(part.atVolts)} printed, so {amps(part.watts / part.atVolts)} ·{' '}
          {part.lumens} lm printed · {part.lengthMm} × {part.diameterMm} mm · price {price(part.price)} ·{' '}
          {part.stock} on the shelf
        </div>
        {fit.obstacles.map((text) => (
          <div key={text} className={classes.obstacle}>
            {text}
          </div>
        ))}
        {fit.fits &&
          fit.cautions.map((text) => (
            <div key={text} className="faint">
              {text}
            </div>
          ))}
        {verdict && (
          <div className={classes.effect}>
            <VerdictBadge state={verdict.state} />
            <span className="faint">
              without a cure, {lamp.side} turn: {perMinute(verdict.rate.low)}
              {verdict.rate.high !== verdict.rate.low ? ` or ${perMinute(verdict.rate.high)}` : ''}, computed
            </span>
          </div>
        )}
      </div>
      {fit.fits && (
        <Button
          variant={chosen ? 'filled' : 'default'}
          onClick={() => choose(part.id, part.code)}
          aria-label={`${chosen ? 'Chosen' : 'Choose'} ${part.code}`}
        >
          {chosen ? 'Chosen' : 'Choose'}
        </Button>
      )}
    </li>
  );
}

/** What fits comes first, by how it behaves in this circuit; then what does not, with the reason. */
function candidatesFor(job: Job, shelf: Shelf, lamp: Lamp): Candidate[] {
  const circuit = job.vehicle.circuits.find((each) => each.lampIds.includes(lamp.id));
  const leds = shelf.filter((part): part is LedPart => part.kind === 'led');
  // The bulbs that were stock are the same whatever LED is tried.
  const bands = new HealthyBands(job);
  const candidates = leds.map((part): Candidate => {
    const fit = ledFit(job.vehicle, lamp, part);
    if (!fit.fits || !circuit) return { part, fit, verdict: null };
    try {
      const tried: Job = { ...job, chosen: { ...job.chosen, [lamp.id]: part.id } };
      const { circuits } = new TurnJudge(tried, shelf, 'leds', bands).verdict();
      return { part, fit, verdict: circuits.find((each) => each.circuitId === circuit.id) ?? null };
    } catch (error) {
      // One part that cannot be computed must not take the others off the screen.
      const said = `It cannot be computed here: ${(error as Error).message}`;
      return { part, fit: { ...fit, fits: false, obstacles: [said] }, verdict: null };
    }
  });
  const margin = ({ verdict }: Candidate) =>
    verdict ? verdict.worst.amps.low / verdict.worst.band.highAmps : -1;
  return candidates.sort(
    (a, b) => Number(b.fit.fits) - Number(a.fit.fits) || margin(b) - margin(a) || a.part.price - b.part.price,
  );
}
