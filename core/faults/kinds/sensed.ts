import { sensedOn } from '../../model/vehicle/brakeSense.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { isLed } from '../leds.ts';
import { ODD_WHILE_ON } from '../odd.ts';

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
  ...ODD_WHILE_ON,
};
