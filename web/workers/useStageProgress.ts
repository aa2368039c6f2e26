import { useQuery } from '@tanstack/react-query';
import type { VerdictState } from '../../core/judge/states.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { StageProgress } from '../../core/work/stages.ts';
import { revisionOf } from './electrics.ts';
import { engine } from './engine.ts';

/** A stage as it stands while nobody knows the verdict. */
function unjudged(each: StageProgress): StageProgress {
  return each.stage === 'cure' && each.done ? { ...each, done: false, note: 'judging' } : each;
}

/**
 * What each stage of the open job still has to be done, counted in the worker.
 *
 * @param state the verdict of the whole vehicle; null while it is worked out, anew after an edit too
 */
export function useStageProgress(job: Job, shelf: Shelf, state: VerdictState | null) {
  return useQuery<StageProgress[]>({
    queryKey: ['stage-progress', revisionOf(job), revisionOf(shelf), state],
    queryFn: () => engine().stageProgress(job, shelf, state),
    // What was counted before stands till it is counted anew, but not that it holds while nobody knows that it does.
    placeholderData: (before) => (state === 'holds' ? before : before?.map(unjudged)),
  });
}
