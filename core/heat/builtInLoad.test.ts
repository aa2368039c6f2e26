import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { LedPart } from '../model/part.ts';
import { builtInHeat } from './builtInLoad.ts';
import { USE_CASES } from './useCases.ts';

const loaded = DEMO_SHELF.find(
  (part): part is LedPart => part.kind === 'led' && part.builtInLoadOhms !== undefined,
);
if (!loaded) throw new Error('the shelf has no LED with a load built in');
const with_ = (builtInLoadOhms: number): LedPart => ({ ...loaded, watts: 2, builtInLoadOhms });

describe('the body of an LED with a load inside', () => {
  it('by hand: 24 Ω at 14.4 V settle at 40 + 8.64 × 14 = 161 °C on the brake', () => {
    // 14.4² / 24 = 8.64 W; of 2 W printed at 12.8 V the load takes 6.83 W already, so nothing is left for the LED.
    const { peakCelsius, state } = builtInHeat(with_(24), 14.4, { ...USE_CASES.jam, seconds: 1e6 }, 40);
    expect(peakCelsius).toBeCloseTo(40 + 8.64 * 14, 6);
    expect(state).toBe('overheats');
  });

  it('warms by its time constant: after 168 s on, 63 % of the way', () => {
    const use = { ...USE_CASES.jam, seconds: 168 };
    const settled = builtInHeat(with_(100), 14.4, { ...use, seconds: 1e6 }, 25).peakCelsius - 25;
    expect((builtInHeat(with_(100), 14.4, use, 25).peakCelsius - 25) / settled).toBeCloseTo(
      1 - 1 / Math.E,
      6,
    );
  });

  it('falls with the ohms of its load and with the share of time it is lit', () => {
    const at = (ohms: number, use = USE_CASES.jam) => builtInHeat(with_(ohms), 14.4, use, 25).peakCelsius;
    expect(at(10)).toBeGreaterThan(at(20));
    expect(at(20, USE_CASES.turn)).toBeLessThan(at(20));
    expect(builtInHeat(with_(400), 14.4, USE_CASES.turn, 25).state).toBe('cool');
    expect(builtInHeat(with_(28), 14.4, USE_CASES.jam, 25)).toMatchObject({ state: 'suffers' });
  });

  it('refuses an LED without one', () => {
    const { builtInLoadOhms: _, ...plain } = loaded;
    expect(() => builtInHeat(plain, 14.4, USE_CASES.turn, 25)).toThrow(/no load built in/);
  });
});
