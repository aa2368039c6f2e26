import type { Circuit } from '../model/vehicle/circuit.ts';
import { ELEMENTS } from '../model/vehicle/netlistNames.ts';
import { outputOf } from './controls.ts';
import { controlsFor } from './moment.ts';
import type { VehicleSimulation } from './vehicleSimulation.ts';

/** What a circuit draws when it comes on from cold. */
export interface Inrush {
  peakAmps: number;
  /** what its output finds over a limit when it looks; null where it stays on, or nothing looks */
  trips: { amps: number; limitAmps: number; atSeconds: number } | null;
}

/** Looked at so long where nothing of the vehicle looks, s. */
const LOOKS_SECONDS = 0.12;

/**
 * A circuit switched on from cold, its filaments cold and its capacitors empty, and looked at as its output does.
 *
 * @throws NoSolutionError when the circuit cannot be solved
 */
export function inrushOf(simulation: VehicleSimulation, circuit: Circuit, emfVolts: number): Inrush {
  const { vehicle } = simulation;
  const wire = ELEMENTS.wire(circuit.id);
  let peakAmps = 0;
  const { run } = simulation.inTime(controlsFor(circuit), emfVolts, {
    about: [circuit.id],
    fusesHold: true,
    record: (_, solved) => {
      peakAmps = Math.max(peakAmps, solved.amps(wire));
    },
  });
  const output = outputOf(vehicle, circuit);
  const looks = [
    ...(output?.inrush ? [{ atSeconds: output.inrush.seconds, limitAmps: output.inrush.amps }] : []),
    { atSeconds: output?.blankingSeconds ?? LOOKS_SECONDS, limitAmps: output?.limitAmps ?? Infinity },
  ];
  for (const look of looks) {
    run.advanceTo(look.atSeconds);
    const amps = run.circuit.amps(wire);
    if (amps > look.limitAmps) return { peakAmps, trips: { ...look, amps } };
  }
  return { peakAmps, trips: null };
}
