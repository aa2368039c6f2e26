import type { DashEvent, Flash } from '../devices/device.ts';
import { thresholdAt } from '../devices/threshold.ts';
import { type Fault, strikesOf } from '../faults/kinds.ts';
import { HealthyBands } from '../judge/outageBand.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { LampInput, Side } from '../model/vehicle/lamp.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import { type Controls, flashingSides } from '../simulation/controls.ts';
import { type Fitment, fitmentOf } from '../simulation/fitment.ts';
import type { LampColour } from '../simulation/lampLight.ts';
import type { PulsedLight } from '../simulation/pulsedFeed.ts';
import { type PlayedEmitter, playVehicle, type VehiclePlay } from '../simulation/vehicleRun.ts';
import { type Effect, explain } from './explain.ts';
import { senseEvents } from './senses.ts';
import type { Waveform } from './waveform.ts';

export const WAVEFORM_SAMPLES = 96;
/** Flashes played, of which the last is kept: a signal filament forgets its cold start within one. */
const PLAYED_FLASHES = 2;

/** One source of light in a lamp. */
export interface LampTrace {
  lampId: string;
  input: LampInput;
  colour: LampColour;
  /** luminous flux at 1, lm */
  lumens: number;
  waveform: Waveform;
  /** light when held on, for those who asked for no motion */
  steady: number;
  /** an LED on a pulsed feed: how fast and how deep it flickers */
  pulsed: PulsedLight | null;
}

/** What the vehicle does with its controls as they are. */
export interface Traces {
  sides: readonly Side[];
  /** flashes a minute; null when nothing flashes */
  ratePerMinute: number | null;
  onFraction: number;
  periodSeconds: number;
  /** current the flasher counts, and the threshold it is compared with, A */
  watchedAmps: number;
  thresholdAmps: number;
  missesLamp: boolean;
  /** true when the vehicle's threshold is not known and the middle of its band stood in for it */
  thresholdAssumed: boolean;
  lamps: readonly LampTrace[];
  /** messages, codes, outputs off, fuses, senses: as they came */
  events: readonly DashEvent[];
  blownFuses: readonly string[];
  /** what the circuit did that a rule of thumb would not have told, in words */
  effects: readonly Effect[];
}

/**
 * Plays the vehicle. Unlike the verdict, this obeys the simulated vehicle's TRUE thresholds, as the real vehicle
 * would; where none is known it takes the middle of the band and says so.
 *
 * @throws UnknownReferenceError when the job names a part that is not known
 */
export function traceLamps(
  job: Job,
  shelf: Shelf,
  configuration: Configuration,
  controls: Controls,
  emfVolts: number,
  faults: readonly Fault[] = [],
): Traces {
  const { vehicle } = job;
  const sides = flashingSides(vehicle, controls);
  const fitment = fitmentOf(job, shelf, configuration);
  const { thresholdAmps, assumed } = thresholdFor(job, fitment, sides, emfVolts);
  const play = playVehicle({
    vehicle,
    fitment,
    controls,
    emfVolts,
    thresholdAmps,
    strikes: strikesOf(job.vehicle, faults),
    ...(sides.length > 0 ? { flashes: PLAYED_FLASHES } : {}),
  });
  const last = lastFlash(play);
  const span = last ?? { startSeconds: play.seconds, periodSeconds: 0, onSeconds: 0 };
  const events = [...play.events, ...senseEvents(vehicle, controls, play)];
  return {
    sides,
    ratePerMinute: last ? 60 / last.periodSeconds : null,
    onFraction: last ? last.onSeconds / last.periodSeconds : 1,
    periodSeconds: last ? last.periodSeconds : 1,
    watchedAmps: last?.sampledAmps ?? 0,
    thresholdAmps: last?.thresholdAmps ?? 0,
    missesLamp: last?.missesLamp ?? false,
    thresholdAssumed: assumed,
    lamps: play.emitters.map((emitter) => showOf(emitter, span)),
    events,
    blownFuses: play.blownFuses,
    effects: explain({ job, fitment, controls, emfVolts, faults, play, events, thresholdAmps }),
  };
}

/** The flash the vehicle goes on with; null where it has stopped, an output having been cut off for good. */
export function lastFlash({ flashes, seconds }: VehiclePlay): Flash | undefined {
  const last = flashes.at(-1);
  return last && seconds <= last.startSeconds + 2.5 * last.periodSeconds ? last : undefined;
}

/** Light below this is dark to any eye, as a share of rated light. */
const DARK = 2e-4;

function showOf(
  emitter: PlayedEmitter,
  { startSeconds, periodSeconds }: { startSeconds: number; periodSeconds: number },
): LampTrace {
  const { lampId, input, colour, lumens, pulsed, curve } = emitter;
  const waveform =
    periodSeconds > 0
      ? Array.from({ length: WAVEFORM_SAMPLES }, (_, index) =>
          curve.at(startSeconds + ((index + 0.5) / WAVEFORM_SAMPLES) * periodSeconds),
        )
      : [curve.at(startSeconds)];
  const steady = Math.max(...waveform);
  const dark = steady < DARK;
  return {
    lampId,
    input,
    colour,
    lumens,
    waveform: dark ? [0] : waveform,
    steady: dark ? 0 : steady,
    pulsed,
  };
}

/** The threshold the played relay obeys: the simulated vehicle's own, or the middle of the band where none is known. */
export function thresholdFor(
  job: Job,
  { flasher }: Fitment,
  sides: readonly Side[],
  emfVolts: number,
): { thresholdAmps: number; assumed: boolean } {
  const watches =
    flasher.kind === 'watching-relay' || (flasher.kind === 'thermal' && flasher.underloaded === 'fast');
  if (!watches || sides.length === 0) return { thresholdAmps: 0, assumed: false };
  if (flasher.kind === 'watching-relay' && flasher.simulatedThreshold)
    return { thresholdAmps: thresholdAt(flasher.simulatedThreshold, emfVolts), assumed: false };
  const circuit = turnCircuits(job.vehicle).find((each) => sides.includes(each.side));
  if (!circuit) return { thresholdAmps: 0, assumed: false };
  const band = new HealthyBands(job).at(circuit, emfVolts);
  return { thresholdAmps: (band.lowAmps + band.highAmps) / 2, assumed: true };
}
