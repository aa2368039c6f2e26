import { Button } from '@mantine/core';
import { capital } from '../../../../core/formatting/format.ts';
import { wireWords } from '../../../../core/wiring/feedProof.ts';
import type { FitStep } from '../../../../core/work/steps/fitStep.ts';
import { Dialog } from '../../../ui/Dialog.tsx';
import classes from './UnprovedDialog.module.css';

/** A resistor on a feed nobody has proved: proved now, or done and said on the owner's page. */
export function UnprovedDialog({
  step,
  onClose,
  onProve,
  onDone,
}: {
  step: FitStep;
  onClose(): void;
  onProve(): void;
  onDone(): void;
}) {
  return (
    <Dialog title="The feed is not proved" onClose={onClose}>
      <p>
        {capital(step.load?.feed ?? '')}: {wireWords(step.load?.proof.feed ?? null)}. On the wrong wire the
        resistor does nothing for the flash, or heats for hours.
      </p>
      <div className={classes.choices}>
        <Button size="lg" onClick={onProve}>
          Prove it now by meter
        </Button>
        <Button size="lg" variant="default" onClick={onDone}>
          Done, unproved: the owner reads it
        </Button>
      </div>
    </Dialog>
  );
}
