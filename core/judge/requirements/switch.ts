import type { Flasher } from '../../model/vehicle/flasher.ts';
import { type LimitCheck, limitCheck } from './limit.ts';

/**
 * How many times the stock bulbs' current a stalk or hazard switch is trusted with. Its rating is hardly ever known;
 * it was made for those bulbs, their inrush included (common practice).
 */
export const SWITCH_MARGIN = 1.5;

/**
 * The stalk against what one side draws: where no controller switches for it, the side's whole current passes it.
 *
 * @param litAmpsOf asked for the highest lit current of the side, A
 * @param stockAmpsOf asked for what its stock bulbs draw at charging volts, A
 */
export function switchLimit(
  flasher: Flasher,
  litAmpsOf: () => number,
  stockAmpsOf: () => number,
): LimitCheck[] {
  if (flasher.kind === 'controller') return [];
  const litAmps = litAmpsOf();
  const stockAmps = stockAmpsOf();
  const trusted = stockAmps * SWITCH_MARGIN;
  return [limitCheck({ kind: 'switch', stockAmps }, 'turn switch', litAmps, trusted)];
}
