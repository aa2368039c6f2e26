import { Button } from '@mantine/core';
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
        {step.load?.feed}: {wireWords(step.load?.proof.feed ?? null)}. On the wrong wire the resistor does
        nothing for the flash, or heats for hours.
      </p>
      <div className={classes.choices}>
        <Button size="lg" onClick={onProve}>
          Prove it now by meter
        </Button>
        <Button size="lg" variant="default" onClick={onDone}>
          Done, unproved: the owner’s page says so
        </Button>
      </div>
    </Dialog>
  );
}
