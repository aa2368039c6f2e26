import type { DashEvent } from '../devices/device.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { LampInput } from '../model/vehicle/lamp.ts';
import { type Controls, flashingSides } from '../simulation/controls.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import type { LampColour } from '../simulation/lampLight.ts';
import { playVehicle } from '../simulation/vehicleRun.ts';
import { thresholdFor } from './traceLamps.ts';

/** How long a strip is, and how often it is sampled, s. */
export const STRIP_SECONDS = 4;
export const STRIP_STEP = 0.01;

export interface LampStrip {
  lampId: string;
  input: LampInput;
  colour: LampColour;
  /** luminous flux at 1, lm */
  lumens: number;
  /** light every `STRIP_STEP` from the moment the switch is moved, 1 for its rated light */
  light: readonly number[];
}

export interface ConfigurationStrips {
  configuration: Configuration;
  /** once settled; null where nothing flashes */
  ratePerMinute: number | null;
  /** share of a settled period the flasher is closed */
  onFraction: number;
  /** true when the vehicle's threshold is not known and the middle of its band stood in for it */
  thresholdAssumed: boolean;
  /** every lamp that gives light in these four seconds */
  lamps: readonly LampStrip[];
  events: readonly DashEvent[];
}

const CONFIGURATIONS: readonly Configuration[] = ['stock', 'leds', 'cured'];
/** Under this a lamp is dark, as a share of its rated light. */
const DARK = 1e-3;

/**
 * Four seconds of every lamp that the driver's panel lights, from cold, in the vehicle's three states.
 *
 * @throws UnknownReferenceError when the job names a part that is not known
 */
export function lampStrips(
  job: Job,
  shelf: Shelf,
  controls: Controls,
  emfVolts: number,
): ConfigurationStrips[] {
  const { vehicle } = job;
  const sides = flashingSides(vehicle, controls);
  return CONFIGURATIONS.map((configuration) => {
    const fitment = fitmentOf(job, shelf, configuration);
    const { thresholdAmps, assumed } = thresholdFor(job, fitment, sides, emfVolts);
    const play = playVehicle({ vehicle, fitment, controls, emfVolts, thresholdAmps, seconds: STRIP_SECONDS });
    const last = play.flashes.at(-1);
    return {
      configuration,
      ratePerMinute: last ? 60 / last.periodSeconds : null,
      onFraction: last ? last.onSeconds / last.periodSeconds : 1,
      thresholdAssumed: assumed,
      events: play.events,
      lamps: play.emitters
        .map(({ lampId, input, colour, lumens, curve }) => ({
          lampId,
          input,
          colour,
          lumens,
          light: Array.from({ length: STRIP_SECONDS / STRIP_STEP + 1 }, (_, index) =>
            curve.at(index * STRIP_STEP),
          ),
        }))
        .filter((strip) => Math.max(...strip.light) > DARK),
    };
  });
}
