import type { Job } from '../../../model/job.ts';
import type { Shelf } from '../../../model/part.ts';
import type { Lamp } from '../../../model/vehicle/lamp.ts';
import { ledOf } from '../../../simulation/fitment.ts';
import { turnLamps } from '../withCure.ts';

/** An end of the vehicle may want another cure than the other: room, metal and bulbs differ. */
export const ENDS = ['front', 'rear'] as const;
export type End = (typeof ENDS)[number];

/** The main turn lamps that have an LED. */
export function convertedMains(job: Job, shelf: Shelf): Lamp[] {
  return turnLamps(job).filter((lamp) => lamp.role === 'main' && ledOf(job, shelf, lamp.id) !== null);
}

/** The ends that have some of these lamps, where not all of them are at the same one. */
export function endsApart(lamps: readonly Lamp[]): { end: End; lamps: readonly Lamp[] }[] {
  return ENDS.flatMap((end) => {
    const there = lamps.filter((lamp) => lamp.end === end);
    return there.length > 0 && there.length < lamps.length ? [{ end, lamps: there }] : [];
  });
}
