import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { partRecords, sinceWhen } from '../../core/log/answers.ts';
import { logLines } from '../../core/log/lines.ts';
import { db } from '../store/db.ts';

const NONE: ReadonlyMap<string, string> = new Map();

/** What was fitted of each part so far and what came back of it, in a few words, by its id. */
export function usePartRecords(): ReadonlyMap<string, string> {
  const loaded = useLiveQuery(async () => {
    try {
      const [rows, parts] = await Promise.all([
        db.jobs.where('deleted').equals(0).toArray(),
        db.parts.toArray(),
      ]);
      return { jobs: rows.map(({ job }) => job), parts };
    } catch {
      // Whatever cannot be read is told of by the screen itself.
      return null;
    }
  }, []);
  return useMemo(
    () =>
      loaded
        ? partRecords(logLines(loaded.jobs, loaded.parts), sinceWhen(loaded.jobs), new Date().toISOString())
        : NONE,
    [loaded],
  );
}
