import { circuitById, lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { isOn } from '../../simulation/bearing.ts';
import { dutyOf, outputOf } from '../../simulation/controls.ts';
import { type FaultKindOf, SHOWS_NOTHING } from '../faultKind.ts';
import { isLed, outputsOfAKind } from '../leds.ts';
import { ON_CIRCUITS } from '../sites.ts';

/** Outputs of one kind that are pulsed, or nobody knows whether they are, and LEDs that follow. */
export interface Pulsed {
  kind: 'pulsed';
  /** tail left and tail right: what pulses one pulses the other */
  circuitIds: readonly string[];
}

export const pulsed: FaultKindOf<Pulsed> = {
  prior: 5,
  minutes: [2, 6],
  natures: ['with-leds'],
  of: (fitted) =>
    outputsOfAKind(fitted, ({ notPulsed }) => !notPulsed).map((circuitIds) => ({
      kind: 'pulsed',
      circuitIds,
    })),
  ...ON_CIRCUITS,
  atLamp: true,
  shows: ({ circuitIds }, { vehicle, fitment, controls, emfVolts }) => {
    const seen = circuitIds.flatMap((id) => {
      const circuit = circuitById(vehicle, id);
      const output = outputOf(vehicle, circuit);
      // An output that is told to give all it has does not pulse.
      const steady = output?.pwm !== undefined && dutyOf(circuit, output, controls, emfVolts) >= 1;
      return isOn(circuit, controls) && !steady
        ? lampIdsOf(circuit).filter((lampId) => isLed(fitment, lampId))
        : [];
    });
    return seen.length === 0
      ? SHOWS_NOTHING
      : { sure: [...new Set(seen)].map((id) => `${id} flickers` as const).toSorted(), maybe: [] };
  },
};
