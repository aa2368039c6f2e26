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
  for (const fault of faults) {
    const id = placeOf(fault);
    places.set(id, [...(places.get(id) ?? []), fault]);
  }
  return [...places].map(([id, those]) => ({
    id,
    faults: those,
    openingId: those[0]?.openingId ?? null,
    minutes: [
      Math.max(...those.map(({ facts }) => facts.minutes[0])),
      Math.max(...those.map(({ facts }) => facts.minutes[1])),
    ],
  }));
}

/** The place a fault is looked for at: a bulb in its socket, its contacts, a resistor, a fuse, a wire, the relay. */
export function placeOf({ fault, id }: Pick<PossibleFault, 'fault' | 'id'>): string {
  if (!fault) return id;
  switch (fault.kind) {
    case 'reversed':
    case 'half-turned':
    case 'wrong-wedge':
    case 'bulb-out':
    case 'filament-open':
    case 'led-shorted':
      return `bulb:${fault.lampId}`;
    case 'poor-contact':
    case 'poor-earth':
      return `contacts:${fault.lampId}`;
    case 'tap-open':
    case 'tap-on-other-feed':
    case 'resistor-value':
      return `resistor:${fault.lampId}:${fault.index}`;
    case 'relay-stuck':
    case 'screw-off':
      return 'relay';
    case 'setting-lost':
      return 'settings';
    case 'fuse-out':
    case 'fuse-wrong':
      return `fuse:${fault.fuseId}`;
    case 'leakage':
    case 'short-to-earth':
      return `wire:${fault.circuitId}`;
    default:
      return id;
  }
}
