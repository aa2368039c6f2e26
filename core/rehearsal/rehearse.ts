import type { Job, Stage } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Side, Vehicle } from '../model/vehicle.ts';
import { fitmentOf, healthyStock } from '../vehicle/fitment.ts';
import { TurnNetwork } from '../vehicle/turnNetwork.ts';
import { outageBand } from '../verdict/outageBand.ts';
import { lampWaveform, steadyLight, WAVEFORM_SAMPLES, type Waveform } from './lampWaveform.ts';

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
  return ((key === 'running' ? 14.4 : 12.6) * vehicle.systemVolts) / 12;
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
  const network = new TurnNetwork(vehicle, fitmentOf(job, shelf, stage));
  const currents = network.solve({ emfVolts, sides });
  const assumed = flasher.simulatedThreshold === undefined;
  const thresholdAmps = assumed ? middleOfBand(job, sides, emfVolts) : trueThreshold(vehicle, emfVolts);
  const missesLamp = currents.watchedAmps < thresholdAmps;
  const ratePerMinute = flasher.normalRate * (missesLamp ? flasher.fastMultiplier : 1);
  const periodSeconds = 60 / ratePerMinute;
  const timing = { periodSeconds, onSeconds: periodSeconds * flasher.onFraction };
  return {
    sides,
    ratePerMinute,
    onFraction: flasher.onFraction,
    periodSeconds,
    watchedAmps: currents.watchedAmps,
    thresholdAmps,
    missesLamp,
    thresholdAssumed: assumed,
    lamps: currents.lamps.map((each) => {
      const device = network.device(each.lampId);
      return {
        lampId: each.lampId,
        colour: colourOf(network, each.lampId),
        waveform: lampWaveform(device, each.volts, timing),
        steady: steadyLight(device, each.volts),
      };
    }),
  };
}

/** The light of a waveform at a moment, by straight line between samples. */
export function lightAt(waveform: Waveform, periodSeconds: number, seconds: number): number {
  const place = (((seconds / periodSeconds) % 1) + 1) % 1;
  return waveform[Math.min(WAVEFORM_SAMPLES - 1, Math.floor(place * WAVEFORM_SAMPLES))] ?? 0;
}

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
  const healthy = new TurnNetwork(job.vehicle, healthyStock(job));
  const circuit = job.vehicle.circuits.find((each) => sides.includes(each.side));
  if (!circuit) return 0;
  const band = outageBand(healthy, circuit, emfVolts);
  return (band.lowAmps + band.highAmps) / 2;
}

/** What an eye sees: an LED's own colour through its lens, or the filament through lens and glass. */
function colourOf(network: TurnNetwork, lampId: string): LampShow['colour'] {
  const content = network.fitment.contents.get(lampId);
  if (network.lamp(lampId).lens === 'amber') return 'amber';
  if (content?.kind === 'led') return content.part.colour;
  return content?.kind === 'filament' && content.bulb.glass === 'amber' ? 'amber' : 'warm';
}
