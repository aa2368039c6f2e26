import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { bulbById } from '../catalogue/bulbs.ts';
import type { LedPart } from '../model/part.ts';
import { filament, redLed, whiteLed } from './sources.ts';
import { chromaticity, lumensOf, planckian, tristimulus, withLumens } from './spectrum.ts';
import { swatch } from './swatch.ts';
import { impossibleClaim, seen, throughLens } from './throughLens.ts';

function bulb(id: string) {
  const found = bulbById(id);
  if (!found) throw new Error(id);
  return found;
}
function led(id: string): LedPart {
  const part = DEMO_SHELF.find((each): each is LedPart => each.kind === 'led' && each.id === id);
  if (!part) throw new Error(id);
  return part;
}
const kept = (spectrum: readonly number[], lens: 'red' | 'amber' | 'clear' | 'smoked') =>
  seen(spectrum, 100, lens, 'UN').kept;

describe('light behind a lens', () => {
  it('red behind red keeps most of its light, white the smaller part, and a filament lies between', () => {
    expect(kept(redLed(), 'red')).toBeGreaterThan(0.75);
    const white = kept(whiteLed(6000), 'red');
    const tungsten = kept(filament(), 'red');
    expect(white).toBeLessThan(0.2);
    expect(tungsten).toBeGreaterThan(1.5 * white);
    expect(tungsten).toBeLessThan(0.5);
  });

  it('a warm white loses less behind red than a cool one', () => {
    expect(kept(whiteLed(3000), 'red')).toBeGreaterThan(1.3 * kept(whiteLed(6500), 'red'));
  });

  it('yet a strong white LED may beat the filament after the lens, in figures', () => {
    const part = { ...led('led-gull-3w'), lumens: 1100 };
    const { filament: stock, led: white, ratio } = throughLens('UN', { lens: 'red' }, bulb('P21W'), part);
    expect(white.kept).toBeLessThan(stock.kept);
    expect(ratio).toBeGreaterThan(1);
    expect(throughLens('UN', { lens: 'red' }, bulb('P21W'), led('led-gull-3w')).ratio).toBeLessThan(1);
  });

  it('a filament behind red is red, behind amber amber, behind clear white', () => {
    for (const [lens, zone] of [
      ['red', 'red'],
      ['amber', 'amber'],
      ['clear', 'white'],
    ] as const)
      expect(seen(filament(), 460, lens, 'UN').zone).toBe(zone);
  });

  it('an amber bulb behind clear glass is amber, a white LED there is not', () => {
    const clear = throughLens('UN', { lens: 'clear' }, bulb('PY21W'), led('led-gull-3w'));
    expect(clear.filament.zone).toBe('amber');
    expect(clear.led.zone).toBe('white');
    expect(throughLens('UN', { lens: 'clear' }, bulb('PY21W'), led('led-tern-3y')).led.zone).toBe('amber');
  });

  it('smoked glass takes from all alike and changes no colour', () => {
    expect(kept(redLed(), 'smoked')).toBeCloseTo(kept(whiteLed(6000), 'smoked'), 9);
    expect(kept(redLed(), 'smoked')).toBeCloseTo(0.4, 9);
  });
});

describe('sources', () => {
  it.each([2700, 3000, 4000, 5000, 6000, 6500])(
    'a white LED of %i K stands near the black body of it',
    (kelvin) => {
      const a = chromaticity(tristimulus(whiteLed(kelvin)));
      const b = chromaticity(tristimulus(planckian(kelvin)));
      expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeLessThan(0.03);
    },
  );

  it('have the lumens they are given, and refuse a white that cannot be', () => {
    expect(lumensOf(withLumens(redLed(), 180))).toBeCloseTo(180, 9);
    expect(() => whiteLed(12000)).toThrow(RangeError);
    expect(() => chromaticity({ X: 0, Y: 0, Z: 0 })).toThrow(RangeError);
  });
});

describe('what a seller prints', () => {
  it('is passed where it can be, and refused with the figure where physics does not allow it', () => {
    // One of the demo's is there for being printed so.
    for (const part of DEMO_SHELF)
      if (part.kind === 'led' && part.code !== 'MAGPIE-9000')
        expect(impossibleClaim(part), part.code).toBeNull();
    expect(impossibleClaim({ lumens: 2000, watts: 5, colour: 'white' })).toMatch(
      /400 lm a watt; no white LED/,
    );
    // Common practice: a 20 W LED reverse lamp gives about 2,500 lm.
    expect(impossibleClaim({ lumens: 2500, watts: 20, colour: 'white' })).toBeNull();
  });
});

describe('a swatch', () => {
  it('is a colour of its own hue, darker when asked', () => {
    const red = tristimulus(redLed());
    expect(swatch(red)).toMatch(/^#ff[0-4]/);
    expect(Number.parseInt(swatch(red, 0.2).slice(1, 3), 16)).toBeLessThan(140);
  });
});
