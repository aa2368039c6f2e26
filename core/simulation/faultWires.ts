import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Fitment } from './fitment.ts';
import { worksLedId } from './worksLed.ts';

/** A lamp whose LED told of its failure over a wire of its own, on which nothing answers now. */
export interface Unanswered {
  lampId: string;
  /** whether its controller surely takes it for failed */
  sure: boolean;
}

/**
 * Lamps whose LED from the works is dead, out of its place or replaced, and would have told of that over a wire of its own.
 * Nothing is sure where nobody has looked for such a wire; nor where its lamp was changed as a whole, or may have been: one
 * made for that vehicle may answer.
 *
 * @param isSeated whether what is in a lamp has contact
 */
export function unansweredWires(
  vehicle: Vehicle,
  { contents }: Pick<Fitment, 'contents'>,
  lampIds: readonly string[],
  isSeated: (lampId: string) => boolean = () => true,
): Unanswered[] {
  return lampIds.flatMap((lampId): Unanswered[] => {
    const works = vehicle.lamps.find(({ id }) => id === lampId)?.works;
    const content = contents.get(lampId);
    if (!works || works.faultLine === false) return [];
    const out = content === undefined || content.kind === 'empty' || !isSeated(lampId);
    if (!out && content.kind === 'led' && content.part.id === worksLedId(lampId)) return [];
    return [{ lampId, sure: works.faultLine === true && (out || works.sealed === false) }];
  });
}
