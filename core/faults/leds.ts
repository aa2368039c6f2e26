import type { CircuitKind } from '../model/vehicle/circuit.ts';
import type { ControllerOutput } from '../model/vehicle/flasher.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import type { Fitment } from '../simulation/fitment.ts';
import type { Fitted } from './faultKind.ts';

/** Whether an LED is in a lamp. */
export function isLed({ contents }: Fitment, lampId: string): boolean {
  return contents.get(lampId)?.kind === 'led';
}

/** Circuits with an LED on outputs of a controller of which something is so, those of one kind together: they are driven alike. */
export function outputsOfAKind(
  { vehicle, fitment }: Fitted,
  is: (output: ControllerOutput) => boolean,
): string[][] {
  const { flasher } = fitment;
  if (flasher.kind !== 'controller') return [];
  const alike = new Map<CircuitKind, string[]>();
  for (const circuit of vehicle.circuits) {
    const output = flasher.outputs.find(({ circuitId }) => circuitId === circuit.id);
    if (!output || !is(output) || !lampIdsOf(circuit).some((id) => isLed(fitment, id))) continue;
    alike.set(circuit.kind, [...(alike.get(circuit.kind) ?? []), circuit.id]);
  }
  return [...alike.values()];
}
