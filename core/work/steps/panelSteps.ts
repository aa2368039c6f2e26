import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { circuitsOf } from '../../model/vehicle/lookUp.ts';
import { ledOf, networksOf } from '../../simulation/fitment.ts';
import { switchesFor } from '../../vehicle/lampWork.ts';
import type { KnownConnector } from '../../wiring/connectors.ts';
import type { OpenedWith } from '../access/openings.ts';
import type { FitStep } from './fitStep.ts';
import { hasWork, lampSteps } from './lampSteps.ts';
import type { LitBy } from './stepAbout.ts';

const half = (minutes: readonly [number, number]): [number, number] => [minutes[0] / 2, minutes[1] / 2];

const workedBehind = (job: Job, shelf: Shelf, { lamps }: OpenedWith) =>
  lamps.filter((lamp) => hasWork(job, shelf, lamp));

/**
 * Opening a panel, and what is done behind it.
 *
 * @param plugs the vehicle's plugs, where somebody has listed them already
 */
export function openSteps(
  job: Job,
  shelf: Shelf,
  opened: OpenedWith,
  plugs?: readonly KnownConnector[],
): FitStep[] {
  const worked = workedBehind(job, shelf, opened);
  return [openStep(job, opened, worked), ...worked.flatMap((lamp) => lampSteps(job, shelf, lamp, plugs))];
}

function openStep({ vehicle }: Job, opened: OpenedWith, worked: readonly Lamp[]): FitStep {
  const { opening } = opened;
  const airbag = opening.hazards.includes('curtain-airbag');
  return {
    id: `open-${opening.id}`,
    kind: 'open',
    about: {
      of: 'open',
      opened,
      worked,
      past: (vehicle.past ?? []).filter(({ lampId }) => opened.lamps.some(({ id }) => id === lampId)),
    },
    lampId: worked[0]?.id ?? null,
    openingId: opening.id,
    minutes: half(opening.minutes),
    timedAs: `open ${opening.usual ?? opening.id}`,
    ...(airbag ? { timer: { what: 'airbag' as const, minutes: opening.airbagWaitMinutes ?? null } } : {}),
  };
}

/** Seeing what was worked on lit, before its panel is closed. */
export function testStep(job: Job, shelf: Shelf, opened: OpenedWith): FitStep[] {
  const worked = workedBehind(job, shelf, opened);
  const [first] = worked;
  if (!first) return [];
  const { vehicle } = job;
  const litBy = (lamp: Lamp): LitBy => ({ lamp, switches: switchesFor(vehicle, lamp) });
  const alike = opened.lamps.filter((lamp) => worked.some((each) => each.base === lamp.base));
  return [
    {
      id: `test-${opened.opening.id}`,
      kind: 'test',
      about: {
        of: 'test',
        worked: worked.map(litBy),
        alike: alike.length > 1 ? alike.map(litBy) : [],
        wayRound: worked.filter(
          ({ id }) => ledOf(job, shelf, id)?.polarity === 'one-way' && !job.polarity?.[id],
        ),
        turns: worked.some(({ id }) => circuitsOf(vehicle, id).some(({ kind }) => kind === 'turn')),
        resistors: networksOf(job).length > 0,
      },
      lampId: first.id,
      openingId: opened.opening.id,
      minutes: [0.2, 2],
      timedAs: 'test',
    },
  ];
}

/** Closing a panel: its opening reversed, with counts to tick. */
export function closeStep(job: Job, shelf: Shelf, opened: OpenedWith): FitStep {
  const worked = workedBehind(job, shelf, opened);
  const { opening } = opened;
  return {
    id: `close-${opening.id}`,
    kind: 'close',
    about: { of: 'close', opened, worked },
    lampId: worked[0]?.id ?? null,
    openingId: opening.id,
    minutes: half(opening.minutes),
    timedAs: `open ${opening.usual ?? opening.id}`,
  };
}
