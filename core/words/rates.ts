import type { RatePrediction } from '../judge/verdict.ts';

/** A predicted flash rate: `176 a minute`, `88 or 176 a minute`, `no flash`. */
export function rateWords({ low, high }: RatePrediction): string {
  if (high === 0) return 'no flash';
  if (low === 0) return `${Math.round(high)} a minute, or no flash`;
  const rates = low === high ? `${Math.round(low)}` : `${Math.round(low)} or ${Math.round(high)}`;
  return `${rates} a minute`;
}
