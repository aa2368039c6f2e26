import { useMemo, useRef } from 'react';
import { JobAnalysis } from '../../../core/judge/analysis.ts';
import { useDesk } from '../../job/workspace.ts';

/** What is known of the job in hand before anything is judged; made again only when what it depends on has changed. */
export function useAnalysis(): JobAnalysis {
  const { job, shelf } = useDesk();
  const { vehicle, identified, chosen, cures, vehicleCures, evidence } = job;
  const { lamps } = job.lookOver;
  // What follows from vehicle and bulbs alone is taken over from edit to edit.
  const known = useRef<JobAnalysis | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what of a job they depend on, and no more
  return useMemo(() => {
    const before = known.current?.shelf === shelf ? known.current : null;
    known.current = new JobAnalysis(job, shelf, before);
    return known.current;
  }, [vehicle, identified, lamps, chosen, cures, vehicleCures, evidence, shelf]);
}
