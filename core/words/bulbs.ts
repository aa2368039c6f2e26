import { filamentWatts, ratedWatts, signalFilament } from '../catalogue/bulbs.ts';
import { watts } from '../formatting/format.ts';
import type { Bulb } from '../model/bulb.ts';

/** What is printed on a bulb, and what it takes where that is another figure: `21 W, takes about 25 W`. */
export function bulbWatts(bulb: Bulb): string {
  const takes = filamentWatts(signalFilament(bulb));
  const rated = ratedWatts(bulb);
  if (rated === null || Math.abs(takes / rated - 1) < 0.1) return watts(takes);
  return `${rated} W, takes about ${watts(takes)}`;
}
