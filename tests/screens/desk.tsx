import { MantineProvider } from '@mantine/core';
import { render, renderHook } from '@testing-library/react';
import { type ReactNode, useMemo, useState } from 'react';
import type { Job } from '../../core/model/job.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { type Desk, DeskContext } from '../../web/job/workspace.ts';
import { actOf } from '../../web/store/edits.ts';

/** What a desk holds of a job now, for a test to read. */
export interface DeskNow {
  job: Job;
  /** the labels of all edits made at it */
  labels: string[];
}

/** A desk with a job on it: edits change it as the store would, and the screen is drawn anew. */
function TestDesk({ job, now, children }: { job: Job; now: DeskNow; children: ReactNode }) {
  const [held, setHeld] = useState(job);
  const desk = useMemo(() => {
    const edit: Desk['edit'] = (label, recipe, options) => {
      const [changed] = actOf(label, recipe, options).change(now.job);
      now.job = changed;
      now.labels.push(label);
      setHeld(changed);
    };
    // Of a desk the pieces under test read these.
    return { job: held, shelf: DEMO_SHELF, edit, lamp: null, board: null } as unknown as Desk;
  }, [held, now]);
  return (
    <MantineProvider>
      <DeskContext value={desk}>{children}</DeskContext>
    </MantineProvider>
  );
}

/** Draws a piece of a job's screen at a desk of its own. */
export function drawn(job: Job, piece: ReactNode): DeskNow {
  const now: DeskNow = { job, labels: [] };
  render(
    <TestDesk job={job} now={now}>
      {piece}
    </TestDesk>,
  );
  return now;
}

/** Runs a hook at a desk of its own. */
export function atDesk<R>(job: Job, hook: () => R): { now: DeskNow; hook: { readonly current: R } } {
  const now: DeskNow = { job, labels: [] };
  const { result } = renderHook(hook, {
    wrapper: ({ children }: { children: ReactNode }) => (
      <TestDesk job={job} now={now}>
        {children}
      </TestDesk>
    ),
  });
  return { now, hook: result };
}
