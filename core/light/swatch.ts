import { chromaticity, type Tristimulus } from './spectrum.ts';

/** Linear sRGB from XYZ (IEC 61966-2-1, D65). */
const TO_LINEAR = [
  [3.2404542, -1.5371385, -0.4985314],
  [-0.969266, 1.8760108, 0.041556],
  [0.0556434, -0.2040259, 1.0572252],
] as const;

/**
 * The colour on a screen nearest to a light, at a chosen brightness. A screen cannot show a saturated lamp: what lies
 * outside its gamut is drawn towards grey until it fits, which keeps the hue.
 *
 * @param brightness 0 to 1, of the brightest the hue can be shown
 * @returns `#rrggbb`
 */
export function swatch(light: Tristimulus, brightness = 1): string {
  const { x, y } = chromaticity(light);
  const XYZ = [x / y, 1, (1 - x - y) / y] as const;
  const linear = TO_LINEAR.map((row) =>
    row.reduce<number>((sum, each, index) => sum + each * (XYZ[index] ?? 0), 0),
  );
  const least = Math.min(...linear);
  // Adding white in equal parts lifts the missing primary to nought.
  const inGamut = linear.map((each) => each - Math.min(0, least));
  const most = Math.max(...inGamut, 1e-9);
  return `#${inGamut
    .map((each) => Math.round(255 * encoded((each / most) * Math.min(1, Math.max(0, brightness)))))
    .map((byte) => byte.toString(16).padStart(2, '0'))
    .join('')}`;
}

/** sRGB's transfer curve. */
function encoded(linear: number): number {
  return linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;
}
