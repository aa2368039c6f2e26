import type { Job } from '../../model/job.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { circuitsOf } from '../../model/vehicle/lookUp.ts';
import type { Opening } from '../../model/vehicle/opening.ts';
import { openingsOf } from '../access/openings.ts';
import type { FitStep } from './fitStep.ts';
import { stepDone } from './stepState.ts';

/** One thing that is done before it is left. */
export type SafeAct =
  | { act: 'unfinished' | 'unjoined'; step: FitStep }
  | { act: 'empty-socket'; lamp: Lamp }
  | { act: 'close'; opening: Opening; lamp: Lamp | null }
  | { act: 'battery-on' | 'walk-round' | 'nothing-open' };

/** Why it must not be driven so, or not in the dark. */
export type SafeWarning =
  | { warning: 'not-seen-lit'; lamp: Lamp }
  | { warning: 'no-flasher' | 'half-converted' };

/** What leaves a vehicle half-way through its work safe: rain has come, or it is needed tonight. Said by `words/work/makeSafe.ts`. */
export interface MakeSafe {
  /** in the order it is done */
  acts: readonly SafeAct[];
  warnings: readonly SafeWarning[];
  /** shortest and longest, minutes (typical) */
  minutes: readonly [number, number];
}

/** Road lamps whose function must work before a vehicle moves. */
const ROAD = new Set([
  'turn',
  'stop',
  'third-brake',
  'tail',
  'marker',
  'plate',
  'dipped-beam',
  'rear-fog',
  'daytime-running',
  'cornering',
]);

/**
 * What is to be insulated, put back and looked at so that a vehicle can leave in the middle of the work, and what must not
 * be driven as it stands.
 *
 * @param steps of the job, in their order
 */
export function makeSafe(job: Job, steps: readonly FitStep[]): MakeSafe {
  const done = (step: FitStep | undefined) => step !== undefined && stepDone(job, step);
  const begun = (step: FitStep) => Boolean(job.fit[step.id]?.startedAt || job.fit[step.id]?.ticks?.length);
  const of = (id: string) => steps.find((step) => step.id === id);
  const acts: SafeAct[] = [];
  const warnings: SafeWarning[] = [];
  let low = 0;
  let high = 0;
  const takes = (from: number, to: number) => {
    low += from;
    high += to;
  };

  for (const step of steps) {
    const loose = step.kind === 'tap' || step.kind === 'mount' || step.kind === 'harness';
    if (!loose || done(step) || !begun(step)) continue;
    acts.push({ act: 'unfinished', step });
    takes(2, 5);
  }
  // A resistor that is screwed down and not yet joined has two bare ends.
  for (const mount of steps.filter(({ kind }) => kind === 'mount')) {
    const tap = of(mount.id.replace('mount-', 'tap-'));
    if (!done(mount) || done(tap) || (tap && begun(tap))) continue;
    acts.push({ act: 'unjoined', step: mount });
    takes(1, 3);
  }
  const off = steps.filter(({ id }) => id.startsWith('battery-off')).find((step) => done(step));
  if (off && !done(of(off.id.replace('battery-off', 'battery-on')))) {
    acts.push({ act: 'battery-on' });
    takes(2, 5);
  }
  const open = openingsOf(job.vehicle)
    .filter(({ opening: { id } }) => {
      const opened = of(`open-${id}`);
      return opened !== undefined && (done(opened) || begun(opened)) && !done(of(`close-${id}`));
    })
    .toReversed();
  for (const { opening, lamps } of open) {
    const worked = lamps.filter((lamp) => done(of(`swap-${lamp.id}`)) && !done(of(`test-${opening.id}`)));
    const empty = lamps.filter((lamp) => {
      const swap = of(`swap-${lamp.id}`);
      return swap !== undefined && !done(swap) && begun(swap);
    });
    for (const lamp of empty) acts.push({ act: 'empty-socket', lamp });
    acts.push({ act: 'close', opening, lamp: lamps[0] ?? null });
    takes(opening.minutes[0] / 2, opening.minutes[1] / 2);
    for (const lamp of [...worked, ...empty]) {
      const road = circuitsOf(job.vehicle, lamp.id).some(({ kind }) => ROAD.has(kind));
      if (road) warnings.push({ warning: 'not-seen-lit', lamp });
    }
  }
  const relay = of('open-flasher') ?? of('cure-flasher');
  if (relay && begun(relay) && !done(of('cure-flasher'))) warnings.push({ warning: 'no-flasher' });
  const compare = steps.find(({ kind }) => kind === 'compare');
  const swaps = steps.filter(({ kind }) => kind === 'swap' || kind === 'whole');
  if (compare && swaps.some(done) && !swaps.every(done) && !done(compare))
    warnings.push({ warning: 'half-converted' });
  if (acts.length + warnings.length > 0) {
    acts.push({ act: 'walk-round' });
    takes(2, 4);
  }
  if (acts.length === 0) acts.push({ act: 'nothing-open' });
  return { acts, warnings, minutes: [low, high] };
}
