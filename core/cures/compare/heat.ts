import { pieceWatts } from '../../circuit/resistorNetwork.ts';
import { type BuiltInHeat, builtInHeat } from '../../heat/builtInLoad.ts';
import { heatMount } from '../../heat/resistorHeat.ts';
import { type HeatVerdict, judgeHeat, USE_CASES, usesOn } from '../../heat/useCases.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import type { Job, ResistorNetwork } from '../../model/job.ts';
import type { LedPart, Shelf } from '../../model/part.ts';
import {
  circuitsFeeding,
  lampById,
  lampIdsOf,
  turnCircuits,
  type Vehicle,
} from '../../model/vehicle/vehicle.ts';
import { ledOf } from '../../simulation/fitment.ts';

/** What cures are heated at: a hot day, °C. */
const HOT_DAY = 40;

/** The hottest of some resistors in the hardest use the feed it lies across sees, on a hot day. */
export function hottestResistor(vehicle: Vehicle, networks: readonly ResistorNetwork[]): HeatVerdict | null {
  const at = chargingVolts(vehicle.systemVolts);
  // The sides are mostly alike, and so are the pieces: each case is followed once.
  const followed = new Map<string, HeatVerdict>();
  for (const network of networks) {
    const lamp = lampById(vehicle, network.lampId);
    const [circuit] = circuitsFeeding(vehicle, lamp.id, network.input ?? 'main');
    const mount = heatMount(lamp.resistorMount);
    const lit = pieceWatts(network, at, 1 - Math.max(...network.pieces.map((piece) => piece.tolerance)));
    network.pieces.forEach(({ watts: ratedWatts }, index) => {
      const litWatts = lit[index] ?? 0;
      for (const useCase of usesOn(vehicle, circuit?.kind ?? 'turn')) {
        const key = `${ratedWatts} ${mount} ${litWatts} ${useCase.id}`;
        if (!followed.has(key))
          followed.set(key, judgeHeat({ ratedWatts, mount }, litWatts, useCase, HOT_DAY));
      }
    });
  }
  return [...followed.values()].toSorted((a, b) => b.peakCaseCelsius - a.peakCaseCelsius)[0] ?? null;
}

/** The turn lamps' LEDs that carry a load of their own. */
export function loadedLeds(job: Job, shelf: Shelf): { lampId: string; part: LedPart }[] {
  return turnCircuits(job.vehicle)
    .flatMap(lampIdsOf)
    .flatMap((lampId) => {
      const part = ledOf(job, shelf, lampId);
      return part?.builtInLoadOhms ? [{ lampId, part }] : [];
    });
}

/**
 * How LEDs with a load inside bear each use of the lamps they are in, worst first. A hazard left on for half an hour
 * is told; what condemns one is what its lamp does every day.
 */
export function builtInHeats(job: Job, shelf: Shelf): { heat: BuiltInHeat; everyDay: boolean }[] {
  const at = chargingVolts(job.vehicle.systemVolts);
  return loadedLeds(job, shelf)
    .flatMap(({ lampId, part }) => {
      // Its load lies across the bright feed; the dim one has the dim level alone.
      const feeding = circuitsFeeding(job.vehicle, lampId, 'main');
      const uses = new Set(feeding.flatMap(({ kind }) => usesOn(job.vehicle, kind)));
      return [...uses].map((use) => ({
        heat: builtInHeat(part, at, use, HOT_DAY),
        everyDay: use !== USE_CASES.hazard,
      }));
    })
    .toSorted((a, b) => b.heat.peakCelsius - a.heat.peakCelsius);
}
