import { normalRate } from '../../devices/flasher.ts';
import type { Source } from '../../model/source.ts';
import { flashRule } from '../flashRule.ts';
import { isTurn } from '../scenario.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** A rate outside what the rules allow, flashes a minute. */
export type RateFinding = FindingOf<
  'rate',
  {
    flasherName: string;
    ratePerMinute: number;
    lowest: number;
    highest: number;
    source: Source;
    screw: { turn: 'clockwise' | 'anticlockwise' | 'from where it stands'; settleSeconds: number } | null;
  }
>;

/** A relay that does not watch flashes as it is made or set: its own rate must be what the rules allow. */
export function rateRequirement({ vehicle, circuit, fitted }: Scene): RateFinding[] {
  const { flasher } = fitted.fitment;
  if (!isTurn(circuit) || flasher.kind !== 'non-watching-relay') return [];
  const rate = normalRate(flasher);
  const { lowest, highest, source } = flashRule(vehicle.region);
  if (rate >= lowest && rate <= highest) return [];
  const { adjuster } = flasher;
  const screw = adjuster
    ? {
        turn: rate > highest ? ('from where it stands' as const) : adjuster.fasterWhen,
        settleSeconds: adjuster.settleSeconds,
      }
    : null;
  return [
    {
      requirement: 'rate',
      state: 'falls-short',
      flasherName: flasher.name,
      ratePerMinute: rate,
      lowest,
      highest,
      source,
      screw,
    },
  ];
}
