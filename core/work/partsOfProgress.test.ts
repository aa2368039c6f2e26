import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { partsOfProgress } from './partsOfProgress.ts';
import { jobProgress } from './progress.ts';

describe('how far a job has come', () => {
  it.each(demoJobs().map((job) => [job.title, job] as const))(
    'is the same by the parts it hangs on as by the whole shelf: %s',
    (_, job) => {
      const few = partsOfProgress(job, DEMO_SHELF);
      expect(few.length).toBeLessThan(DEMO_SHELF.length);
      expect(jobProgress(job, few)).toEqual(jobProgress(job, DEMO_SHELF));
    },
  );
});
