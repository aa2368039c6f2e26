import type { Evidence } from '../model/evidence.ts';
import { hasNamed, namesOf } from '../model/evidenceNames.ts';
import type { Job } from '../model/job.ts';
import { whenSeen } from '../model/whenSeen.ts';

/**
 * A job with all that was seen of its vehicle, on whichever of its jobs it was told: each record once, in the order of its
 * time where two jobs told in turn. What names a lamp or circuit that this drawing of the vehicle does not have tells it
 * nothing.
 *
 * @param others the other jobs of the same vehicle
 */
export function withVehicleLog(job: Job, others: readonly Job[]): Job {
  const here = new Set(job.evidence.map(({ id }) => id));
  const logs = others.flatMap(({ vehicle, evidence }) => {
    if (vehicle.id !== job.vehicle.id) return [];
    const news = evidence.filter((each) => {
      const isNew =
        !here.has(each.id) &&
        each.vehicleId === job.vehicle.id &&
        namesOf(each).every((named) => hasNamed(job.vehicle, named));
      if (isNew) here.add(each.id);
      return isNew;
    });
    return news.length > 0 ? [news] : [];
  });
  return logs.length === 0 ? job : { ...job, evidence: logs.reduce(merged, job.evidence) };
}

/** Two logs as one: each keeps its own order, and the earlier of the two next ones comes first. */
function merged(a: readonly Evidence[], b: readonly Evidence[]): Evidence[] {
  const [whenA, whenB] = [whenSeen(a), whenSeen(b)];
  const all: Evidence[] = [];
  for (let [i, j] = [0, 0]; i < a.length || j < b.length; ) {
    const [nextA, nextB] = [a[i], b[j]];
    const first = nextA && (!nextB || (whenA[i]?.ms ?? 0) <= (whenB[j]?.ms ?? 0)) ? nextA : nextB;
    if (first === nextA) i += 1;
    else j += 1;
    if (first) all.push(first);
  }
  return all;
}
