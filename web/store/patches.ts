import equal from 'fast-deep-equal';
import { applyPatches, type Patch } from 'immer';
import type { Evidence } from '../../core/model/evidence.ts';
import type { Job } from '../../core/model/job.ts';

/** What an edit did, and what takes it back: of the job by patches, of its log by records that go to its end. */
export interface Patches {
  forward: Patch[];
  backward: Patch[];
  told: Evidence[];
}

/** Whether a patch is of the log, to which nothing is done by patches. */
export const ofLog = ({ path: [field] }: Patch): boolean => field === 'evidence';

/** A job with patches done to it and records put to the end of its log; what the patches say of the log does not count. */
export function patched(job: Job, patches: readonly Patch[], told: readonly Evidence[]): Job {
  const changed = applyPatches(
    job,
    patches.filter((each) => !ofLog(each)),
  );
  return { ...changed, evidence: told.length === 0 ? job.evidence : [...job.evidence, ...told] };
}

const pathOf = ({ path }: Patch) => path.join('/');

/**
 * Two edits as one. Where both only put a value where one was before, the first value and the last are enough: a
 * paragraph that was typed is not kept once for each of its letters.
 */
export function joined(first: Omit<Patches, 'told'>, second: Omit<Patches, 'told'>): Omit<Patches, 'told'> {
  const all = [...first.forward, ...first.backward, ...second.forward, ...second.backward];
  if (all.every(({ op }) => op === 'replace') && !nested(all))
    return {
      forward: lastOfEach([...first.forward, ...second.forward]),
      backward: lastOfEach([...second.backward, ...first.backward]),
    };
  return {
    forward: [...first.forward, ...second.forward],
    backward: [...second.backward, ...first.backward],
  };
}

function lastOfEach(patches: readonly Patch[]): Patch[] {
  return [...new Map(patches.map((patch) => [pathOf(patch), patch])).values()];
}

/** Whether some values lie within others, or are the length of a list: their order matters then. */
function nested(patches: readonly Patch[]): boolean {
  const paths = [...new Set(patches.map(pathOf))];
  return paths.some(
    (path) =>
      path.endsWith('/length') || paths.some((other) => other !== path && other.startsWith(`${path}/`)),
  );
}

/** What was noted no longer goes with the job: somebody has changed the same since. */
export class ChangedSinceError extends Error {
  constructor() {
    super('The same was changed elsewhere before this was stored; what is there now stands.');
    this.name = 'ChangedSinceError';
  }
}

/**
 * A job with what was noted on an earlier reading of it. What is appended to a list goes to its end, wherever that is now;
 * anything else only where the note found what is there still.
 *
 * @throws ChangedSinceError otherwise
 */
export function withNoted(job: Job, { forward, backward, told }: Patches): Job {
  return patched(withPatches(job, forward, backward), [], told);
}

function withPatches(job: Job, forward: Patch[], backward: Patch[]): Job {
  if (forward.length === 0) return job;
  const appended = atTheEnds(job, forward);
  if (appended) return applyPatches(job, appended);
  let done: Job;
  try {
    done = applyPatches(job, forward);
    if (equal(applyPatches(done, backward), job)) return done;
  } catch {
    // A path that is gone.
  }
  throw new ChangedSinceError();
}

/** The patches for the ends of their lists as they are now; null where one does not append. */
function atTheEnds(job: Job, patches: readonly Patch[]): Patch[] | null {
  const first = new Map<string, number>();
  const moved: Patch[] = [];
  for (const patch of patches) {
    const place = patch.path.at(-1);
    const parent = patch.path.slice(0, -1);
    const list = parent.reduce<unknown>((within, key) => (within as never)?.[key], job);
    // Of a list nothing but its end is ever added to: what is put in between replaces what moves on.
    if (patch.op !== 'add' || typeof place !== 'number' || !Array.isArray(list)) return null;
    const begin = first.get(parent.join('/')) ?? place;
    first.set(parent.join('/'), begin);
    moved.push({ ...patch, path: [...parent, list.length + place - begin] });
  }
  return moved;
}
