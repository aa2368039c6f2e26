import type { LoadResistorCure, VehicleCure } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';

/** What a cure changes of a job; whatever is left out stays as it is without a cure. */
export interface CureChange {
  /** by circuit; the turn circuits' are replaced */
  cures?: Readonly<Record<string, LoadResistorCure>>;
  vehicleCures?: readonly VehicleCure[];
  chosen?: Job['chosen'];
}

export type CureKind =
  | VehicleCure['kind']
  | 'nothing'
  | 'load-resistor'
  | 'harness'
  | 'built-in-load'
  | 'filament';

/** One way to content what flashes and watches, ready to be tried; or the reason why it cannot be tried here. */
export interface CureOption {
  id: string;
  kinds: readonly CureKind[];
  name: string;
  change: CureChange | null;
  /** why it is out of the question on this vehicle */
  refused: string | null;
  /** what it was sized by, in figures */
  why?: string;
  /** what must be so and nobody has looked at: it is neither refused for it nor promised */
  supposes?: readonly string[];
}

/** A cure to be tried. */
export function option(id: string, kinds: readonly CureKind[], name: string, change: CureChange): CureOption {
  return { id, kinds, name, change, refused: null };
}

/** A cure that is out of the question here, and why. */
export function refused(id: string, kinds: readonly CureKind[], name: string, why: string): CureOption {
  return { id, kinds, name, change: null, refused: why };
}

/** A cure that works only if something is so that nobody has looked at. */
export function supposing(cure: CureOption, supposes: readonly string[]): CureOption {
  return supposes.length > 0 ? { ...cure, supposes } : cure;
}

/** Both cures at once, neither touching what the other changes. */
export function together(
  first: CureOption & { change: CureChange },
  second: CureOption & { change: CureChange },
): CureOption {
  const both = option(
    `${first.id}+${second.id}`,
    [...new Set([...first.kinds, ...second.kinds])],
    `${first.name}; ${second.name.charAt(0).toLowerCase()}${second.name.slice(1)}`,
    {
      cures: { ...first.change.cures, ...second.change.cures },
      vehicleCures: [...(first.change.vehicleCures ?? []), ...(second.change.vehicleCures ?? [])],
      chosen: { ...first.change.chosen, ...second.change.chosen },
    },
  );
  return supposing(both, [...(first.supposes ?? []), ...(second.supposes ?? [])]);
}
