import type { Measured } from './measuredLight.ts';

/** A patch of a photograph, as bytes of red, green, blue and opacity. */
export interface PhotoPatch {
  pixels: Uint8ClampedArray;
}

/** How a photograph was exposed, as far as its file says. */
export interface Exposure {
  seconds: number | null;
  iso: number | null;
  fNumber: number | null;
}

/** Why two photographs give no ratio. */
export type WithheldPhotos = 'not-locked' | 'exposures-differ' | 'too-bright' | 'too-dark' | 'nothing-before';

/** A byte as high as this may be any light: it is clipped. */
const CLIPPED = 250;
/** Below this a camera's bytes are its own noise. */
const DARKEST = 12;
/** So many of a patch may be clipped, share. */
const FEW = 0.02;
/** Two exposures are the same within this share: what a file rounds to. */
const SAME = 0.02;
/** A camera's own bending of its tones leaves so much in doubt, share of the ratio (typical, from memory). */
const TONES = 0.3;

/**
 * How much brighter a patch is after than before, by two photographs with the exposure locked: their bytes taken back to light
 * by the curve of sRGB (IEC 61966-2-1, from memory), surroundings taken off. A camera bends its tones besides, so that it is a
 * coarse figure; where the exposure was not locked there is none.
 *
 * @param dark the same patch of a photograph with the lamp off, where there is one
 * @param locked whether whoever took them locked exposure, ISO and white balance
 */
export function photoRatio(
  before: PhotoPatch,
  after: PhotoPatch,
  dark: PhotoPatch | null,
  exposures: readonly [Exposure, Exposure],
  locked: boolean,
): Measured | { withheld: WithheldPhotos } {
  if (!locked) return { withheld: 'not-locked' };
  if (exposuresDiffer(...exposures)) return { withheld: 'exposures-differ' };
  if (clipped(before) > FEW || clipped(after) > FEW) return { withheld: 'too-bright' };
  const off = dark ? light(dark) : 0;
  const [was, is] = [light(before) - off, light(after) - off];
  if (light(after) < lightOf(DARKEST)) return { withheld: 'too-dark' };
  if (was <= lightOf(DARKEST) / 4) return { withheld: 'nothing-before' };
  const value = is / was;
  return { value, uncertainty: TONES * Math.max(value, 1 / value) };
}

/** Whether two files say of themselves that they were exposed differently; what a file does not say is left to whoever took it. */
export function exposuresDiffer(a: Exposure, b: Exposure): boolean {
  const differ = (x: number | null, y: number | null) =>
    x !== null && y !== null && Math.abs(x - y) > SAME * Math.max(x, y);
  return differ(a.seconds, b.seconds) || differ(a.iso, b.iso) || differ(a.fNumber, b.fNumber);
}

/** Linear light of a byte, 0 to 1. */
function lightOf(byte: number): number {
  const share = byte / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
}

/** Mean relative luminance of a patch (ITU-R BT.709 primaries). */
function light({ pixels }: PhotoPatch): number {
  let sum = 0;
  for (let at = 0; at < pixels.length; at += 4)
    sum +=
      0.2126 * lightOf(pixels[at] ?? 0) +
      0.7152 * lightOf(pixels[at + 1] ?? 0) +
      0.0722 * lightOf(pixels[at + 2] ?? 0);
  return (4 * sum) / pixels.length;
}

/** Share of the pixels of which some colour is clipped. */
function clipped({ pixels }: PhotoPatch): number {
  let count = 0;
  for (let at = 0; at < pixels.length; at += 4)
    if (Math.max(pixels[at] ?? 0, pixels[at + 1] ?? 0, pixels[at + 2] ?? 0) >= CLIPPED) count += 1;
  return (4 * count) / pixels.length;
}
