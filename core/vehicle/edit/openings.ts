import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { Opening } from '../../model/vehicle/opening.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';

/**
 * Writes an opening down, in the place of one that is there under its id.
 *
 * @param vehicle changed in place
 */
export function putOpening(vehicle: Vehicle, opening: Opening): void {
  const others = (vehicle.openings ?? []).filter(({ id }) => id !== opening.id);
  vehicle.openings = [...others, opening];
}

/**
 * Takes an opening out: what its lamps say of themselves in words stands again, and nothing needs it any more.
 *
 * @param vehicle changed in place
 */
export function dropOpening(vehicle: Vehicle, id: string): void {
  vehicle.openings = (vehicle.openings ?? []).filter((each) => each.id !== id);
  for (const opening of vehicle.openings) opening.needs = opening.needs.filter((need) => need !== id);
}

/**
 * Changes an opening, and that of the lamp across where both sides are alike. Where the other side has none yet it gets
 * the same, named for its own lamp; what must come out first is each side's own.
 *
 * @param vehicle changed in place
 */
export function changeOpening(
  vehicle: Vehicle,
  id: string,
  twin: Lamp | undefined,
  act: (opening: Opening) => void,
): void {
  const own = vehicle.openings?.find((each) => each.id === id);
  if (!own) return;
  act(own);
  if (own.usual) own.corrected = true;
  if (!twin || twin.access.group === id) return;
  const other = vehicle.openings?.find((each) => each.id === twin.access.group);
  if (other) {
    act(other);
    if (other.usual) other.corrected = true;
  } else putOpening(vehicle, { ...structuredClone(own), id: twin.access.group, name: twin.name, needs: [] });
}

/** An id for a new trim or cover that no opening and no group of lamps has yet. */
export function freeOpeningId(vehicle: Vehicle, of: Opening['of']): string {
  const taken = new Set([
    ...(vehicle.openings ?? []).map(({ id }) => id),
    ...vehicle.lamps.map(({ access }) => access.group),
  ]);
  if (!taken.has(of)) return of;
  let number = 2;
  while (taken.has(`${of}-${number}`)) number += 1;
  return `${of}-${number}`;
}
