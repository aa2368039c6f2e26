import type { Job } from '../../../model/job.ts';
import type { Shelf } from '../../../model/part.ts';
import type { Lamp } from '../../../model/vehicle/lamp.ts';
import { ledOf } from '../../../simulation/fitment.ts';
import { type CureScope, lampsIn, turnScope } from '../scope.ts';

/** An end of the vehicle may want another cure than the other: room, metal and bulbs differ. */
export const ENDS = ['front', 'rear'] as const;
export type End = (typeof ENDS)[number];

/** The lamps of some circuits that have an LED; of turn circuits the main ones. */
export function convertedMains(job: Job, shelf: Shelf, scope: CureScope = turnScope(job.vehicle)): Lamp[] {
  return lampsIn(job.vehicle, scope).filter(
    (lamp) => (lamp.role === 'main' || !scope.turning) && ledOf(job, shelf, lamp.id) !== null,
  );
}

/** The ends that have some of these lamps, where not all of them are at the same one. */
export function endsApart(lamps: readonly Lamp[]): { end: End; lamps: readonly Lamp[] }[] {
  return ENDS.flatMap((end) => {
    const there = lamps.filter((lamp) => lamp.end === end);
    return there.length > 0 && there.length < lamps.length ? [{ end, lamps: there }] : [];
  });
}
