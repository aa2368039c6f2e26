import type { LedPart, WholeLampPart, WholeLampSection } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** The section of a whole lamp that does what one of the vehicle's lamps does; undefined where it has none. */
export function sectionFor(
  vehicle: Vehicle,
  lamp: Pick<Lamp, 'id'>,
  part: WholeLampPart,
): WholeLampSection | undefined {
  const does = circuitsOf(vehicle, lamp.id)[0]?.kind;
  return part.sections.find((section) => section.does === does);
}

/** The LEDs of a section as a bulb would be: the circuit sees no difference. */
export function panelAsLed(
  part: WholeLampPart,
  section: WholeLampSection,
  base: Lamp['base'],
): LedPart | null {
  const { light } = section;
  if (light.kind !== 'panel') return null;
  const { kind: _, ...panel } = light;
  const { id, code, name, price, stock, supplyRange } = part;
  return {
    kind: 'led',
    id,
    code,
    name,
    price,
    stock,
    bases: [base],
    supplyRange,
    polarity: 'either',
    ...panel,
    // A panel fills its own housing; there is nothing to measure it against.
    lengthMm: 1,
    diameterMm: 1,
  };
}

/**
 * The lamps of a vehicle whose place a whole lamp takes when it is put where one of them is: on the same flank and
 * end, for each section the nearest that does its work.
 */
export function lampsFilledBy(vehicle: Vehicle, at: Lamp, part: WholeLampPart): Lamp[] {
  const near = (lamp: Lamp) =>
    Math.hypot(lamp.plan.across - at.plan.across, 2 * (lamp.plan.along - at.plan.along));
  return part.sections.flatMap((section) => {
    const candidates = vehicle.lamps
      .filter(
        (lamp) =>
          lamp.side === at.side &&
          lamp.end === at.end &&
          circuitsOf(vehicle, lamp.id)[0]?.kind === section.does,
      )
      .toSorted((a, b) => near(a) - near(b));
    return candidates[0] ? [candidates[0]] : [];
  });
}
