import { kindOf, placeOf } from './kinds.ts';
import type { PossibleFault } from './library.ts';

/** Where one looks for faults: one look there tells which of them it is, or that it is none. */
export interface Place {
  id: string;
  faults: readonly PossibleFault[];
  /** the opening one must get behind; null where nothing is opened */
  openingId: string | null;
  /** shortest and longest time to look there once it is open, minutes (typical) */
  minutes: readonly [number, number];
}

/** Faults gathered by the place where each is looked for. */
export function placesOf(faults: readonly PossibleFault[]): Place[] {
  const places = new Map<string, PossibleFault[]>();
  for (const each of faults) {
    const id = placeOf(each.fault);
    places.set(id, [...(places.get(id) ?? []), each]);
  }
  return [...places].map(([id, those]) => ({
    id,
    faults: those,
    openingId: those[0]?.openingId ?? null,
    minutes: [
      Math.max(...those.map(({ fault }) => kindOf(fault).minutes[0])),
      Math.max(...those.map(({ fault }) => kindOf(fault).minutes[1])),
    ],
  }));
}
