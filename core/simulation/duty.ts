import type { PulsedFeed } from '../circuit/engine/netlist.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { LampInput } from '../model/vehicle/lamp.ts';
import { ELEMENTS } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type Controls, dutyOf, outputOf } from './controls.ts';

/** Share of the time a feed is on, of the circuits behind it the one that is on least. */
export function feedDuty(
  vehicle: Vehicle,
  feeders: readonly Circuit[],
  controls: Controls,
  emfVolts: number,
): number {
  return Math.min(
    1,
    ...feeders.map((circuit) => dutyOf(circuit, outputOf(vehicle, circuit), controls, emfVolts)),
  );
}

/** The wires of circuits whose output pulses or fades, each with its share of the time. */
export function pulsedWires(
  vehicle: Vehicle,
  circuits: readonly Circuit[],
  controls: Controls,
  emfVolts: number,
): PulsedFeed[] {
  return circuits.flatMap((circuit) => {
    const output = outputOf(vehicle, circuit);
    if (!output?.pwm && !output?.fadeSeconds) return [];
    return [{ elementId: ELEMENTS.wire(circuit.id), duty: dutyOf(circuit, output, controls, emfVolts) }];
  });
}

/** Element of the filament that one input of a lamp lights. */
export function filamentAt(lampId: string, input: LampInput): string {
  return input === 'main' ? ELEMENTS.bulb(lampId) : ELEMENTS.dimFilament(lampId);
}
