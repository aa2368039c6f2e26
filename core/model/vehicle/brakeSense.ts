import type { Circuit, SenseInput } from './circuit.ts';
import type { Vehicle, VehicleKind } from './vehicle.ts';

/** Kinds and years in which a control unit was ever met that reads the brake pedal through a lamp (common practice). */
const MAY_HAVE: readonly VehicleKind[] = ['car', 'van', 'minibus'];
const SINCE = 1985;
/** A pull-up and a threshold as control units mostly have them (typical). */
const TYPICAL_SENSE: SenseInput = { what: 'brake pedal input', pullUpOhms: 2200, heldUnderVolts: 1 };

/** A sense input of a circuit, and whether it is known to be there or only may be. */
export interface Sensed {
  input: SenseInput;
  known: boolean;
}

/** Whether brake lamps of that vehicle may be read by a control unit at all: by its kind, its age, its gearbox. */
export function mayReadBrake({ kind, year, facts, circuits }: Vehicle): boolean {
  return (
    MAY_HAVE.includes(kind) &&
    year >= SINCE &&
    facts?.gearbox !== 'manual' &&
    circuits.some((circuit) => circuit.kind === 'stop' || circuit.kind === 'third-brake')
  );
}

/** The circuit a control unit reads the pedal on, if one does: the third brake lamp's where there is one. */
export function brakeSenseCircuit({ circuits }: Vehicle): Circuit | undefined {
  return (
    circuits.find((each) => each.kind === 'third-brake') ?? circuits.find((each) => each.kind === 'stop')
  );
}

/** What reads the wire of a circuit with the pedal up, known or possible; null where nothing does. */
export function sensedOn(vehicle: Vehicle, circuit: Circuit): Sensed | null {
  if (circuit.sense) return { input: circuit.sense, known: true };
  const open =
    mayReadBrake(vehicle) &&
    vehicle.facts?.brakeSensed === undefined &&
    brakeSenseCircuit(vehicle)?.id === circuit.id &&
    vehicle.circuits.every((each) => !each.sense);
  return open ? { input: TYPICAL_SENSE, known: false } : null;
}

/** Writes into a vehicle whether a control unit reads the pedal. */
export function setBrakeSense(vehicle: Vehicle, sensed: boolean): void {
  if (!sensed) {
    for (const each of vehicle.circuits) delete each.sense;
    return;
  }
  const circuit = brakeSenseCircuit(vehicle);
  if (circuit) circuit.sense ??= { ...TYPICAL_SENSE };
}
