import equal from 'fast-deep-equal';
import type { Pack } from '../../../core/formats/pack.ts';
import { changedPlan } from '../../../core/handoff/mergeJobs.ts';
import type { ChangedField } from '../../../core/merge/changedFields.ts';
import type { Question } from '../../../core/merge/mergeDocuments.ts';
import type { Job } from '../../../core/model/job.ts';
import type { Part } from '../../../core/model/part.ts';
import type { VumbleDatabase } from '../db.ts';
import { keptValues } from '../kept.ts';
import { isUntouched } from './restore.ts';
import { type AllAnswers, jobsTogether, partsTogether } from './together.ts';

/** What becomes of one job of a pack. */
export interface JobPreview {
  id: string;
  title: string;
  vehicle: string;
  /** it is added, it is here as it is, what is here is newer, or both are laid together */
  what: 'added' | 'same' | 'mine-newer' | 'together';
  /** records of theirs that are not here */
  arrived: number;
  questions: readonly Question[];
  /** what of the plan here would be another, without a question */
  changed: readonly ChangedField[];
  /** why its plan as a whole is asked, where it is */
  clash: readonly string[];
  /** both as they are, to say what a question is about; null where it is added */
  mine: Job | null;
  theirs: Job;
}

/** What taking a pack would change, worked out before anything is written. */
export interface PackPreview {
  content: Pack['content'];
  exportedAt: string;
  /** nobody has done anything here: the backup takes the place of the demo */
  whole: boolean;
  jobs: readonly JobPreview[];
  parts: {
    added: readonly string[];
    merged: readonly string[];
    beside: readonly string[];
    asked: readonly { part: Part; questions: readonly Question[] }[];
  };
  movements: number;
  photos: number;
}

/** Works out what taking a pack would do, with what was answered so far. */
export async function previewPack(pack: Pack, answers: AllAnswers, db: VumbleDatabase): Promise<PackPreview> {
  await keptValues.loaded();
  const whole = pack.content === 'everything' && (await isUntouched(db));
  const together = whole ? [] : await partsTogether(pack, answers, db);
  const { jobs } = whole ? { jobs: [] } : await jobsTogether(pack, together, answers, db);
  const codes = (what: string) => together.filter((each) => each.what === what).map(({ part }) => part.code);
  const moved = new Set(await db.movements.toCollection().primaryKeys());
  const pictured = new Set(await db.photos.toCollection().primaryKeys());
  return {
    content: pack.content,
    exportedAt: pack.exportedAt,
    whole,
    jobs: whole
      ? pack.jobs.map(({ id, file }) => added(id, file.job))
      : jobs.map(({ id, theirs, row, merge }): JobPreview => {
          if (!row || !merge) return added(id, theirs.job);
          const { arrived, questions, clash, forward } = merge;
          const isSame = equal(merge.job, row.job);
          const what = forward === 'mine' && arrived.length === 0 ? 'mine-newer' : 'together';
          return {
            ...added(id, theirs.job),
            what: isSame && questions.length === 0 && what === 'together' ? 'same' : what,
            arrived: arrived.length,
            questions,
            changed: changedPlan(row.job, merge.job),
            clash,
            mine: row.job,
          };
        }),
    parts: {
      added: whole ? (pack.shelf?.parts ?? []).map(({ code }) => code) : codes('added'),
      merged: codes('merged'),
      beside: codes('beside'),
      asked: together
        .filter(({ questions }) => questions.length > 0)
        .map(({ part, questions }) => ({ part, questions })),
    },
    movements: (pack.shelf?.movements ?? []).filter(({ id }) => !moved.has(id)).length,
    photos: pack.photos.filter(({ id }) => !pictured.has(id)).length,
  };
}

function added(id: string, job: Job): JobPreview {
  return {
    id,
    title: job.title,
    vehicle: job.vehicle.name,
    what: 'added',
    arrived: 0,
    questions: [],
    changed: [],
    clash: [],
    mine: null,
    theirs: job,
  };
}
