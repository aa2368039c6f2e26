import { type BuiltInHeat, builtInHeat } from '../../heat/builtInLoad.ts';
import { HOT_DAY } from '../../heat/mounts.ts';
import { usesOf } from '../../heat/useCases.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import type { Job } from '../../model/job.ts';
import type { LedPart, Shelf } from '../../model/part.ts';
import { circuitsFeeding } from '../../model/vehicle/lookUp.ts';
import { ledOf } from '../../simulation/fitment.ts';
import { type CureScope, lampsIn, turnScope } from './scope.ts';

/** The LEDs of some circuits that carry a load of their own. */
export function loadedLeds(job: Job, shelf: Shelf, scope: CureScope): { lampId: string; part: LedPart }[] {
  return lampsIn(job.vehicle, scope).flatMap(({ id }) => {
    const part = ledOf(job, shelf, id);
    return part?.builtInLoadOhms ? [{ lampId: id, part }] : [];
  });
}

/**
 * How LEDs with a load inside bear each use of the lamps they are in, worst first. A hazard left on for half an hour
 * is told; what condemns one is what its lamp does every day.
 */
export function builtInHeats(
  job: Job,
  shelf: Shelf,
  scope: CureScope = turnScope(job.vehicle),
): { heat: BuiltInHeat; everyDay: boolean }[] {
  const at = chargingVolts(job.vehicle.systemVolts);
  return loadedLeds(job, shelf, scope)
    .flatMap(({ lampId, part }) => {
      // Its load lies across the bright feed; the dim one has the dim level alone.
      const feeding = circuitsFeeding(job.vehicle, lampId, 'main');
      const uses = usesOf(job.vehicle, feeding).filter((use) => !use.fault);
      return uses.map((use) => ({
        heat: builtInHeat(part, at, use, HOT_DAY),
        everyDay: use.id !== 'hazard',
      }));
    })
    .toSorted((a, b) => b.heat.peakCelsius - a.heat.peakCelsius);
}
