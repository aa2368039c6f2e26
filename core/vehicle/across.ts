import type { Lamp } from '../model/vehicle/lamp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** Two lamps are a pair when one stands this near to where the mirror puts the other, as a share of the plan. */
const NEAR = 0.1;

/** The lamp of the other flank that stands where this one does; undefined for a lamp in the middle, or alone. */
export function lampAcross(vehicle: Vehicle, lamp: Lamp): Lamp | undefined {
  if (lamp.side === 'centre') return undefined;
  const apart = ({ plan }: Lamp) =>
    Math.abs(plan.along - lamp.plan.along) + Math.abs(1 - plan.across - lamp.plan.across);
  return vehicle.lamps
    .filter(
      (each) =>
        each.side !== 'centre' &&
        each.side !== lamp.side &&
        each.end === lamp.end &&
        each.role === lamp.role &&
        each.base === lamp.base &&
        each.lens === lamp.lens &&
        apart(each) < NEAR,
    )
    .toSorted((a, b) => apart(a) - apart(b))[0];
}
