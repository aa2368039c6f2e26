import Color from 'colorjs.io';
import { describe, expect, it } from 'vitest';
import { type Exposure, exposuresDiffer, photoRatio } from './photoPair.ts';

const SAME: Exposure = { seconds: 1 / 60, iso: 200, fNumber: 1.8 };
/** A patch of a grey of so much linear light, as a camera of sRGB writes it; the curve is that of a library. */
function grey(linear: number) {
  const [byte = 0] = new Color('srgb-linear', [linear, linear, linear]).to('srgb').coords;
  const value = Math.round(255 * (byte ?? 0));
  return { pixels: Uint8ClampedArray.from({ length: 400 }, (_, at) => (at % 4 === 3 ? 255 : value)) };
}
const ratio = (before: number, after: number, dark: number | null = null, locked = true) =>
  photoRatio(grey(before), grey(after), dark === null ? null : grey(dark), [SAME, SAME], locked);

describe('a pair of photographs', () => {
  it('gives the ratio of the light and not of the bytes', () => {
    for (const times of [1.5, 3, 8]) {
      const found = ratio(0.08, 0.08 * times);
      expect('value' in found && found.value / times).toBeGreaterThan(0.97);
      expect('value' in found && found.value / times).toBeLessThan(1.03);
    }
  });

  it('takes the surroundings off where there is a third without the lamp', () => {
    const found = ratio(0.1 + 0.05, 0.3 + 0.05, 0.05);
    expect('value' in found && Math.abs(found.value - 3)).toBeLessThan(0.15);
  });

  it('gives none where exposure was not locked, differs by the files, or is over or under the camera', () => {
    expect(ratio(0.1, 0.3, null, false)).toEqual({ withheld: 'not-locked' });
    const longer = { ...SAME, seconds: 1 / 30 };
    expect(photoRatio(grey(0.1), grey(0.3), null, [SAME, longer], true)).toEqual({
      withheld: 'exposures-differ',
    });
    expect(ratio(0.1, 1)).toEqual({ withheld: 'too-bright' });
    expect(ratio(0.0001, 0.0002)).toEqual({ withheld: 'too-dark' });
    expect(ratio(0, 0.3)).toEqual({ withheld: 'nothing-before' });
  });

  it('believes a file that says nothing, and no file that says otherwise', () => {
    const silent = { seconds: null, iso: null, fNumber: null };
    expect(exposuresDiffer(silent, SAME)).toBe(false);
    expect(exposuresDiffer(SAME, { ...SAME, iso: 400 })).toBe(true);
    expect(exposuresDiffer(SAME, { ...SAME, seconds: 0.016_7 })).toBe(false);
  });
});
