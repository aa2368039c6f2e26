import type { LedPart } from '../../model/part.ts';
import { ledElements } from './ledElements.ts';
import { twinTopology } from './twinLedElements.ts';

/** What contradicts itself in the printed figures of an LED. */
export function ledProblems(part: LedPart): string[] {
  try {
    if (part.twin) twinTopology(part);
    else ledElements(part, part.id, 'feed', 'earth');
    return [];
  } catch (error) {
    return [(error as Error).message];
  }
}
