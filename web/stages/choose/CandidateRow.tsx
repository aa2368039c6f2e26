import { Button } from '@mantine/core';
import type { Behaviour, Candidate } from '../../../core/choose/candidates.ts';
import { unlikeNeighbours } from '../../../core/choose/neighbours.ts';
import { lightOf } from '../../../core/choose/rank.ts';
import { amps, inARow, volts, watts } from '../../../core/formatting/format.ts';
import { length, lengthFigure } from '../../../core/formatting/units.ts';
import type { Bulb } from '../../../core/model/bulb.ts';
import type { LedPart, WholeLampPart } from '../../../core/model/part.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { lampById } from '../../../core/model/vehicle/lookUp.ts';
import { type PartTrial, partTrialWords } from '../../../core/record/partTrials.ts';
import { workName } from '../../../core/vehicle/lampWork.ts';
import { useDesk } from '../../job/workspace.ts';
import { price } from '../../ui/money.ts';
import { VerdictBadge } from '../../ui/VerdictBadge.tsx';
import classes from './Choose.module.css';
import { LensLight } from './LensLight.tsx';
import { NoteFit } from './NoteFit.tsx';
import { RoomDrawing } from './RoomDrawing.tsx';

interface CandidateRowProps {
  candidate: Candidate;
  behaviour: Behaviour | undefined;
  lamp: Lamp;
  /** the filament bulb it would replace; null for an LED from the works */
  stock: Bulb | null;
  /** what it was seen to do on other jobs */
  seen: readonly PartTrial[];
  /** what the log says of it: how many were fitted, how many came back */
  record: string | undefined;
  chosen: boolean;
  choose(partId: string, name: string): void;
}

/** One part of the shelf against the lamp in hand. */
export function CandidateRow({
  candidate,
  behaviour,
  lamp,
  stock,
  seen,
  record,
  chosen,
  choose,
}: CandidateRowProps) {
  const { job } = useDesk();
  const { vehicle } = job;
  const { part, fit, claim, lampIds } = candidate;
  const light = lightOf(job, lamp, candidate);
  return (
    <li className={classes.part} data-fits={fit.fits}>
      <div>
        <b>{part.code}</b> {part.name}
        <div className="faint">
          {part.kind === 'led' ? ledFigures(part) : lampFigures(part)} · price {price(part.price)} ·{' '}
          {part.stock} on the shelf
        </div>
        {record && <div className="faint">In the log: {record}</div>}
        {fit.obstacles.map((text) => (
          <div key={text} className={classes.obstacle}>
            {text}
          </div>
        ))}
        {fit.obstacles.length === 0 &&
          fit.checks.map((text) => (
            <div key={text} className={classes.obstacle}>
              {text}
            </div>
          ))}
        {fit.obstacles.length === 0 && part.kind === 'whole-lamp' && (
          <div className="faint">
            Takes the place of {lampIds.map((id) => lampById(vehicle, id).name.toLowerCase()).join(', ')}.
          </div>
        )}
        {claim && <div className={classes.obstacle}>{claim}</div>}
        {fit.obstacles.length === 0 &&
          fit.cautions.map((text) => (
            <div key={text} className={classes.mind}>
              {text}
            </div>
          ))}
        {fit.fits && light && stock && (
          <div className={classes.pictures}>
            {part.kind === 'led' && <RoomDrawing lamp={lamp} stock={stock} part={part} />}
            <LensLight lamp={lamp} bulb={stock} part={light} />
          </div>
        )}
        {fit.obstacles.length === 0 && light && <Neighbours lamp={lamp} part={light} />}
        {seen.length > 0 && <div className="faint">Seen before with LEDs alone: {partTrialWords(seen)}.</div>}
        {behaviour && (
          <div className={classes.effect}>
            {behaviour.state && <VerdictBadge state={behaviour.state} />}
            <span className="faint">
              {behaviour.lines.map((line) => line.text).join(' ')} Computed, without a cure.
            </span>
          </div>
        )}
      </div>
      {part.kind === 'whole-lamp' && fit.checks.length > 0 && fit.obstacles.length === 0 && (
        <NoteFit part={part} />
      )}
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

/** The lamps beside it that stay filament and show another white. */
function Neighbours({ lamp, part }: { lamp: Lamp; part: LedPart }) {
  const { job, shelf } = useDesk();
  const [first, ...more] = unlikeNeighbours(job, shelf, lamp, part);
  if (!first) return null;
  const names = inARow([first, ...more].map((each) => each.lamp.name.toLowerCase()));
  return (
    <div className={classes.mind}>
      {first.colder ? 'Colder' : 'Another colour'} than {names}, which {more.length > 0 ? 'stay' : 'stays'}{' '}
      filament beside it (u′v′ {first.apart.toFixed(3)} apart, computed): side by side it shows.
    </div>
  );
}

function ledFigures(part: LedPart): string {
  const more = [
    part.polarity === 'either' ? 'either way round' : 'one way round',
    ...(part.twin ? ['two levels'] : []),
    ...(part.switchback ? ['white and amber'] : []),
    ...(part.builtInLoadOhms ? ['load built in'] : []),
    ...(part.sealed ? ['sealed'] : []),
    ...(part.warrantyMonths ? [`${part.warrantyMonths} months’ warranty`] : []),
  ];
  return `${watts(part.watts)} at ${volts(part.atVolts)} printed, so ${amps(part.watts / part.atVolts)} · ${part.lumens} lm printed · ${lengthFigure(part.lengthMm)} × ${length(part.diameterMm)} · ${more.join(', ')}`;
}

function lampFigures(part: WholeLampPart): string {
  return part.sections
    .map(({ does, light }) =>
      light.kind === 'panel'
        ? `${workName(does)} ${watts(light.watts)} at ${volts(light.atVolts)} printed`
        : `${workName(does)} socket ${light.base}`,
    )
    .join(' · ');
}
