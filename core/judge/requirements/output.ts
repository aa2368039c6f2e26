import type { ControllerOutput, Flasher } from '../../model/vehicle/flasher.ts';
import { turnCircuits } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { type LimitCheck, limitCheck } from './limit.ts';

/** The controller outputs that drive turn lamps. */
export function turnOutputs(vehicle: Vehicle, flasher: Flasher): ControllerOutput[] {
  if (flasher.kind !== 'controller') return [];
  const turns = turnCircuits(vehicle).map((circuit) => circuit.id);
  return flasher.outputs.filter((output) => turns.includes(output.circuitId));
}

/** An output that switches off above its limit, against what it carries, A. */
export function outputLimit(name: string, { limitAmps }: ControllerOutput, carried: number): LimitCheck {
  return limitCheck({ kind: 'output' }, name, carried, limitAmps);
}
