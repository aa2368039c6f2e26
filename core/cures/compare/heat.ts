import { type BuiltInUse, builtInUses } from '../../heat/builtInLoad.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import type { Job } from '../../model/job.ts';
import type { LedPart, Shelf } from '../../model/part.ts';
import { ledOf } from '../../simulation/fitment.ts';
import { type CureScope, lampsIn, turnScope } from './scope.ts';

/** The LEDs of some circuits that carry a load of their own. */
export function loadedLeds(job: Job, shelf: Shelf, scope: CureScope): { lampId: string; part: LedPart }[] {
  return lampsIn(job.vehicle, scope).flatMap(({ id }) => {
    const part = ledOf(job, shelf, id);
    return part?.builtInLoadOhms ? [{ lampId: id, part }] : [];
  });
}

/** How LEDs with a load inside bear each use of the lamps they are in, worst first. */
export function builtInHeats(
  job: Job,
  shelf: Shelf,
  scope: CureScope = turnScope(job.vehicle),
): BuiltInUse[] {
  const at = chargingVolts(job.vehicle.systemVolts);
  return loadedLeds(job, shelf, scope)
    .flatMap(({ lampId, part }) => builtInUses(job.vehicle, lampId, part, at))
    .toSorted((a, b) => b.heat.peakCelsius - a.heat.peakCelsius);
}
