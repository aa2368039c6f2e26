import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Shelf } from '../../core/model/part.ts';
import type { QuickAnswer } from '../../core/quick/answer.ts';
import type { QuickCure } from '../../core/quick/cure.ts';
import type { Look } from '../../core/quick/looks.ts';
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

/** What would settle what an answer leaves open; it comes after the answer. */
export function useQuickLook(question: QuickQuestion, answer: QuickAnswer | undefined) {
  return useQuery<Look | null>({
    queryKey: ['quick-look', answer ? revisionOf(answer) : 0],
    queryFn: () => {
      if (!answer) throw new Error('a look needs an answer first');
      return engine().quickLook(question, answer);
    },
    placeholderData: keepPreviousData,
    enabled: answer !== undefined,
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
