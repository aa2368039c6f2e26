import { type Sensed, sensedOn } from '../../model/vehicle/brakeSense.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { CONTROLS_OFF } from '../../simulation/controls.ts';
import { VehicleSimulation } from '../../simulation/vehicleSimulation.ts';
import { chargingVolts } from '../workingPoints.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** A sensed wire that is not held down with the pedal up, V. */
export type SenseFinding = FindingOf<
  'sense',
  { unit: string; isRead: boolean; heldVolts: number; underVolts: number }
>;

/**
 * With the pedal up the unit's pull-up must find the wire tied to earth, resistors at the high end of theirs too. Where
 * nobody has looked whether a unit reads it, it is asked as if one did, and what that says is said with an if.
 */
export function senseRequirement(scene: Scene): SenseFinding[] {
  const { vehicle, circuit } = scene;
  const sensed = sensedOn(vehicle, circuit);
  if (!sensed) return [];
  const { input, known } = sensed;
  const held = heldVolts(scene, sensed);
  if (held <= input.heldUnderVolts) return [];
  return [
    {
      requirement: 'sense',
      state: known ? 'falls-short' : 'either-way',
      unit: input.what,
      isRead: known,
      heldVolts: held,
      underVolts: input.heldUnderVolts,
    },
  ];
}

function heldVolts({ vehicle, circuit, fitted, tolerance }: Scene, { input, known }: Sensed): number {
  const { simulation } = fitted;
  const read = known
    ? simulation
    : new VehicleSimulation(withSense(vehicle, circuit, input), simulation.fitment, simulation.strikes);
  return read
    .at(
      {
        controls: { ...CONTROLS_OFF, key: 'on' },
        emfVolts: chargingVolts(vehicle.systemVolts),
        resistorFactor: 1 + tolerance,
      },
      [circuit.id],
    )
    .busVolts(circuit.id);
}

function withSense(vehicle: Scene['vehicle'], { id }: Circuit, sense: Sensed['input']): Scene['vehicle'] {
  const circuits = vehicle.circuits.map((each) => (each.id === id ? { ...each, sense } : each));
  return { ...vehicle, circuits };
}
