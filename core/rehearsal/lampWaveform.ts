import type { Device } from '../circuit/device.ts';
import { Filament } from '../circuit/filament.ts';
import { LedBulb } from '../circuit/ledBulb.ts';

/** Light of one lamp over one flash period, evenly sampled, as a share of its light when rated. */
export type Waveform = readonly number[];

export const WAVEFORM_SAMPLES = 96;
/** Fine enough for the cold inrush of a small filament, s. */
const STEP_SECONDS = 0.5e-3;
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
  const steps = Math.round(timing.periodSeconds / STEP_SECONDS);
  const perSample = steps / WAVEFORM_SAMPLES;
  let kelvin = Filament.ambientKelvin;
  const samples: number[] = [];
  for (let period = 0; period <= SETTLING_PERIODS; period += 1) {
    const kept = period === SETTLING_PERIODS;
    for (let step = 0; step < steps; step += 1) {
      const volts = step * STEP_SECONDS < timing.onSeconds ? litVolts : 0;
      // Halfway (midpoint) evaluation keeps the steep cold start honest at this step.
      const halfway = kelvin + (STEP_SECONDS / 2) * filament.heatingRate(volts, kelvin);
      kelvin += STEP_SECONDS * filament.heatingRate(volts, halfway);
      if (kept && step >= samples.length * perSample) samples.push(filament.lightAt(kelvin));
    }
  }
  return samples.slice(0, WAVEFORM_SAMPLES);
}
