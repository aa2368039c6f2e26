import { describe, expect, it } from 'vitest';
import { bulbById, signalFilament } from '../catalogue/bulbs.ts';
import { Filament } from '../circuit/filament.ts';
import { lampWaveform, steadyLight, WAVEFORM_SAMPLES } from './lampWaveform.ts';

const TIMING = { periodSeconds: 60 / 88, onSeconds: 30 / 88 };

function filamentOf(id: string): Filament {
  const bulb = bulbById(id);
  if (!bulb) throw new Error(id);
  return new Filament(signalFilament(bulb));
}

/** The same period by very small plain steps, after five periods of settling. */
function slowly(filament: Filament, volts: number): number[] {
  const step = 2e-5;
  let kelvin = Filament.ambientKelvin;
  const samples: number[] = [];
  for (let count = 0; count * step < 6 * TIMING.periodSeconds; count += 1) {
    const seconds = count * step;
    kelvin +=
      step * filament.heatingRate(seconds % TIMING.periodSeconds < TIMING.onSeconds ? volts : 0, kelvin);
    const last = seconds - 5 * TIMING.periodSeconds;
    if (last >= (samples.length * TIMING.periodSeconds) / WAVEFORM_SAMPLES)
      samples.push(filament.lightAt(kelvin));
  }
  return samples;
}

describe('lampWaveform', () => {
  it.each(['P21W', 'W5W', '1156'])(
    '%s agrees with very small steps, light within a fiftieth of full',
    (id) => {
      const filament = filamentOf(id);
      const quick = lampWaveform(filament, 12, TIMING);
      const slow = slowly(filament, 12);
      quick.forEach((light, index) =>
        expect(Math.abs(light - (slow[index] ?? Number.NaN))).toBeLessThan(0.02),
      );
    },
  );

  it('lets a smaller filament rise sooner', () => {
    const rise = (id: string) => {
      const wave = lampWaveform(filamentOf(id), 13.5, TIMING);
      return wave.findIndex((light) => light > 0.9 * Math.max(...wave));
    };
    expect(rise('W5W')).toBeLessThan(rise('P21W'));
  });

  it('is dark for an empty socket', () => {
    expect(Math.max(...lampWaveform(undefined, 12, TIMING))).toBe(0);
    expect(steadyLight(undefined, 12)).toBe(0);
  });

  it('never quite reaches the steady light in a flash, but comes near', () => {
    const filament = filamentOf('P21W');
    const peak = Math.max(...lampWaveform(filament, 13, TIMING));
    expect(peak / steadyLight(filament, 13)).toBeGreaterThan(0.9);
    expect(peak / steadyLight(filament, 13)).toBeLessThanOrEqual(1);
  });
});
