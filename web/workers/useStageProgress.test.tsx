import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { expect, it, vi } from 'vitest';
import type { VerdictState } from '../../core/judge/states.ts';
import type { Job } from '../../core/model/job.ts';
import { stageProgress } from '../../core/work/progress.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { useStageProgress } from './useStageProgress.ts';

/** A worker that answers when it is told to. */
const waiting: (() => void)[] = [];
vi.mock('./engine.ts', () => ({
  engine: () => ({
    stageProgress: (...asked: Parameters<typeof stageProgress>) =>
      new Promise((resolve) => waiting.push(() => resolve(stageProgress(...asked)))),
  }),
}));
const answer = () =>
  act(async () => {
    for (const each of waiting.splice(0)) each();
  });

it('says of no verdict that is being worked out anew that it holds, and keeps what else was counted', async () => {
  const queries = new QueryClient();
  const within = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  const fitted = demoJob('library-route-1');
  const { result, rerender } = renderHook(
    ({ job, state }: { job: Job; state: VerdictState | null }) => useStageProgress(job, DEMO_SHELF, state),
    { wrapper: within, initialProps: { job: fitted, state: 'holds' as VerdictState | null } },
  );
  const stage = (name: string) => result.current.data?.find((each) => each.stage === name);
  await waitFor(() => expect(waiting).toHaveLength(1));
  await answer();
  await waitFor(() => expect(stage('cure')).toMatchObject({ done: true, note: 'holds' }));
  const choose = stage('choose');
  // An edit: the verdict is on its way, and the worker has not answered.
  rerender({ job: { ...fitted, cures: {} }, state: null });
  expect(stage('cure')).toMatchObject({ done: false, note: 'judging' });
  expect(stage('choose')).toEqual(choose);
  rerender({ job: { ...fitted, cures: {} }, state: 'falls-short' });
  expect(stage('cure')?.done).toBe(false);
  await answer();
  await waitFor(() => expect(stage('cure')).toMatchObject({ done: false, note: 'falls short' }));
});
