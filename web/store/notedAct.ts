import type { Patch } from 'immer';
import type { Evidence } from '../../core/model/evidence.ts';
import type { Job } from '../../core/model/job.ts';
import { upgradeLog } from '../../core/model/upgradeLog.ts';
import type { Act } from './edits.ts';
import { upgradePatch } from './migrations.ts';
import { ofLog, withNoted } from './patches.ts';
import type { NoteRow } from './tableRows.ts';

/** What a note of an earlier build put to the end of the log. */
function recordsOf(forward: readonly Patch[], { vehicle }: Job): Evidence[] {
  const added = forward.filter((each) => ofLog(each) && each.op === 'add' && each.path.length === 2);
  return upgradeLog(
    added.map(({ value }) => value),
    vehicle.id,
  ) as Evidence[];
}

/** The act a note is of. */
export function notedAct({ id, label, mergeKey, at, forward, backward, told }: NoteRow): Act {
  // A note of an earlier build is in the words of then.
  const today = (patches: Patch[]) => patches.map((patch) => upgradePatch(patch));
  return {
    label,
    mergeKey,
    at,
    noteId: id,
    change: (job) => {
      // One of before a log was only added to: what it did to it is told now.
      const old = told ? [] : recordsOf(forward, job);
      const apart = (patches: Patch[]) => today(patches.filter((each) => !ofLog(each)));
      const patches = { forward: apart(forward), backward: apart(backward), told: told ?? old };
      return [withNoted(job, patches), patches];
    },
  };
}
