import { OBSERVER, WAVELENGTHS } from './observer.ts';

/** Power at each of `WAVELENGTHS`, in any unit: only its shape and its ratios are used. */
export type Spectrum = readonly number[];

/** CIE tristimulus values, in the unit of the spectrum. Y stands for the light the eye sees. */
export interface Tristimulus {
  X: number;
  Y: number;
  Z: number;
}

/** CIE 1931 chromaticity. */
export interface Chromaticity {
  x: number;
  y: number;
}

/** What the standard observer makes of a spectrum (CIE 1931). */
export function tristimulus(spectrum: Spectrum): Tristimulus {
  const sum = { X: 0, Y: 0, Z: 0 };
  OBSERVER.forEach(([x, y, z], index) => {
    const power = spectrum[index] ?? 0;
    sum.X += power * x;
    sum.Y += power * y;
    sum.Z += power * z;
  });
  return sum;
}

/** @throws RangeError for no light at all, which has no colour */
export function chromaticity({ X, Y, Z }: Tristimulus): Chromaticity {
  const all = X + Y + Z;
  if (!(all > 0)) throw new RangeError('no light has no colour');
  return { x: X / all, y: Y / all };
}

/** What is left of a spectrum behind a lens, wavelength by wavelength. */
export function behind(spectrum: Spectrum, transmission: Spectrum): Spectrum {
  return spectrum.map((power, index) => power * (transmission[index] ?? 0));
}

/** The spectrum scaled to a luminous flux of so many lumens (683 lm/W at 555 nm, CIE). */
export function withLumens(spectrum: Spectrum, lumens: number): Spectrum {
  const factor = lumens / (LUMENS_PER_WATT * tristimulus(spectrum).Y);
  return spectrum.map((power) => power * factor);
}

/** Luminous flux of a spectrum whose values are watts a step, lm. */
export function lumensOf(spectrum: Spectrum): number {
  return LUMENS_PER_WATT * tristimulus(spectrum).Y;
}

const LUMENS_PER_WATT = 683;

/** Second radiation constant, nm·K (CODATA). */
const SECOND_RADIATION = 1.438776877e7;

/** A black body: the shape of a filament's light. Relative to its value at 560 nm. */
export function planckian(kelvin: number): Spectrum {
  const at = (nm: number) => nm ** -5 / Math.expm1(SECOND_RADIATION / (nm * kelvin));
  const reference = at(560);
  return WAVELENGTHS.map((nm) => at(nm) / reference);
}

/** A bell of a given full width at half height, 1 at its peak. */
export function bell(peakNm: number, widthNm: number): Spectrum {
  return WAVELENGTHS.map((nm) => Math.exp(-4 * Math.LN2 * ((nm - peakNm) / widthNm) ** 2));
}
