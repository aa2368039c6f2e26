import type { LogLine } from '../../../core/log/lines.ts';
import type { Job } from '../../../core/model/job.ts';

/** What every view of the log goes by. */
export interface LogData {
  jobs: readonly Job[];
  lines: readonly LogLine[];
  since: ReadonlyMap<string, string>;
  /** another text for each state of the jobs */
  state: string;
}
