import type { Job, StepRecord } from '../model/job.ts';
import type { FitStep } from './steps/fitStep.ts';

/** What steps of each kind were seen to take, minutes, from every job on record. */
export type LearntTimes = ReadonlyMap<string, readonly number[]>;

/** One time that was taken counts as much as so many of the guess it was planned with. */
const GUESS_COUNTS = 2;
/** A step nobody stopped for the night on, minutes. */
const LONGEST = 240;

/** How long a step took, pauses taken off, minutes; null where nobody timed it. */
export function minutesTaken({ startedAt, doneAt, pausedSeconds = 0 }: StepRecord): number | null {
  if (!startedAt || !doneAt) return null;
  const minutes = (Date.parse(doneAt) - Date.parse(startedAt)) / 60_000 - pausedSeconds / 60;
  return minutes > 0 && minutes <= LONGEST ? minutes : null;
}

/**
 * What was timed on some jobs, by the kind of opening and work.
 *
 * @param stepsOf the steps of a job; of one that can no longer be planned none
 */
export function learntTimes(jobs: readonly Job[], stepsOf: (job: Job) => readonly FitStep[]): LearntTimes {
  const found = new Map<string, number[]>();
  for (const job of jobs) {
    if (!Object.values(job.fit).some(({ startedAt }) => startedAt)) continue;
    for (const { id, timedAs } of stepsOf(job)) {
      const record = job.fit[id];
      const minutes = record ? minutesTaken(record) : null;
      if (minutes !== null) found.set(timedAs, [...(found.get(timedAs) ?? []), minutes]);
    }
  }
  return found;
}

/**
 * The range of a step with what was timed of its kind: the guess drawn towards the times on record, and as narrow as they
 * are (means and spread of the logarithms, the guess counted as two times).
 */
export function timed({ minutes, timedAs }: FitStep, times: LearntTimes): readonly [number, number] {
  const taken = times.get(timedAs) ?? [];
  const [low, high] = minutes;
  if (taken.length === 0 || low <= 0) return minutes;
  const logs = taken.map(Math.log);
  const guess = (Math.log(low) + Math.log(high)) / 2;
  const wide = (Math.log(high) - Math.log(low)) / 2;
  const total = GUESS_COUNTS + logs.length;
  const mean = (GUESS_COUNTS * guess + logs.reduce((sum, each) => sum + each, 0)) / total;
  const squares = logs.reduce((sum, each) => sum + (each - mean) ** 2, 0) + GUESS_COUNTS * wide ** 2;
  // Half the width of a range that holds about two in three, widened for what so few times leave open.
  const half = Math.sqrt(squares / total) * Math.sqrt(1 + 1 / total);
  return [Math.exp(mean - Math.min(half, wide)), Math.exp(mean + Math.min(half, wide))];
}
