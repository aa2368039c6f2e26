import { Transient } from '../../circuit/engine/transient.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { contactsOf } from '../../vehicle/contacts.ts';
import { outputOf } from '../../vehicle/controls.ts';
import { coupledCircuits } from '../../vehicle/coupled.ts';
import type { Fitment } from '../../vehicle/fitment.ts';
import { ELEMENTS } from '../../vehicle/places.ts';
import { controlsFor } from '../../vehicle/steadyNetwork.ts';
import { vehicleNetlist } from '../../vehicle/vehicleNetlist.ts';

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
export function inrushOf(vehicle: Vehicle, fitment: Fitment, circuit: Circuit, emfVolts: number): Inrush {
  const controls = controlsFor(circuit);
  const netlist = vehicleNetlist(vehicle, fitment, {
    emfVolts,
    controls,
    circuits: coupledCircuits(vehicle, [circuit.id], { earths: false }),
    fusesHold: true,
  });
  const wire = ELEMENTS.wire(circuit.id);
  let peakAmps = 0;
  const run = new Transient(netlist, contactsOf(vehicle, fitment, controls, true), {
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
