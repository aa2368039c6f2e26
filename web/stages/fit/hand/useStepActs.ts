import { fitPieces, piecesOf, unfitPieces } from '../../../../core/inventory/jobPieces.ts';
import { takenKits } from '../../../../core/kits/jobKits.ts';
import type { StepRecord } from '../../../../core/model/job.ts';
import type { SaidStep } from '../../../../core/words/work/sayStep.ts';
import type { Tick } from '../../../../core/words/work/stepWords.ts';
import { settlePause } from '../../../../core/work/pause.ts';
import { settingTicked } from '../../../../core/work/steps/settingTicks.ts';
import { useDesk } from '../../../job/workspace.ts';
import { useBatches } from '../../../store/useBatches.ts';
import { writing } from '../../../store/writing.ts';

const EMPTY: StepRecord = { doneAt: null, note: '' };

/** What can be done with a step: each is an edit that can be undone. */
export function useStepActs() {
  const { job, shelf, edit } = useDesk();
  const batchOf = useBatches();
  const change = (step: SaidStep, label: string, act: (record: StepRecord) => void, mergeKey?: string) =>
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
    done: (step: SaidStep, following: SaidStep | undefined) =>
      edit(`Done: ${step.title}`, (draft) => {
        const now = new Date().toISOString();
        const record = draft.fit[step.id] ?? { ...EMPTY };
        settlePause(record, now);
        record.doneAt = now;
        delete record.waitingFor;
        draft.fit[step.id] = record;
        fitPieces(draft, step, piecesOf(job, shelf, takenKits(job, shelf), step), batchOf, writing());
        if (!following) return;
        const next = draft.fit[following.id] ?? { ...EMPTY };
        if (!next.doneAt) next.startedAt ??= now;
        draft.fit[following.id] = next;
      }),
    notDone: (step: SaidStep) =>
      edit(`Not done: ${step.title}`, (draft) => {
        const record = draft.fit[step.id] ?? { ...EMPTY };
        record.doneAt = null;
        draft.fit[step.id] = record;
        unfitPieces(draft, step, writing());
      }),
    start: (step: SaidStep) =>
      change(step, 'Begun', (record) => void (record.startedAt = new Date().toISOString())),
    pause: (step: SaidStep) =>
      change(step, 'Pause', (record) => void (record.pausedAt = new Date().toISOString())),
    resume: (step: SaidStep) =>
      change(step, 'Go on', (record) => settlePause(record, new Date().toISOString())),
    tick: (step: SaidStep, { id, label }: Tick, ticked: boolean) => {
      const said = ticked ? `Ticked ${label}` : `Not ticked ${label}`;
      if (settingTicked(job, step, id))
        return edit(`${said}: ${step.title}`, (draft) => {
          const told = settingTicked(draft, step, id);
          if (told) told.cure[told.tick] = ticked;
        });
      return change(step, said, (record) => {
        const others = (record.ticks ?? []).filter((each) => each !== id && each !== label);
        record.ticks = ticked ? [...others, id] : others;
        if (ticked) record.startedAt ??= new Date().toISOString();
      });
    },
    /** What some steps wait for: of one lamp or panel all that are not done, so that the rest goes on. */
    wait: (step: SaidStep, others: readonly SaidStep[], what: string) =>
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
    trouble: (step: SaidStep, what: string) =>
      change(
        step,
        'Trouble',
        (record) => {
          if (what) record.trouble = what;
          else delete record.trouble;
        },
        'trouble',
      ),
    note: (step: SaidStep, note: string) =>
      change(step, 'Note', (record) => void (record.note = note), 'fit'),
    lose: (step: SaidStep, what: string, count: number) =>
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
