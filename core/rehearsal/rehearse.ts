import type { Job, Stage } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Side, Vehicle } from '../model/vehicle.ts';
import { type Fitment, fitmentOf } from '../vehicle/fitment.ts';
import { HealthyBands } from '../verdict/outageBand.ts';
import { chargingVolts } from '../verdict/workingPoints.ts';
import { type LightCurve, playTurn } from './playTurn.ts';

/** Light of one lamp over one flash period, evenly sampled, as a share of its light when rated. */
export type Waveform = readonly number[];

export const WAVEFORM_SAMPLES = 96;
/** Flashes played, of which the last is kept: a signal filament forgets its cold start within one. */
const PLAYED_FLASHES = 2;

/** The driver's panel. */
export interface Controls {
  key: 'off' | 'on' | 'running';
  turn: Side | null;
  hazard: boolean;
}

export const CONTROLS_OFF: Controls = { key: 'off', turn: null, hazard: false };

export interface LampShow {
  lampId: string;
  colour: 'amber' | 'red' | 'white' | 'warm';
  waveform: Waveform;
  /** light when held on, for those who asked for no motion */
  steady: number;
}

/** What the vehicle does with its controls as they are. */
export interface Rehearsal {
  sides: readonly Side[];
  /** flashes a minute; null when nothing flashes */
  ratePerMinute: number | null;
  onFraction: number;
  periodSeconds: number;
  /** current the relay counts, and the threshold it is compared with, A */
  watchedAmps: number;
  thresholdAmps: number;
  missesLamp: boolean;
  /** true when the vehicle's threshold is not known and the middle of its band stood in for it */
  thresholdAssumed: boolean;
  lamps: readonly LampShow[];
}

/** Volts the supply has with the key where it is. */
export function supplyVoltsFor(vehicle: Vehicle, key: Controls['key']): number {
  return key === 'running' ? chargingVolts(vehicle.systemVolts) : (12.6 * vehicle.systemVolts) / 12;
}

/** Sides that the panel lights: hazard works without the key, turn does not. */
export function litSides(controls: Controls): Side[] {
  if (controls.hazard) return ['left', 'right'];
  if (controls.key !== 'off' && controls.turn) return [controls.turn];
  return [];
}

/**
 * Plays the turn circuits. Unlike the verdict, this obeys the simulated vehicle's TRUE threshold, as the
 * real vehicle would; where none is known it takes the middle of the band and says so.
 */
export function rehearse(
  job: Job,
  shelf: Shelf,
  stage: Stage,
  controls: Controls,
  emfVolts: number,
): Rehearsal {
  const { vehicle } = job;
  const sides = litSides(controls).filter((side) =>
    vehicle.circuits.some((circuit) => circuit.side === side),
  );
  const { flasher } = vehicle;
  if (sides.length === 0) {
    return {
      sides,
      ratePerMinute: null,
      onFraction: flasher.onFraction,
      periodSeconds: 60 / flasher.normalRate,
      watchedAmps: 0,
      thresholdAmps: 0,
      missesLamp: false,
      thresholdAssumed: false,
      lamps: [],
    };
  }
  const fitment = fitmentOf(job, shelf, stage);
  const { thresholdAmps, assumed } = thresholdFor(job, sides, emfVolts);
  const play = playTurn({ vehicle, fitment, sides, emfVolts, thresholdAmps, flashes: PLAYED_FLASHES });
  const last = play.flashes.at(-1);
  if (!last) throw new RangeError('a lit vehicle flashes at least once');
  return {
    sides,
    ratePerMinute: 60 / last.periodSeconds,
    onFraction: last.onSeconds / last.periodSeconds,
    periodSeconds: last.periodSeconds,
    watchedAmps: last.sampledAmps,
    thresholdAmps,
    missesLamp: last.missesLamp,
    thresholdAssumed: assumed,
    lamps: play.lamps.map((lamp) => ({
      lampId: lamp.lampId,
      colour: colourOf(vehicle, fitment, lamp.lampId),
      waveform: sampled(lamp.light, last.startSeconds, last.periodSeconds),
      steady: lamp.steady,
    })),
  };
}

/** The threshold the played relay obeys: the simulated vehicle's own, or the middle of the band where none is known. */
export function thresholdFor(
  job: Job,
  sides: readonly Side[],
  emfVolts: number,
): { thresholdAmps: number; assumed: boolean } {
  const assumed = job.vehicle.flasher.simulatedThreshold === undefined;
  return {
    assumed,
    thresholdAmps: assumed ? middleOfBand(job, sides, emfVolts) : trueThreshold(job.vehicle, emfVolts),
  };
}

/** One period of a light curve, evenly sampled. */
function sampled(light: LightCurve, startSeconds: number, periodSeconds: number): number[] {
  return Array.from({ length: WAVEFORM_SAMPLES }, (_, index) =>
    light.at(startSeconds + ((index + 0.5) / WAVEFORM_SAMPLES) * periodSeconds),
  );
}

/** The light of a waveform at a moment, before its start or after its end too: the sample it falls into. */
export function lightAt(waveform: Waveform, periodSeconds: number, seconds: number): number {
  const place = (((seconds / periodSeconds) % 1) + 1) % 1;
  return waveform[Math.min(WAVEFORM_SAMPLES - 1, Math.floor(place * WAVEFORM_SAMPLES))] ?? 0;
}

/** The simulated vehicle's own threshold at a supply voltage, A. */
function trueThreshold(vehicle: Vehicle, emfVolts: number): number {
  const threshold = vehicle.flasher.simulatedThreshold;
  if (!threshold) throw new RangeError('this vehicle has no simulated threshold');
  const ratio = emfVolts / threshold.atVolts;
  switch (threshold.law) {
    case 'fixed':
      return threshold.amps;
    case 'proportional':
      return threshold.amps * ratio;
    case 'filament':
      return threshold.amps * ratio ** 0.54;
  }
}

function middleOfBand(job: Job, sides: readonly Side[], emfVolts: number): number {
  const circuit = job.vehicle.circuits.find((each) => sides.includes(each.side));
  if (!circuit) return 0;
  const band = new HealthyBands(job).at(circuit, emfVolts);
  return (band.lowAmps + band.highAmps) / 2;
}

/** What an eye sees: an LED's own colour through its lens, or the filament through lens and glass. */
export function colourOf(vehicle: Vehicle, fitment: Fitment, lampId: string): LampShow['colour'] {
  const content = fitment.contents.get(lampId);
  if (vehicle.lamps.find((lamp) => lamp.id === lampId)?.lens === 'amber') return 'amber';
  if (content?.kind === 'led') return content.part.colour;
  return content?.kind === 'filament' && content.bulb.glass === 'amber' ? 'amber' : 'warm';
}
