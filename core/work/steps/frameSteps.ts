import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import { scopeLamps } from '../../model/scope.ts';
import type { Lamp, Side } from '../../model/vehicle/lamp.ts';
import { networksOf } from '../../simulation/fitment.ts';
import { switchesFor } from '../../vehicle/lampWork.ts';
import type { Round } from '../order/route.ts';
import type { FitStep } from './fitStep.ts';
import type { LaterCure } from './stepAbout.ts';
import { partsToReceive } from './toReceive.ts';

type Frame = Pick<FitStep, 'id' | 'kind' | 'about' | 'minutes'> & Partial<FitStep>;

/** A step that is about no lamp. */
function frame(step: Frame): FitStep {
  return { lampId: null, openingId: null, timedAs: step.kind, ...step };
}

/** Stock bulbs that were lit: so long until they can be touched, minutes (typical for 21 W). */
const COOL_MINUTES = 3;
/** So many parts fit on a list that is ticked. */
const MOST_PARTS = 30;

/** Before anything is opened: the vehicle made safe, the parts looked at, what is in the way taken out. */
export function firstSteps(job: Job, shelf: Shelf, after: readonly string[]): FitStep[] {
  const { inTheWay, highVoltage = false } = job.vehicle.facts ?? {};
  const parts = partsToReceive(job, shelf);
  return [
    ...(parts.length > 0
      ? [
          frame({
            id: 'receive',
            kind: 'bench',
            about: { of: 'receive', parts: parts.slice(0, MOST_PARTS), vehicle: job.vehicle },
            minutes: [0.5, 6],
            impliedBy: after,
          }),
        ]
      : []),
    frame({
      id: 'prepare',
      kind: 'safe',
      about: { of: 'prepare', highVoltage },
      minutes: [0.5, 5],
      timer: { what: 'cool', minutes: COOL_MINUTES },
    }),
    ...(inTheWay
      ? [
          frame({
            id: 'in-the-way',
            kind: 'open',
            about: { of: 'in-the-way', what: inTheWay.what },
            minutes: [inTheWay.minutes * 0.7, inTheWay.minutes * 1.5],
            timedAs: 'open in-the-way',
          }),
        ]
      : []),
  ];
}

/** Everything some lamps are lit by, each switch once. */
function switchesOf({ vehicle }: Job, lamps: readonly Lamp[]) {
  return [...new Set(lamps.flatMap((lamp) => switchesFor(vehicle, lamp)))];
}

/** What is switched on before a round looks at lamps, once for all of them. */
export function switchOnStep(
  job: Job,
  round: Round,
  lamps: readonly Lamp[],
  after: readonly string[],
): FitStep {
  return frame({
    id: `switch-on-${round.of}`,
    kind: 'switch',
    about: { of: 'switch-on', switches: switchesOf(job, lamps) },
    minutes: [0.3, 2],
    impliedBy: after,
  });
}

/** After a round: everything off, so that nothing gets hot or drains the battery. */
export function switchOffStep(round: Round, after: readonly string[]): FitStep {
  return frame({
    id: `switch-off-${round.of}`,
    kind: 'switch',
    about: { of: 'switch-off' },
    minutes: [0.2, 1],
    impliedBy: after,
  });
}

/** The battery off for all that needs it, and on again. */
export function batteryStep(act: 'battery-off' | 'battery-on', of: Round['of']): FitStep {
  return frame({
    id: `${act}-${of}`,
    kind: 'battery',
    about: { of: act },
    minutes: act === 'battery-off' ? [3, 6] : [2, 5],
  });
}

/**
 * One side converted, the other still stock: now they can be compared.
 *
 * @param later what of the cure comes after the lamps and decides how they flash; till then nobody can ask for a rate
 */
export function compareStep(side: Side, both: boolean, later: LaterCure | null): FitStep {
  return frame({
    id: `compare-${side}`,
    kind: 'compare',
    about: { of: 'compare', side, both, later },
    minutes: both ? [0.5, 4] : [0.4, 3],
  });
}

/** What ends a job: everything on for a while, the old bulbs put away. */
export function lastSteps(job: Job, flashing: boolean): FitStep[] {
  const { inTheWay } = job.vehicle.facts ?? {};
  return [
    ...(inTheWay
      ? [
          frame({
            id: 'in-the-way-back',
            kind: 'close',
            about: { of: 'in-the-way-back', what: inTheWay.what },
            minutes: [inTheWay.minutes * 0.3, inTheWay.minutes * 0.6],
            timedAs: 'open in-the-way',
            impliedBy: ['keep-stock'],
          }),
        ]
      : []),
    flashing ? hazardRun(job) : longRun(job),
    frame({ id: 'keep-stock', kind: 'file', about: { of: 'keep-stock' }, minutes: [0.3, 3] }),
  ];
}

function hazardRun(job: Job): FitStep {
  const resistors = networksOf(job).length > 0;
  return frame({
    id: 'hazard',
    kind: 'run',
    about: { of: 'hazard-run', hazardSwitch: job.vehicle.hazardSwitch, resistors },
    minutes: [2, 4],
  });
}

function longRun(job: Job): FitStep {
  const resistors = networksOf(job).length > 0;
  return frame({
    id: 'long-run',
    kind: 'run',
    about: { of: 'long-run', switches: switchesOf(job, scopeLamps(job)), resistors },
    minutes: [6, 8],
  });
}
