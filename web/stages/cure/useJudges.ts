import { useMemo, useRef } from 'react';
import { JobAnalysis } from '../../../core/judge/analysis.ts';
import { Judge } from '../../../core/judge/judge.ts';
import type { Configuration } from '../../../core/model/job.ts';
import { useDesk } from '../../job/workspace.ts';

/**
 * The vehicle in its three configurations, ready to be asked for one moment at a time as a slider is dragged; whole
 * verdicts come from the worker. Built again only when something they depend on has changed.
 */
export function useJudges(): Record<Configuration, Judge> {
  const { job, shelf } = useDesk();
  const { vehicle, identified, chosen, cures, vehicleCures, findings } = job;
  const { lamps } = job.lookOver;
  // What follows from vehicle and bulbs alone is taken over from edit to edit.
  const known = useRef<JobAnalysis | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what of a job they depend on, and no more
  return useMemo(() => {
    const before = known.current?.shelf === shelf ? known.current : null;
    const analysis = new JobAnalysis(job, shelf, before);
    known.current = analysis;
    const of = (configuration: Configuration) => new Judge(analysis, configuration);
    return { stock: of('stock'), leds: of('leds'), cured: of('cured') };
  }, [vehicle, identified, lamps, chosen, cures, vehicleCures, findings, shelf]);
}
