import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { partRecords, sinceWhen } from '../../core/log/answers.ts';
import { type LogLine, logLines } from '../../core/log/lines.ts';
import type { Job } from '../../core/model/job.ts';
import { db } from '../store/db.ts';

/** All that was ever fitted, by every job that is here. */
export interface LogData {
  jobs: readonly Job[];
  lines: readonly LogLine[];
  /** when watching each vehicle began, as `sinceWhen` gives it */
  since: ReadonlyMap<string, string>;
  /** the same for the same state of all jobs: what was worked out of them is kept under it */
  state: string;
}

/** The log as the store has it now; undefined until it is read, an error where it cannot be. */
export function useLog(): LogData | Error | undefined {
  const loaded = useLiveQuery(async () => {
    try {
      const [rows, shelf] = await Promise.all([
        db.jobs.where('deleted').equals(0).toArray(),
        db.parts.toArray(),
      ]);
      return { rows, shelf };
    } catch (error) {
      return error as Error;
    }
  }, []);
  return useMemo(() => {
    if (!loaded || loaded instanceof Error) return loaded;
    const jobs = loaded.rows.map(({ job }) => job);
    const state = loaded.rows.map(({ id, rev }) => `${id}${rev ?? 0}`).join();
    return { jobs, lines: logLines(jobs, loaded.shelf), since: sinceWhen(jobs), state };
  }, [loaded]);
}

const NONE: ReadonlyMap<string, string> = new Map();

/** What was fitted of each part so far and what came back of it, in a few words, by its id. */
export function usePartRecords(): ReadonlyMap<string, string> {
  const log = useLog();
  return useMemo(
    // Whatever cannot be read is told of by the screen itself.
    () =>
      log && !(log instanceof Error) ? partRecords(log.lines, log.since, new Date().toISOString()) : NONE,
    [log],
  );
}
