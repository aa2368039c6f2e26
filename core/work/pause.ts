import type { StepRecord } from '../model/job.ts';
import { LONGEST_PAUSE } from '../model/longestPause.ts';

/**
 * Ends the pause of a step: what it took is no work. A clock that was set back meanwhile makes it none.
 *
 * @param now moment it ends, ISO 8601
 */
export function settlePause(record: StepRecord, now: string): void {
  if (!record.pausedAt) return;
  const seconds = Math.max(0, (Date.parse(now) - Date.parse(record.pausedAt)) / 1000);
  record.pausedSeconds = Math.min(LONGEST_PAUSE, (record.pausedSeconds ?? 0) + seconds);
  delete record.pausedAt;
}
