import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Shelf } from '../../core/model/part.ts';
import type { QuickAnswer } from '../../core/quick/answer.ts';
import type { QuickCure } from '../../core/quick/cure.ts';
import type { QuickQuestion } from '../../core/quick/question.ts';
import { revisionOf } from './electrics.ts';
import { engine, tracer } from './engine.ts';

/** The answer of a quick check, worked out beside the screen; the last one stays until the next is there. */
export function useQuickAnswer(question: QuickQuestion, shelf: Shelf, at: string) {
  return useQuery<QuickAnswer>({
    queryKey: ['quick', question, at, revisionOf(shelf)],
    queryFn: () => engine().quickAnswer(question, shelf, 'quick', at),
    placeholderData: keepPreviousData,
  });
}

/** What can be done about it, searched by the other worker, so that a trial is never kept waiting. */
export function useQuickCure(answer: QuickAnswer | undefined) {
  const asked = answer?.asked;
  return useQuery<QuickCure>({
    queryKey: ['quick-cure', asked ? revisionOf(asked) : 0],
    queryFn: () => {
      if (!asked) throw new Error('a cure needs an answer first');
      return tracer().quickCure(asked);
    },
    enabled: asked !== undefined && answer?.state !== null && answer?.state !== 'holds',
  });
}
