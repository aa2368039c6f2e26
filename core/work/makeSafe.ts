import { capital } from '../formatting/format.ts';
import type { Job } from '../model/job.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import { openingsOf } from './access/openings.ts';
import { countWords } from './access/words.ts';
import { stepDone } from './stepState.ts';
import type { FitStep } from './steps/fitStep.ts';

/** What leaves a vehicle half-way through its work safe: rain has come, or it is needed tonight. */
export interface MakeSafe {
  /** in the order it is done */
  acts: readonly string[];
  /** what must not be driven so, or not in the dark */
  warnings: readonly string[];
  /** shortest and longest, minutes (typical) */
  minutes: readonly [number, number];
}

/** Road lamps whose function must work before a vehicle moves. */
const ROAD = new Set(['turn', 'stop', 'third-brake', 'tail', 'marker', 'plate', 'dipped-beam', 'rear-fog']);

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
  const acts: string[] = [];
  const warnings: string[] = [];
  let low = 0;
  let high = 0;
  const takes = (from: number, to: number) => {
    low += from;
    high += to;
  };

  for (const step of steps) {
    const loose = step.kind === 'tap' || step.kind === 'mount' || step.kind === 'harness';
    if (!loose || done(step) || !begun(step)) continue;
    acts.push(
      step.kind === 'tap'
        ? `${step.place}: the joint of “${step.title}” is not finished. Put heat shrink or tape over every bare end, each by itself, and tie the lead away from metal.`
        : `${step.place}: “${step.title}” is not finished. Take the resistor off or screw it down, so that it cannot touch plastic or wiring.`,
    );
    takes(2, 5);
  }
  // A resistor that is screwed down and not yet joined has two bare ends.
  for (const mount of steps.filter(({ kind }) => kind === 'mount')) {
    const tap = of(mount.id.replace('mount-', 'tap-'));
    if (!done(mount) || done(tap) || (tap && begun(tap))) continue;
    acts.push(
      `${mount.place}: the resistor is mounted and not joined. Insulate both its leads and tie them up.`,
    );
    takes(1, 3);
  }
  const off = steps.filter(({ id }) => id.startsWith('battery-off')).find((step) => done(step));
  if (off && !done(of(off.id.replace('battery-off', 'battery-on')))) {
    acts.push('Put the battery back on: plus first, minus last.');
    takes(2, 5);
  }
  const open = openingsOf(job.vehicle)
    .filter(({ opening: { id } }) => {
      const opened = of(`open-${id}`);
      return opened !== undefined && (done(opened) || begun(opened)) && !done(of(`close-${id}`));
    })
    .toReversed();
  for (const { opening, lamps } of open) {
    const counted = countWords(opening);
    const worked = lamps.filter((lamp) => done(of(`swap-${lamp.id}`)) && !done(of(`test-${opening.id}`)));
    const empty = lamps.filter((lamp) => {
      const swap = of(`swap-${lamp.id}`);
      return swap !== undefined && !done(swap) && begun(swap);
    });
    for (const lamp of empty)
      acts.push(`${lamp.name}: put a bulb in, old or new; an empty socket lets water in.`);
    acts.push(
      `Close ${(lamps[0]?.name ?? opening.name).toLowerCase()}${counted ? `: ${counted}` : ''}. With no time to seal it, tape over the gap keeps rain out until then.`,
    );
    takes(opening.minutes[0] / 2, opening.minutes[1] / 2);
    for (const lamp of [...worked, ...empty]) {
      const road = circuitsOf(job.vehicle, lamp.id).some(({ kind }) => ROAD.has(kind));
      if (road)
        warnings.push(
          `${lamp.name} was worked on and not seen lit: switch it on once. Dark, it must not be driven.`,
        );
    }
  }
  const relay = of('open-flasher') ?? of('cure-flasher');
  if (relay && begun(relay) && !done(of('cure-flasher')))
    warnings.push('Without its flasher nothing turns or warns: put one back in before it moves.');
  const compare = steps.find(({ kind }) => kind === 'compare');
  const swaps = steps.filter(({ kind }) => kind === 'swap' || kind === 'whole');
  if (compare && swaps.some(done) && !swaps.every(done) && !done(compare))
    warnings.push(
      'Only some of its lamps are converted: try left, right and hazard. Where one flashes fast, a lamp is taken for dead; the old bulb back in puts it right.',
    );
  if (acts.length + warnings.length > 0) {
    acts.push('Walk round it: turn both sides, brake, lights. Each lamp seen lit.');
    takes(2, 4);
  }
  if (acts.length === 0) acts.push('Nothing is open and nothing hangs loose: it can go as it stands.');
  return { acts: acts.map(capital), warnings, minutes: [low, high] };
}
