/**
 * Chromaticities of standard lights (CIE 15, from memory) and the colour zones of SAE J578 and UN Regulation 48 (from
 * memory, verify). The observer's own table is from memory too: that it gives CIE's figures is what proves it.
 */
import Color from 'colorjs.io';
import { describe, expect, it } from 'vitest';
import { WAVELENGTHS } from '../../core/light/observer.ts';
import { amberLed, redLed, whiteLed } from '../../core/light/sources.ts';
import { chromaticity, planckian, tristimulus } from '../../core/light/spectrum.ts';
import { swatch } from '../../core/light/swatch.ts';
import { zoneOf } from '../../core/light/zones.ts';

/** Relative power of D65 every 10 nm from 380 (CIE 15, from memory). */
const D65 = [
  49.9755, 54.6482, 82.7549, 91.486, 93.4318, 86.6823, 104.865, 117.008, 117.812, 114.861, 115.923, 108.811,
  109.354, 107.802, 104.79, 107.689, 104.405, 104.046, 100, 96.3342, 95.788, 88.6856, 90.0062, 89.5991,
  87.6987, 83.2886, 83.6992, 80.0268, 80.2146, 82.2778, 78.2842, 69.7213, 71.6091, 74.349, 61.604, 69.8856,
  75.087, 63.5927, 46.4182, 66.8054, 63.3828,
];
const d65 = WAVELENGTHS.map((_, index) => {
  const low = D65[Math.floor(index / 2)] ?? 0;
  const high = D65[Math.ceil(index / 2)] ?? 0;
  return (low + high) / 2;
});
const of = (spectrum: readonly number[]) => chromaticity(tristimulus(spectrum));

describe('P6: CIE 15', () => {
  it.each([
    ['illuminant A, 2856 K', planckian(2856), 0.4476, 0.4074],
    ['D65', d65, 0.3127, 0.329],
    ['black body of 6500 K', planckian(6500), 0.3135, 0.3237],
    ['equal power', WAVELENGTHS.map(() => 1), 1 / 3, 1 / 3],
  ])('%s', (_, spectrum, x, y) => {
    const at = of(spectrum);
    expect(Math.abs(at.x - x)).toBeLessThan(0.001);
    expect(Math.abs(at.y - y)).toBeLessThan(0.001);
  });
});

describe('P5: colour zones', () => {
  it.each([
    // x, y, zone by UN, zone by SAE: each edge from both sides.
    [0.66, 0.3349, 'red', null],
    [0.66, 0.3351, null, null],
    [0.68, 0.3299, 'red', 'red'],
    [0.66, 0.3199, null, null],
    [0.57, 0.42, 'amber', 'amber'],
    [0.57, 0.3899, null, null],
    [0.57, 0.4501, null, null],
    [0.57, 0.4501 - 0.0002, 'amber', 'amber'],
    [0.45, 0.41, 'white', 'white'],
    [0.31, 0.3481, null, null],
    [0.4999, 0.381, null, 'white'],
    [0.5001, 0.41, null, null],
    [0.3099, 0.32, null, null],
    [0.35, 0.5, null, null],
  ] as const)('x %f, y %f', (x, y, un, us) => {
    expect(zoneOf('UN', { x, y })).toBe(un);
    expect(zoneOf('US', { x, y })).toBe(us);
  });

  it('holds what usual LEDs show: red red, amber amber, whites of 3000 to 6500 K white', () => {
    expect(zoneOf('UN', of(redLed()))).toBe('red');
    expect(zoneOf('UN', of(amberLed()))).toBe('amber');
    for (const kelvin of [3000, 4000, 5000, 6000, 6500])
      expect(zoneOf('UN', of(whiteLed(kelvin)))).toBe('white');
  });
});

describe('screen colours, against colorjs.io', () => {
  it.each([
    ['3000 K', planckian(3000)],
    ['6500 K', planckian(6500)],
    ['D65', d65],
    ['a white LED of 4000 K', whiteLed(4000)],
  ])('%s', (_, spectrum) => {
    const { X, Y, Z } = tristimulus(spectrum);
    const linear = new Color('xyz-d65', [X / Y, 1, Z / Y])
      .to('srgb-linear')
      .coords.map((each) => Number(each));
    const most = Math.max(...linear);
    const theirs = new Color('srgb-linear', linear.map((each) => each / most) as [number, number, number])
      .to('srgb')
      .coords.map((each) => Math.round(255 * Number(each)));
    const mine = swatch({ X, Y, Z });
    const bytes = [1, 3, 5].map((at) => Number.parseInt(mine.slice(at, at + 2), 16));
    for (const [index, byte] of bytes.entries())
      expect(Math.abs(byte - (theirs[index] ?? 0))).toBeLessThanOrEqual(1);
  });
});
