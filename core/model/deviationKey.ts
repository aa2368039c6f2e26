import type { Deviation } from './evidence.ts';
import { LAMP_WORDS } from './lampWords.ts';
import type { Vehicle } from './vehicle/vehicle.ts';

/** What may be not as it should be of a lamp. */
export type LampWord = (typeof LAMP_WORDS)[number];

/**
 * A deviation as it is compared, kept in sets and written on the command line: `rear-left dark`, `flash fast`,
 * `message stop`. What it is of is asked of `deviationOf` alone.
 */
export type DeviationKey =
  | `${string} ${LampWord}`
  | `flash ${'fast' | 'slow' | 'none'}`
  | `${'blown' | 'message' | 'odd'} ${string}`;

/** What a deviation is compared by. */
export function deviationKey(found: Deviation): DeviationKey {
  if ('lampId' in found) return `${found.lampId} ${found.what}`;
  if ('fuseId' in found) return `${found.what} ${found.fuseId}`;
  return 'circuitId' in found ? `${found.what} ${found.circuitId}` : `flash ${found.what}`;
}

/** The other way round; null for what is none. */
export function deviationOf(key: string): Deviation | null {
  const at = key.indexOf(' ');
  const [first, second] = [key.slice(0, at), key.slice(at + 1)];
  if (first === 'flash')
    return second === 'fast' || second === 'slow' || second === 'none' ? { what: second } : null;
  if (first === 'message' || first === 'odd') return { what: first, circuitId: second };
  if (first === 'blown') return { what: first, fuseId: second };
  const what = LAMP_WORDS.find((word) => word === second);
  return what ? { what, lampId: first } : null;
}

/** Whether a text names something that can be seen of a vehicle: a lamp, circuit or fuse it has, and a word there is. */
export function isDeviationOf(vehicle: Vehicle, key: string): key is DeviationKey {
  const found = deviationOf(key);
  if (!found) return false;
  const among = (some: readonly { id: string }[], id: string) => some.some((each) => each.id === id);
  if ('lampId' in found) return among(vehicle.lamps, found.lampId);
  if ('fuseId' in found) return among(vehicle.fuses, found.fuseId);
  return 'circuitId' in found ? among(vehicle.circuits, found.circuitId) : true;
}
