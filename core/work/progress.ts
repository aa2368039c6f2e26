import { pickLines } from '../inventory/picklist.ts';
import { flashRule } from '../judge/flashRule.ts';
import type { VerdictState } from '../judge/states.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { jobLamps, scopeLamps } from '../model/scope.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { curedState } from '../possible/verdicts.ts';
import { handOverPage } from '../record/handOver.ts';
import { proofsOf } from '../record/observations.ts';
import { fitSteps } from './fitSteps.ts';
import type { Stage, StageProgress } from './stages.ts';
import { stepDone } from './steps/stepState.ts';

/**
 * What each stage still has open of the lamps a job converts and of those it can disturb.
 *
 * @param curedState the verdict of the whole vehicle as planned, with its cures; null while it is worked out
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function stageProgress(job: Job, shelf: Shelf, curedState: VerdictState | null): StageProgress[] {
  // What the job adds is not there to be looked at, and is chosen where it is added.
  const lamps = jobLamps(job).filter(({ added }) => !added);
  const wanted = scopeLamps(job).filter(({ added }) => !added);
  // An LED from the works has no bulb to read.
  const worked = lamps.filter(({ id, works }) => works && job.identified[id] === undefined).length;
  const counted = (stage: Stage, count: number, of: number): StageProgress => ({
    stage,
    // Nothing to do is not done: a job that converts nothing yet has every stage before it.
    done: of > 0 && count >= of,
    note: of > 0 ? `${count} of ${of}` : 'nothing yet',
  });
  const of = (record: Readonly<Record<string, unknown>>, among: readonly Lamp[]) =>
    among.filter(({ id }) => record[id] !== undefined).length;
  const steps = fitSteps(job, shelf);
  const stepsDone = steps.filter((step) => stepDone(job, step)).length;
  const proofs = proofsOf(job, flashRule(job.vehicle.region));
  const missing = handOverPage(job, shelf).missing.length;
  return [
    counted('look-over', of(job.lookOver.lamps, lamps), lamps.length),
    counted('identify', of(job.identified, lamps) + worked, lamps.length),
    counted('choose', of(job.chosen, wanted), wanted.length),
    cureProgress(job, curedState),
    pickProgress(job, shelf),
    steps.length === 0
      ? { stage: 'fit', done: false, note: 'nothing yet' }
      : counted('fit', stepsDone, steps.length),
    counted('prove', proofs.filter(({ proved }) => proved).length, proofs.length),
    {
      stage: 'hand-over',
      done: job.handOver.filedAt !== null,
      note: job.handOver.filedAt !== null ? 'filed' : missing > 0 ? `${missing} open` : 'ready',
    },
  ];
}

function cureProgress(job: Job, state: VerdictState | null): StageProgress {
  const converted = Object.values(job.chosen).some((id) => id !== null);
  if (!converted) return { stage: 'cure', done: false, note: 'no LEDs yet' };
  if (state === null) return { stage: 'cure', done: false, note: 'judging' };
  const words: Record<VerdictState, string> = {
    holds: 'holds',
    'either-way': 'either way',
    'falls-short': 'falls short',
    'too-much': 'too much',
  };
  return { stage: 'cure', done: state === 'holds', note: words[state] };
}

function pickProgress(job: Job, shelf: Shelf): StageProgress {
  const lines = pickLines(job, shelf);
  const toBuy = lines.filter((line) => line.toBuy > 0).length;
  if (lines.length === 0) return { stage: 'pick', done: false, note: 'nothing yet' };
  return {
    stage: 'pick',
    done: toBuy === 0,
    note: toBuy === 0 ? `${lines.length} parts` : `${toBuy} to buy`,
  };
}

/** How far a job has come, its verdict worked out; null where it names a part that is gone. */
export function jobProgress(job: Job, shelf: Shelf): StageProgress[] | null {
  try {
    return stageProgress(job, shelf, curedState(job, shelf));
  } catch {
    return null;
  }
}
