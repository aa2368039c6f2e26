import { applyPatches, type Patch } from 'immer';
import type { Job } from '../../core/model/job.ts';
import { SEEN_UNTIL_7, upgradeJob } from '../../core/model/upgradeJob.ts';

/** A step of undo or redo, as far as it matters here. */
interface Step {
  seq: number;
  undone: 0 | 1;
  forward: Patch[];
  backward: Patch[];
}

const isSeen = ({ path: [field] }: Patch) => SEEN_UNTIL_7.some((each) => each === field);

/**
 * The steps of undo and redo of a job of version 7 for its one record of evidence: a step that touched one of the three
 * it was then puts the whole back that stood before it, or after. The steps are walked from the job as it stands.
 */
export function withOneEvidence<S extends Step>(job: Job, edits: readonly S[]): S[] {
  const bySeq = edits.toSorted((a, b) => a.seq - b.seq);
  const rewritten: S[] = [];
  let state = job;
  for (const edit of bySeq.filter((each) => each.undone === 0).toReversed()) {
    const before = applyPatches(state, edit.backward);
    rewritten.push(rewrite(edit, before, state));
    state = before;
  }
  state = job;
  for (const edit of bySeq.filter((each) => each.undone === 1)) {
    const after = applyPatches(state, edit.forward);
    rewritten.push(rewrite(edit, state, after));
    state = after;
  }
  return rewritten;
}

function rewrite<S extends Step>(edit: S, before: Job, after: Job): S {
  const onto = (patches: readonly Patch[], to: Job): Patch[] => {
    const kept = patches
      .filter((patch) => !isSeen(patch))
      .map((patch) =>
        patch.path.length === 0 ? { ...patch, value: upgradeJob(patch.value, 7, 10) } : patch,
      );
    const touched = patches.length > kept.length;
    const { evidence } = upgradeJob(to, 7, 10) as Job;
    return touched ? [...kept, { op: 'replace', path: ['evidence'], value: evidence }] : kept;
  };
  return { ...edit, forward: onto(edit.forward, after), backward: onto(edit.backward, before) };
}
