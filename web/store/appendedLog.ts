import { applyPatches, type Patch } from 'immer';
import type { Evidence } from '../../core/model/evidence.ts';
import type { Job } from '../../core/model/job.ts';
import { mark } from '../../core/record/tell.ts';
import { ofLog } from './patches.ts';

/** A step of undo or redo, as far as it matters here. */
interface Step {
  seq: number;
  undone: 0 | 1;
  forward: Patch[];
  backward: Patch[];
  told?: string[];
  ended?: string[];
}

/**
 * A job of before its log was only added to, and the steps of its undo and redo: what a step took out of the log or put
 * into it is in it for good, and the step says what stands with it and what without. The steps are walked from the job as it
 * is.
 */
export function withAppendedLog<S extends Step>(job: Job, edits: readonly S[]): { job: Job; edits: S[] } {
  const bySeq = edits.toSorted((a, b) => a.seq - b.seq);
  const log = new Log(job.evidence);
  const rewritten: S[] = [];
  let state = job;
  for (const edit of bySeq.filter((each) => each.undone === 0).toReversed()) {
    const before = applyPatches(state, edit.backward);
    rewritten.push(log.rewrite(edit, before, state));
    state = before;
  }
  state = job;
  for (const edit of bySeq.filter((each) => each.undone === 1)) {
    const after = applyPatches(state, edit.forward);
    rewritten.push(log.rewrite(edit, state, after));
    state = after;
  }
  return { job: { ...job, evidence: log.whole(job) }, edits: rewritten };
}

class Log {
  private readonly ids = new Map<string, string>();
  private readonly gone: Evidence[] = [];

  constructor(private readonly now: readonly Evidence[]) {
    for (const each of now) this.ids.set(JSON.stringify(each), each.id);
  }

  rewrite<S extends Step>(edit: S, before: Job, after: Job): S {
    const [was, is] = [before, after].map(({ evidence }) => evidence.map((each) => this.idOf(each)));
    const apart = (patches: Patch[]) => patches.filter((each) => !ofLog(each));
    return {
      ...edit,
      forward: apart(edit.forward),
      backward: apart(edit.backward),
      told: is?.filter((id) => !was?.includes(id)) ?? [],
      ended: was?.filter((id) => !is?.includes(id)) ?? [],
    };
  }

  /** The id of a record as it was in one state: another than its own where it was another thing then. */
  private idOf(each: Evidence): string {
    const as = JSON.stringify(each);
    const known = this.ids.get(as);
    if (known !== undefined) return known;
    const taken = new Set(this.ids.values());
    let id = each.id;
    for (let count = 2; taken.has(id); count += 1) id = `${each.id}-${count}`.slice(-64);
    this.ids.set(as, id);
    this.gone.push({ ...each, id });
    return id;
  }

  /** Everything that was ever in it, and that some of it does not stand now. */
  whole(job: Job): Evidence[] {
    const all = [...this.now];
    for (const each of this.gone) {
      const later = all.findIndex(({ at }) => at > each.at);
      all.splice(later < 0 ? all.length : later, 0, each);
    }
    for (const { id, at } of this.gone)
      all.push(
        mark(job, id, false, { id: `mark-${id}`.slice(-64).replace(/^[._-]+/, ''), at, device: null }),
      );
    return all;
  }
}
