import type { StepRecord } from '../../../../core/model/job.ts';
import { settlePause } from '../../../../core/work/pause.ts';
import type { FitStep } from '../../../../core/work/steps/fitStep.ts';
import { useDesk } from '../../../job/workspace.ts';

const EMPTY: StepRecord = { doneAt: null, note: '' };

/** What can be done with a step: each is an edit that can be undone. */
export function useStepActs() {
  const { edit } = useDesk();
  const change = (step: FitStep, label: string, act: (record: StepRecord) => void, mergeKey?: string) =>
    edit(
      `${label}: ${step.title}`,
      (draft) => {
        const record = draft.fit[step.id] ?? { ...EMPTY };
        act(record);
        draft.fit[step.id] = record;
      },
      mergeKey ? { mergeKey: `${mergeKey}-${step.id}` } : {},
    );
  return {
    /** Done; the clock of the step that follows starts. */
    done: (step: FitStep, following: FitStep | undefined) =>
      edit(`Done: ${step.title}`, (draft) => {
        const now = new Date().toISOString();
        const record = draft.fit[step.id] ?? { ...EMPTY };
        settlePause(record, now);
        record.doneAt = now;
        delete record.waitingFor;
        draft.fit[step.id] = record;
        if (!following) return;
        const next = draft.fit[following.id] ?? { ...EMPTY };
        if (!next.doneAt) next.startedAt ??= now;
        draft.fit[following.id] = next;
      }),
    notDone: (step: FitStep) => change(step, 'Not done', (record) => void (record.doneAt = null)),
    start: (step: FitStep) =>
      change(step, 'Begun', (record) => void (record.startedAt = new Date().toISOString())),
    pause: (step: FitStep) =>
      change(step, 'Pause', (record) => void (record.pausedAt = new Date().toISOString())),
    resume: (step: FitStep) =>
      change(step, 'Go on', (record) => settlePause(record, new Date().toISOString())),
    tick: (step: FitStep, what: string, ticked: boolean) =>
      change(step, ticked ? `Ticked ${what}` : `Not ticked ${what}`, (record) => {
        const others = (record.ticks ?? []).filter((each) => each !== what);
        record.ticks = ticked ? [...others, what] : others;
        if (ticked) record.startedAt ??= new Date().toISOString();
      }),
    /** What some steps wait for: of one lamp or panel all that are not done, so that the rest goes on. */
    wait: (step: FitStep, others: readonly FitStep[], what: string) =>
      edit(
        `Waits: ${step.title}`,
        (draft) => {
          for (const { id } of [step, ...others]) {
            const record = draft.fit[id] ?? { ...EMPTY };
            if (record.doneAt) continue;
            if (what) record.waitingFor = what;
            else delete record.waitingFor;
            draft.fit[id] = record;
          }
        },
        { mergeKey: `wait-${step.id}` },
      ),
    trouble: (step: FitStep, what: string) =>
      change(
        step,
        'Trouble',
        (record) => {
          if (what) record.trouble = what;
          else delete record.trouble;
        },
        'trouble',
      ),
    note: (step: FitStep, note: string) => change(step, 'Note', (record) => void (record.note = note), 'fit'),
    lose: (step: FitStep, what: string, count: number) =>
      edit(`To buy: ${what}`, (draft) => {
        draft.lost = [
          ...(draft.lost ?? []),
          { id: `lost-${crypto.randomUUID()}`, at: new Date().toISOString(), what, count, stepId: step.id },
        ];
      }),
    find: (lostId: string) =>
      edit('Found again', (draft) => {
        draft.lost = (draft.lost ?? []).filter(({ id }) => id !== lostId);
      }),
  };
}
