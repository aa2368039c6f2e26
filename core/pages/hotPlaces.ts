import { temperature } from '../formatting/units.ts';
import { builtInUses } from '../heat/builtInLoad.ts';
import { hotterAt } from '../heat/measured.ts';
import { bodyOf, HOT_DAY, mountedPieces, usesOfPiece } from '../heat/mounts.ts';
import { judgeHeat, SKIN_LIMITS } from '../heat/useCases.ts';
import { chargingVolts } from '../judge/workingPoints.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { heatReadingsOf } from '../model/seen.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import { ledOf, networksOf } from '../simulation/fitment.ts';

const SKIN_LONG = SKIN_LIMITS.at(-1)?.[1] ?? 43;

/**
 * What gets hot on a vehicle and where, in the hardest use without a fault on a hot day: resistors on their mounts and LEDs
 * with a load inside, each as it is estimated, and as it was measured where somebody did.
 */
export function hotPlaces(job: Job, shelf: Shelf): string[] {
  const { vehicle } = job;
  const volts = chargingVolts(vehicle.systemVolts);
  const all = mountedPieces(vehicle, networksOf(job), volts, hotterAt(job));
  const byPlace = new Map<string, number>();
  for (const piece of all)
    for (const use of usesOfPiece(vehicle, piece)) {
      if (use.fault) continue;
      const { peakCaseCelsius } = judgeHeat(bodyOf(piece, all, use), piece.litWatts, use, HOT_DAY);
      const { lampId } = piece.network;
      byPlace.set(lampId, Math.max(byPlace.get(lampId) ?? 0, peakCaseCelsius));
    }
  const measured = heatReadingsOf(job);
  const seen = (lampId: string) => {
    const last = measured.findLast((each) => each.lampId === lampId && each.what === 'resistor');
    return last
      ? `; measured ${temperature(last.quantity.value)} after ${Math.round(last.seconds / 60)} min`
      : '';
  };
  const resistors = [...byPlace].flatMap(([lampId, celsius]) =>
    celsius < SKIN_LONG
      ? []
      : [
          `Resistor at ${lampById(vehicle, lampId).name.toLowerCase()}: estimated at ${temperature(celsius)} on a day of ${temperature(HOT_DAY)}${seen(lampId)}. Measure before it is touched.`,
        ],
  );
  const leds = vehicle.lamps.flatMap(({ id, name }) => {
    const part = ledOf(job, shelf, id);
    if (!part?.builtInLoadOhms) return [];
    const peak = Math.max(0, ...builtInUses(vehicle, id, part, volts).map(({ heat }) => heat.peakCelsius));
    return peak < SKIN_LONG
      ? []
      : [
          `${part.code} in ${name.toLowerCase()}: its body is estimated at ${temperature(peak)} inside the lamp.`,
        ];
  });
  return [...resistors, ...leds];
}
