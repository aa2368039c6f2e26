import { filamentWatts, ratedWatts, signalFilament } from '../catalogue/bulbs.ts';
import type { LampInput } from '../model/vehicle/lamp.ts';
import type { SocketContent } from '../simulation/fitment.ts';

/**
 * What is printed on a bulb or LED for one of its feeds, W: of a bulb what its category is called by, else its standard's
 * current at its standard's volts; null where nothing is in the socket.
 */
export function printedWatts(content: SocketContent | undefined, input: LampInput): number | null {
  if (!content || content.kind === 'empty') return null;
  if (content.kind === 'led')
    return input === 'dim' ? (content.part.twin?.dimWatts ?? null) : content.part.watts;
  const { bulb } = content;
  if (input === 'main') return ratedWatts(bulb) ?? filamentWatts(signalFilament(bulb));
  const dim = bulb.filaments.find(({ role }) => role === 'dim');
  const named = /\/(\d+)W/.exec(bulb.id)?.[1];
  return dim ? Number(named ?? filamentWatts(dim)) : null;
}
