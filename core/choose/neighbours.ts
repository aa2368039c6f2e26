import { filamentSeen, ledSeen } from '../light/throughLens.ts';
import type { Job } from '../model/job.ts';
import type { LedPart, Shelf } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { bulbOf, ledOf } from '../simulation/fitment.ts';
import { coloursFor } from '../vehicle/lampWork.ts';

/** A lamp near another that shows the same colour and stays filament. */
export interface NeighbourColour {
  lamp: Lamp;
  /** distance of the two lights in CIE 1976 u′v′: a step of about 0.004 is just seen side by side */
  apart: number;
  /** the LED's white lies on the blue side of the filament's */
  colder: boolean;
}

/** From so far apart in u′v′ two lights side by side are plainly two colours (common practice). */
const PLAINLY = 0.012;
/** Lamps nearer than this on the plan are seen together, as a share of the vehicle's length and width. */
const NEAR = 0.3;

/**
 * The neighbours of a lamp that stay filament and would be of another colour beside an LED, both behind their lenses; the
 * farthest first, none where the colours go together.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function unlikeNeighbours(job: Job, shelf: Shelf, lamp: Lamp, part: LedPart): NeighbourColour[] {
  const { vehicle } = job;
  const [colour] = coloursFor(vehicle, lamp);
  const led = ledSeen(vehicle.region, lamp, part);
  return vehicle.lamps
    .flatMap((each): NeighbourColour[] => {
      if (each.id === lamp.id || each.end !== lamp.end || coloursFor(vehicle, each)[0] !== colour) return [];
      // Its twin across gets what it gets.
      if (each.base === lamp.base && each.plan.along === lamp.plan.along) return [];
      // Of an LED from the works nobody knows the white.
      if (each.works || ledOf(job, shelf, each.id) !== null || distance(lamp, each) > NEAR) return [];
      const filament = filamentSeen(vehicle.region, each, bulbOf(job, each));
      const [one, other] = [uv(led.at), uv(filament.at)];
      const apart = Math.hypot(one.u - other.u, one.v - other.v);
      return apart > PLAINLY ? [{ lamp: each, apart, colder: led.at.x < filament.at.x }] : [];
    })
    .toSorted((a, b) => b.apart - a.apart);
}

function distance(a: Lamp, b: Lamp): number {
  return Math.hypot(a.plan.across - b.plan.across, a.plan.along - b.plan.along);
}

/** CIE 1976 uniform chromaticity of x and y. */
function uv({ x, y }: { x: number; y: number }): { u: number; v: number } {
  const below = -2 * x + 12 * y + 3;
  return { u: (4 * x) / below, v: (9 * y) / below };
}
