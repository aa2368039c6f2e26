import { circuitsOf } from '../../model/vehicle/lookUp.ts';
import { isOn } from '../../simulation/bearing.ts';
import { type FaultKindOf, SHOWS_NOTHING } from '../faultKind.ts';
import { AT_LAMP } from '../sites.ts';

/** A seal, grommet or cover that lets water in: no circuit tells of it. */
export interface Wet {
  kind: 'wet';
  lampId: string;
}

export const wet: FaultKindOf<Wet> = {
  prior: 3,
  minutes: [2, 6],
  natures: ['water'],
  of: ({ vehicle }) =>
    vehicle.lamps
      .filter(({ id }) => circuitsOf(vehicle, id).length > 0)
      .map(({ id }) => ({ kind: 'wet', lampId: id })),
  ...AT_LAMP,
  shows: ({ lampId }, { vehicle, controls }) =>
    circuitsOf(vehicle, lampId).some((circuit) => isOn(circuit, controls))
      ? { sure: [], maybe: [`${lampId} wet`] }
      : SHOWS_NOTHING,
};
