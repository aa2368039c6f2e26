import type { Job, LikeLook } from '../model/job.ts';
import { newJob } from '../model/newJob.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** Who the equal is. */
export interface LikeIdentity {
  id: string;
  vehicleId: string;
  fleetNumber: string;
  /** begun, ISO 8601 */
  at: string;
  /** when the first was last changed, ISO 8601 */
  taken: string;
}

/**
 * A job on another vehicle like the first. Carried over are layout, openings, parts, cure and order, and the wiring as a hint:
 * nobody has proved it on this one. What differs from one vehicle to the next is open: dead bulbs, bulb numbers, left against
 * right, equipment in the way, the flasher, and of course its own proofs.
 */
export function likeJob(source: Job, { id, vehicleId, fleetNumber, at, taken }: LikeIdentity): Job {
  const title = `${source.title || source.vehicle.name}, ${fleetNumber}`.slice(0, 160);
  return {
    ...newJob(id, title, likeVehicle(source.vehicle, vehicleId, fleetNumber), at),
    ...planOf(source),
    like: { jobId: source.id, at, taken, looked: [] },
  };
}

/** What of a job is its plan: what an equal takes over, and takes over again where the first changes. */
function planOf(source: Job): Partial<Job> & Pick<Job, 'chosen' | 'cures' | 'vehicleCures'> {
  const { chosen, cures, scope, habits, kits } = source;
  return structuredClone({
    chosen,
    cures,
    vehicleCures: source.vehicleCures.map((cure) => {
      if (cure.kind !== 'controller-setting') return cure;
      const { keyCycled: _, readBack: __, codesCleared: ___, ...planned } = cure;
      return planned;
    }),
    ...(scope ? { scope } : {}),
    ...(habits ? { habits } : {}),
    ...(kits ? { kits } : {}),
  });
}

function likeVehicle(vehicle: Vehicle, id: string, fleetNumber: string): Vehicle {
  const copy = structuredClone(vehicle);
  copy.id = id;
  copy.fleetNumber = fleetNumber;
  copy.name = `${vehicle.name}, ${fleetNumber}`.slice(0, 160);
  // What was put on the first one before is not on this one.
  delete copy.past;
  for (const { cavities } of copy.connectors ?? []) for (const cavity of cavities) delete cavity.provedBy;
  if (copy.facts) {
    delete copy.facts.flasherSeen;
    delete copy.facts.inTheWay;
  }
  return copy;
}

/** Whether work on a job has begun: then its plan is its own. What was found on another vehicle was not done on this one. */
export function hasBegun({ fit, evidence }: Pick<Job, 'fit' | 'evidence'>): boolean {
  return (
    evidence.some((each) => !('from' in each)) ||
    Object.values(fit).some(({ doneAt, startedAt }) => doneAt !== null || startedAt)
  );
}

/**
 * Takes over what the first has changed since. What was looked at on this one stands.
 *
 * @param job changed in place
 * @param taken when the first was last changed, ISO 8601
 */
export function takeOverPlan(job: Job, source: Job, taken: string): void {
  const { vehicle } = job;
  const looked = likeVehicle(source.vehicle, vehicle.id, vehicle.fleetNumber ?? '');
  looked.name = vehicle.name;
  if (vehicle.facts?.flasherSeen !== undefined) {
    looked.facts = { ...looked.facts, flasherSeen: vehicle.facts.flasherSeen };
    looked.flasher = vehicle.flasher;
  }
  if (vehicle.facts?.inTheWay) looked.facts = { ...looked.facts, inTheWay: vehicle.facts.inTheWay };
  if (vehicle.past) looked.past = vehicle.past;
  job.vehicle = looked;
  Object.assign(job, planOf(source));
  if (job.like) job.like.taken = taken;
}

/**
 * Says that something was looked at on this vehicle and is as on the first: bulbs are then those read there, and lamps nobody
 * said anything of work. Taken back, what only that said is open again.
 *
 * @param job changed in place
 * @param first null where it is no longer here: then only that it was looked at is kept
 */
export function setLooked(job: Job, first: Job | null, look: LikeLook, looked: boolean): void {
  if (!job.like) return;
  const others = job.like.looked.filter((each) => each !== look);
  job.like.looked = looked ? [...others, look] : others;
  if (look === 'flasher') job.vehicle.facts = { ...job.vehicle.facts, flasherSeen: looked };
  if (look === 'bulbs')
    for (const [lampId, bulbId] of Object.entries(first?.identified ?? {})) {
      if (!job.vehicle.lamps.some(({ id }) => id === lampId)) continue;
      if (looked) job.identified[lampId] ??= bulbId;
      else if (job.identified[lampId] === bulbId) delete job.identified[lampId];
    }
  if (look === 'dead')
    for (const { id } of job.vehicle.lamps) {
      const said = job.lookOver.lamps[id];
      if (looked && !said) job.lookOver.lamps[id] = { condition: 'works', note: '' };
      else if (!looked && said?.condition === 'works' && said.note === '') delete job.lookOver.lamps[id];
    }
}

/** What is still to be looked at on a vehicle that was begun as another's equal, in the order it is met. */
export function looksLeft({ like }: Pick<Job, 'like'>, all: readonly LikeLook[]): LikeLook[] {
  return like ? all.filter((look) => !like.looked.includes(look)) : [];
}
