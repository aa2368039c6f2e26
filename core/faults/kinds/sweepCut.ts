import { circuitsOf } from '../../model/vehicle/lookUp.ts';
import { isOn } from '../../simulation/bearing.ts';
import { type FaultKindOf, SHOWS_NOTHING } from '../faultKind.ts';
import { AT_LAMP } from '../sites.ts';

/** A flash too fast for a sequential lamp to light its last segment. */
export interface SweepCut {
  kind: 'sweep';
  lampId: string;
}

export const sweepCut: FaultKindOf<SweepCut> = {
  prior: 3,
  minutes: [1, 3],
  natures: ['with-leds'],
  of: ({ vehicle, lamps }) =>
    lamps.flatMap(({ lamp, led }): SweepCut[] =>
      led?.sweep && circuitsOf(vehicle, lamp.id).some(({ kind }) => kind === 'turn')
        ? [{ kind: 'sweep', lampId: lamp.id }]
        : [],
    ),
  ...AT_LAMP,
  shows: ({ lampId }, { vehicle, controls }) =>
    circuitsOf(vehicle, lampId).some((circuit) => circuit.kind === 'turn' && isOn(circuit, controls))
      ? { sure: [], maybe: [`${lampId} unfinished`] }
      : SHOWS_NOTHING,
};
