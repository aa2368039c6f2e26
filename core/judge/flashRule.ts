import { fromMemory } from '../formatting/source.ts';
import type { RateReading } from '../model/evidence.ts';
import type { Source } from '../model/source.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** What the rules allow a turn signal, flashes a minute. */
export interface FlashRule {
  lowest: number;
  highest: number;
  source: Source;
}

const RULES: Record<Vehicle['region'], FlashRule> = {
  UN: { lowest: 60, highest: 120, source: fromMemory('UN Regulation 48: 90 ± 30 a minute') },
  US: {
    lowest: 60,
    highest: 120,
    source: fromMemory('FMVSS 108 with SAE J590: 60 to 120 a minute'),
  },
};

/** How fast turn signals may flash in a region, flashes a minute. */
export function flashRule(region: Vehicle['region']): FlashRule {
  return RULES[region];
}

export type RateResult = 'within' | 'too-slow' | 'too-fast' | 'too-close-to-tell';

/** A rate as it stands on record against the rule. */
export function measuredRate(
  rule: FlashRule,
  { value, uncertainty }: NonNullable<RateReading['quantity']>,
): RateResult {
  return rateResult(rule, value, uncertainty ?? 0);
}

/** A measured rate against the rule; its uncertainty counts against neither side without saying so. */
export function rateResult(rule: FlashRule, ratePerMinute: number, uncertainty: number): RateResult {
  if (ratePerMinute - uncertainty > rule.highest) return 'too-fast';
  if (ratePerMinute + uncertainty < rule.lowest) return 'too-slow';
  if (ratePerMinute + uncertainty <= rule.highest && ratePerMinute - uncertainty >= rule.lowest)
    return 'within';
  return 'too-close-to-tell';
}
