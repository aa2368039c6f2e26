import { sensedOn } from '../../model/vehicle/brakeSense.ts';
import { circuitById, lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { isOn } from '../../simulation/bearing.ts';
import { type FaultKindOf, SHOWS_NOTHING } from '../faultKind.ts';
import { isLed } from '../leds.ts';

/** A stop wire that a control unit reads, or may read, and that misses its filament. */
export interface Sensed {
  kind: 'sensed';
  circuitId: string;
}

export const sensed: FaultKindOf<Sensed> = {
  prior: 5,
  minutes: [3, 10],
  natures: ['with-leds'],
  of: ({ vehicle, fitment }) =>
    vehicle.circuits.flatMap((circuit): Sensed[] =>
      lampIdsOf(circuit).some((id) => isLed(fitment, id)) && sensedOn(vehicle, circuit)
        ? [{ kind: 'sensed', circuitId: circuit.id }]
        : [],
    ),
  where: ({ circuitId }) => circuitId,
  lampIds: ({ circuitId }, vehicle) => lampIdsOf(circuitById(vehicle, circuitId)),
  circuitIds: ({ circuitId }) => [circuitId],
  shows: ({ circuitId }, { vehicle, controls }) =>
    isOn(circuitById(vehicle, circuitId), controls)
      ? { sure: [], maybe: [`odd ${circuitId}`] }
      : SHOWS_NOTHING,
};
