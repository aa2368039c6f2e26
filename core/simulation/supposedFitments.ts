import { boundedLeds, isOpen, type PossibleLed } from '../circuit/engine/openLed.ts';
import type { LedPart } from '../model/part.ts';
import type { Fitment, SocketContent } from './fitment.ts';

/** What is fitted as it may be, and whether it is among what draws least of all, or most. */
export interface SupposedFitment {
  fitment: Fitment;
  least: boolean;
  most: boolean;
}

/** One fitment for each way the LEDs whose inside is not known may be; itself alone where all are. */
export function supposedFitments(fitment: Fitment): SupposedFitment[] {
  const open = new Map<string, LedPart>();
  for (const content of fitment.contents.values())
    if (content.kind === 'led' && isOpen(content.part)) open.set(content.part.id, content.part);
  if (open.size === 0) return [{ fitment, least: true, most: true }];
  let ways: ReadonlyMap<string, PossibleLed>[] = [new Map()];
  // Bulbs of one packet are alike; those of two need not be.
  for (const [id, part] of open)
    ways = ways.flatMap((way) => boundedLeds(part).map((each) => new Map([...way, [id, each]])));
  return ways.map((way) => ({
    fitment: {
      ...fitment,
      contents: new Map(
        [...fitment.contents].map(([lampId, content]): [string, SocketContent] => {
          const part = content.kind === 'led' ? way.get(content.part.id)?.led : undefined;
          return [lampId, part ? { kind: 'led', part } : content];
        }),
      ),
    },
    least: [...way.values()].every((each) => each.least),
    most: [...way.values()].every((each) => each.most),
  }));
}
