import { bulbById } from '../../catalogue/bulbs.ts';
import { hasNamed, type Named, namesOf } from '../../model/evidenceNames.ts';
import type { Job } from '../../model/job.ts';
import { circuitsFeeding } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import type { LampFunction } from './circuits.ts';
import { forgetWires } from './forgotten.ts';
import { changeStockBulb, changeWork, removeLamp } from './lamps.ts';
import { clearStopTurn, setStopTurn } from './stopTurn.ts';
import { ofTurnsAnew, turnHeirs } from './turnOutputs.ts';

/**
 * Takes a lamp off a job's vehicle, and out of everything the job says of it.
 *
 * @param job changed in place
 * @throws VehicleEditError for the last main turn lamp of a side
 */
export function removeLampOf(job: Job, lampId: string): void {
  removeLamp(job.vehicle, lampId);
  forgetWhatIsGone(job);
}

/**
 * @param job changed in place
 * @throws VehicleEditError when a side would be left without a main turn lamp, or the lamp without work
 */
export function changeWorkOf(job: Job, lampId: string, functions: readonly LampFunction[]): void {
  changeWork(job.vehicle, lampId, functions);
  forgetWhatIsGone(job);
}

/**
 * The bright filament of a lamp as turn and stop lamp at once, or as its turn lamp alone.
 *
 * @param job changed in place
 */
export function changeStopTurnOf(job: Job, lampId: string, both: boolean): void {
  if (both) setStopTurn(job.vehicle, lampId);
  else clearStopTurn(job.vehicle, lampId);
  forgetWhatIsGone(job);
}

/**
 * The bulb a lamp takes. With another base, what was read from the old bulb and chosen for it no longer stands.
 *
 * @param job changed in place
 * @throws VehicleEditError when the catalogue has no such bulb
 */
export function changeStockBulbOf(job: Job, lampId: string, bulbId: string): void {
  const before = job.vehicle.lamps.find((lamp) => lamp.id === lampId)?.base;
  changeStockBulb(job.vehicle, lampId, bulbId);
  if (before === bulbById(bulbId)?.base) return;
  delete job.identified[lampId];
  if (job.chosen[lampId] !== null) delete job.chosen[lampId];
}

/**
 * Tells what a job says of its turn circuits of those it has now: resistors go with their lamps, settings with every output that
 * drives one of theirs, and what was seen of a side stays of that side.
 *
 * @param job changed in place
 * @param before its vehicle as it was
 */
export function tellTurnsAnew(job: Job, before: Vehicle): void {
  const { cures, vehicleCures } = ofTurnsAnew(job, before, job.vehicle);
  job.cures = cures;
  job.vehicleCures = vehicleCures;
  const heirs = turnHeirs(before, job.vehicle);
  const heir = (id: string) => heirs.get(id) ?? id;
  for (const each of job.evidence) {
    if (each.kind === 'trial' || each.kind === 'proof') each.circuitId = heir(each.circuitId);
    if (each.kind === 'pin' && each.circuitId !== null) each.circuitId = heir(each.circuitId);
    if (each.kind !== 'cell') continue;
    each.circuits = [...new Set(each.circuits.map(heir))];
    for (const found of each.found) if ('circuitId' in found) found.circuitId = heir(found.circuitId);
  }
}

/**
 * Drops what a job says of lamps and circuits its vehicle no longer has.
 *
 * @param job changed in place
 */
export function forgetWhatIsGone(job: Job): void {
  const lamps = new Set(job.vehicle.lamps.map((lamp) => lamp.id));
  const circuits = new Set(job.vehicle.circuits.map((circuit) => circuit.id));
  for (const record of [
    job.lookOver.lamps,
    job.identified,
    job.chosen,
    job.capsules ?? {},
    job.polarity ?? {},
  ] as Record<string, unknown>[])
    for (const id of Object.keys(record)) if (!lamps.has(id)) delete record[id];
  if (job.repairs) job.repairs = job.repairs.filter(({ lampId }) => lamps.has(lampId));
  // What hung on the vehicle hangs on it still, wherever.
  for (const each of job.vehicle.past ?? []) if (each.lampId && !lamps.has(each.lampId)) each.lampId = null;
  for (const [circuitId, cure] of Object.entries(job.cures)) {
    if (!circuits.has(circuitId)) delete job.cures[circuitId];
    else if (cure) {
      cure.networks = cure.networks.filter(
        ({ lampId, input }) =>
          lamps.has(lampId) && (input !== 'dim' || circuitsFeeding(job.vehicle, lampId, 'dim').length > 0),
      );
      if (cure.networks.length === 0) delete job.cures[circuitId];
    }
  }
  forgetWires(job.vehicle);
  const isHere = (what: Named['what'], id: string) => hasNamed(job.vehicle, { what, id });
  for (const each of job.evidence) {
    if (each.kind !== 'cell') continue;
    // A whole vehicle was looked at: what is gone since is taken out of it.
    each.fitted.lamps = Object.fromEntries(
      Object.entries(each.fitted.lamps).filter(([id]) => isHere('lamp', id)),
    );
    each.circuits = each.circuits.filter((id) => isHere('circuit', id));
    each.found = each.found.filter(
      (found) =>
        (!('lampId' in found) || isHere('lamp', found.lampId)) &&
        (!('fuseId' in found) || isHere('fuse', found.fuseId)) &&
        (!('circuitId' in found) || isHere('circuit', found.circuitId)),
    );
  }
  const kept = job.evidence.filter(
    (each) =>
      namesOf(each).every((named) => hasNamed(job.vehicle, named)) &&
      (each.kind !== 'cell' || each.circuits.length > 0 || each.cell === 'off' || each.cell === 'asleep'),
  );
  if (kept.length !== job.evidence.length) job.evidence = kept;
  if (job.scope) job.scope.lampIds = job.scope.lampIds.filter((id) => lamps.has(id));
  job.vehicleCures = job.vehicleCures.filter(
    (cure) =>
      (!('circuitId' in cure) || circuits.has(cure.circuitId)) &&
      (!('lampId' in cure) || lamps.has(cure.lampId)),
  );
}
