import type { Job, Stage } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Side } from '../model/vehicle.ts';
import { fitmentOf } from '../vehicle/fitment.ts';
import { playTurn } from './playTurn.ts';
import { colourOf, type LampShow, thresholdFor } from './rehearse.ts';

/** How long a strip is, and how often it is sampled, s. */
export const STRIP_SECONDS = 4;
export const STRIP_STEP = 0.01;

export interface LampStrip {
  lampId: string;
  colour: LampShow['colour'];
  /** light every `STRIP_STEP` from the moment the stalk is moved, 1 for its rated light */
  light: readonly number[];
}

export interface StageStrips {
  stage: Stage;
  /** once settled */
  ratePerMinute: number;
  /** share of a settled period the relay is closed */
  onFraction: number;
  /** true when the vehicle's threshold is not known and the middle of its band stood in for it */
  thresholdAssumed: boolean;
  lamps: readonly LampStrip[];
}

const STAGES: readonly Stage[] = ['stock', 'leds', 'cured'];

/**
 * Four seconds of every lamp of some sides, from cold, in the vehicle's three states side by side.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function lampStrips(job: Job, shelf: Shelf, sides: readonly Side[], emfVolts: number): StageStrips[] {
  const { vehicle } = job;
  const { thresholdAmps, assumed } = thresholdFor(job, sides, emfVolts);
  return STAGES.map((stage) => {
    const fitment = fitmentOf(job, shelf, stage);
    const play = playTurn({ vehicle, fitment, sides, emfVolts, thresholdAmps, seconds: STRIP_SECONDS });
    const last = play.flashes.at(-1);
    if (!last) throw new RangeError('a lit vehicle flashes at least once');
    return {
      stage,
      ratePerMinute: 60 / last.periodSeconds,
      onFraction: last.onSeconds / last.periodSeconds,
      thresholdAssumed: assumed,
      lamps: play.lamps.map(({ lampId, light }) => ({
        lampId,
        colour: colourOf(vehicle, fitment, lampId),
        light: Array.from({ length: STRIP_SECONDS / STRIP_STEP + 1 }, (_, index) =>
          light.at(index * STRIP_STEP),
        ),
      })),
    };
  });
}
