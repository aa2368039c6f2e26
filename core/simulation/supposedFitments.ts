import { isOpen, possibleLeds } from '../circuit/engine/openLed.ts';
import type { LedPart } from '../model/part.ts';
import type { Fitment, SocketContent } from './fitment.ts';

/** One fitment for each way the LEDs whose inside is not known may be; itself alone where all are. */
export function supposedFitments(fitment: Fitment): Fitment[] {
  const open = new Map<string, LedPart>();
  for (const content of fitment.contents.values())
    if (content.kind === 'led' && isOpen(content.part)) open.set(content.part.id, content.part);
  let ways: ReadonlyMap<string, LedPart>[] = [new Map()];
  // Bulbs of one packet are alike; those of two need not be.
  for (const [id, part] of open)
    ways = ways.flatMap((way) => possibleLeds(part).map((each) => new Map([...way, [id, each]])));
  if (open.size === 0) return [fitment];
  return ways.map((way) => ({
    ...fitment,
    contents: new Map(
      [...fitment.contents].map(([lampId, content]): [string, SocketContent] => {
        const part = content.kind === 'led' ? way.get(content.part.id) : undefined;
        return [lampId, part ? { kind: 'led', part } : content];
      }),
    ),
  }));
}
