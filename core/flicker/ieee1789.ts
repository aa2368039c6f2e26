import { fromMemory, sourceWords } from '../formatting/source.ts';
/** How a flicker stands by IEEE 1789-2015 (recommended practice, from memory: verify). */
export type FlickerRisk = 'no-observable-effect' | 'low-risk' | 'above-low-risk';

/** Recommended practice for the modulation of light. */
export const IEEE_1789 = fromMemory('IEEE 1789-2015');

/** Modulation up to which there is no observable effect, %; infinite where there is no limit. */
export function noEffectLimit(hertz: number): number {
  if (hertz < 90) return 0.01 * hertz;
  return hertz <= 3000 ? 0.0333 * hertz : Number.POSITIVE_INFINITY;
}

/** Modulation up to which the risk is low, %; infinite where there is no limit. */
export function lowRiskLimit(hertz: number): number {
  if (hertz < 90) return 0.025 * hertz;
  return hertz <= 1250 ? 0.08 * hertz : Number.POSITIVE_INFINITY;
}

/**
 * @param hertz of the light
 * @param modulationPercent (most − least) / (most + least), percent
 * @throws RangeError for a frequency that is not above 0
 */
export function flickerRisk(hertz: number, modulationPercent: number): FlickerRisk {
  if (!(hertz > 0)) throw new RangeError('a flicker has a frequency above 0 Hz');
  if (modulationPercent < noEffectLimit(hertz)) return 'no-observable-effect';
  return modulationPercent < lowRiskLimit(hertz) ? 'low-risk' : 'above-low-risk';
}

/** The verdict as a sentence with its limit. */
export function flickerWords(hertz: number, modulationPercent: number): string {
  const limit = lowRiskLimit(hertz);
  const by = sourceWords(IEEE_1789);
  switch (flickerRisk(hertz, modulationPercent)) {
    case 'no-observable-effect':
      return `By ${by} that has no observable effect.`;
    case 'low-risk':
      return `By ${by} the risk is low${Number.isFinite(limit) ? `: up to ${limit.toFixed(0)} % at ${Math.round(hertz)} Hz` : ''}.`;
    case 'above-low-risk':
      return `By ${by} low risk ends at ${limit.toFixed(limit < 10 ? 1 : 0)} % at ${Math.round(hertz)} Hz.`;
  }
}
