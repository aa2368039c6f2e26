import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { makeSafeWords } from '../../../../core/words/work/makeSafe.ts';
import type { FitStep } from '../../../../core/work/steps/fitStep.ts';
import { makeSafe } from '../../../../core/work/steps/makeSafe.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Caution } from '../../../ui/Caution.tsx';
import { Dialog } from '../../../ui/Dialog.tsx';
import classes from './MakeSafe.module.css';

/** Rain, or the vehicle is needed tonight: what to insulate and put back, and what must not be driven so. */
export function MakeSafeDialog({
  steps,
  at,
  onClose,
}: {
  steps: readonly FitStep[];
  at: FitStep;
  onClose(): void;
}) {
  const { job, shelf, edit } = useDesk();
  const safe = useMemo(() => {
    const found = makeSafe(job, steps);
    return { ...makeSafeWords(found, job, shelf), minutes: found.minutes };
  }, [job, steps, shelf]);
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const [low, high] = safe.minutes.map(Math.round) as [number, number];
  const leave = () => {
    edit('Left off, made safe', (draft) => {
      draft.leftOff = {
        at: new Date().toISOString(),
        stepId: at.id,
        note: safe.acts.join('\n').slice(0, 4000),
      };
    });
    onClose();
  };
  return (
    <Dialog title="Make safe and go" onClose={onClose}>
      {high > 0 && (
        <p className="faint">
          {low} to {high} min, typical. The job goes on here when you are back.
        </p>
      )}
      <ol className={classes.acts}>
        {safe.acts.map((act) => (
          <li key={act}>
            <label>
              <input
                type="checkbox"
                checked={done.has(act)}
                onChange={() =>
                  setDone((now) => {
                    const next = new Set(now);
                    if (!next.delete(act)) next.add(act);
                    return next;
                  })
                }
              />
              <span>{act}</span>
            </label>
          </li>
        ))}
      </ol>
      {safe.warnings.map((warning) => (
        <Caution key={warning}>{warning}</Caution>
      ))}
      <Button fullWidth size="lg" mt={12} onClick={leave}>
        Leave off here
      </Button>
    </Dialog>
  );
}
