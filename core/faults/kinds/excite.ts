import { circuitById, lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { isOn } from '../../simulation/bearing.ts';
import { type FaultKindOf, SHOWS_NOTHING } from '../faultKind.ts';

/** A charge lamp that passes too little current to start the alternator. */
export interface Excite {
  kind: 'excite';
  circuitId: string;
}

export const excite: FaultKindOf<Excite> = {
  prior: 5,
  minutes: [2, 6],
  natures: ['with-leds'],
  of: ({ vehicle }) =>
    vehicle.circuits.flatMap((circuit): Excite[] =>
      circuit.excite ? [{ kind: 'excite', circuitId: circuit.id }] : [],
    ),
  where: ({ circuitId }) => circuitId,
  lampIds: ({ circuitId }, vehicle) => lampIdsOf(circuitById(vehicle, circuitId)),
  circuitIds: ({ circuitId }) => [circuitId],
  shows: ({ circuitId }, { vehicle, controls }) =>
    isOn(circuitById(vehicle, circuitId), controls)
      ? { sure: [], maybe: [`odd ${circuitId}`] }
      : SHOWS_NOTHING,
};
