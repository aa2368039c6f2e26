import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { LooseResistor } from '../../wiring/looseResistors.ts';
import type { FitStep } from './fitStep.ts';

/** Mounting a resistor and joining it: drilled before anything is put back. */
export function resistorSteps({ habits }: Job, lamp: Lamp, loose: LooseResistor): FitStep[] {
  const { id, network, feed, proof } = loose;
  const shared = { lampId: lamp.id, openingId: lamp.access.group, load: { network, feed, proof } };
  return [
    {
      ...shared,
      id: `mount-${id}`,
      kind: 'mount',
      about: { of: 'mount', lamp, loose },
      minutes: [4, 10],
      timedAs: 'mount',
    },
    {
      ...shared,
      id: `tap-${id}`,
      kind: 'tap',
      about: { of: 'tap', lamp, loose, tapsInside: habits?.joints === 'taps-inside' },
      minutes: [4, 9],
      timedAs: 'tap',
    },
  ];
}

/** A resistor on a plug of its own. */
export function harnessStep(shelf: Shelf, lamp: Lamp, loose: LooseResistor): FitStep {
  const { network, feed, proof } = loose;
  const code = shelf.find(({ id }) => id === network.pieces[0]?.partId)?.code ?? null;
  return {
    id: `harness-${lamp.id}`,
    kind: 'harness',
    about: { of: 'harness', lamp, loose, code },
    lampId: lamp.id,
    openingId: lamp.access.group,
    minutes: [4, 9],
    timedAs: 'harness',
    load: { network, feed, proof },
  };
}
