import { WAVELENGTHS } from './observer.ts';
import { bell, type Spectrum } from './spectrum.ts';

/** Lens families by their transmission, typical of moulded lamp lenses; the mould of a given lamp may differ. */
export type LensFamily = 'clear' | 'red' | 'amber' | 'smoked' | 'green-film';

/** A long-pass edge: from nothing to `plateau` around `edgeNm`, steeper the smaller `softness`, nm. */
function edge(edgeNm: number, softness: number, plateau: number): Spectrum {
  return WAVELENGTHS.map((nm) => plateau / (1 + Math.exp((edgeNm - nm) / softness)));
}

const LENSES: Record<LensFamily, Spectrum> = {
  clear: WAVELENGTHS.map(() => 0.9),
  red: edge(602, 5, 0.87),
  amber: edge(556, 7, 0.86),
  smoked: WAVELENGTHS.map(() => 0.4),
  // Painted or foiled panel bulbs: a green band with some leak at both ends.
  'green-film': bell(530, 75).map((share) => 0.03 + 0.62 * share),
};

/** The share of each wavelength a lens lets through. */
export function lensTransmission(family: LensFamily): Spectrum {
  return LENSES[family];
}

/** Amber or red glass of a bulb. */
export function glassTransmission(glass: 'amber' | 'red'): Spectrum {
  return glass === 'amber' ? edge(552, 8, 0.9) : LENSES.red;
}
