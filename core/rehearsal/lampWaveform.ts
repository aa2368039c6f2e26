import type { Device } from '../circuit/device.ts';
import { Filament } from '../circuit/filament.ts';
import { LedBulb } from '../circuit/ledBulb.ts';

/** Light of one lamp over one flash period, evenly sampled, as a share of its light when rated. */
export type Waveform = readonly number[];

export const WAVEFORM_SAMPLES = 96;
/** Longest step, s: well under the time constant of a hot filament. */
const LONGEST_STEP = 3e-3;
/** Most the temperature may change in a step, K. */
const KELVIN_A_STEP = 90;
/** Periods run before the one that is kept, so that the filament's warmth has settled. */
const SETTLING_PERIODS = 1;

export interface FlashTiming {
  periodSeconds: number;
  onSeconds: number;
}

/**
 * Light of a lamp through one period of flashing: a filament glows up and dies away with its heat, an LED
 * follows the switch at once.
 *
 * @param litVolts volts at the lamp while the circuit is lit and settled
 */
export function lampWaveform(device: Device | undefined, litVolts: number, timing: FlashTiming): Waveform {
  if (device instanceof LedBulb) return ledWaveform(device, litVolts, timing);
  if (device instanceof Filament) return filamentWaveform(device, litVolts, timing);
  return new Array<number>(WAVEFORM_SAMPLES).fill(0);
}

/** Light of a lamp that stays lit. */
export function steadyLight(device: Device | undefined, litVolts: number): number {
  if (device instanceof LedBulb) return device.lightAt(litVolts);
  if (device instanceof Filament) return device.lightAt(device.settledKelvin(litVolts));
  return 0;
}

function ledWaveform(led: LedBulb, litVolts: number, timing: FlashTiming): Waveform {
  const on = led.lightAt(litVolts);
  const samples: number[] = [];
  for (let index = 0; index < WAVEFORM_SAMPLES; index += 1) {
    const seconds = ((index + 0.5) / WAVEFORM_SAMPLES) * timing.periodSeconds;
    samples.push(seconds < timing.onSeconds ? on : 0);
  }
  return samples;
}

function filamentWaveform(filament: Filament, litVolts: number, timing: FlashTiming): Waveform {
  const sampleSeconds = timing.periodSeconds / WAVEFORM_SAMPLES;
  let kelvin = Filament.ambientKelvin;
  let samples: number[] = [];
  for (let period = 0; period <= SETTLING_PERIODS; period += 1) {
    samples = [];
    for (let index = 0; index < WAVEFORM_SAMPLES; index += 1) {
      samples.push(filament.lightAt(kelvin));
      const from = index * sampleSeconds;
      const to = from + sampleSeconds;
      // A sample in which the switch opens is run in two parts, so that the edge is where it belongs.
      const lit = Math.min(to, Math.max(from, timing.onSeconds)) - from;
      kelvin = warmed(filament, kelvin, litVolts, lit);
      kelvin = warmed(filament, kelvin, 0, sampleSeconds - lit);
    }
  }
  return samples;
}

/** Temperature after a time at a steady voltage; steps are short while it changes fast. */
function warmed(filament: Filament, from: number, volts: number, seconds: number): number {
  let kelvin = from;
  let left = seconds;
  while (left > 1e-9) {
    const rate = filament.heatingRate(volts, kelvin);
    const step = Math.min(left, LONGEST_STEP, KELVIN_A_STEP / Math.abs(rate));
    // Halfway (midpoint) evaluation: second order, so these few steps are enough.
    kelvin += step * filament.heatingRate(volts, kelvin + (step / 2) * rate);
    left -= step;
  }
  return kelvin;
}
