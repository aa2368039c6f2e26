import type { DashEvent } from '../devices/device.ts';
import { ELEMENTS, NODES } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type Controls, wanted } from '../simulation/controls.ts';
import type { VehiclePlay } from '../simulation/vehicleRun.ts';

/** What control units read off lamp wires: the brake's sense input with the pedal up, the alternator's start. */
export function senseEvents(vehicle: Vehicle, controls: Controls, play: VehiclePlay): DashEvent[] {
  const events: DashEvent[] = [];
  const has = new Set(play.netlist.elements.map((element) => element.id));
  for (const circuit of vehicle.circuits) {
    if (!has.has(ELEMENTS.wire(circuit.id))) continue;
    const { sense, excite } = circuit;
    if (sense && controls.key !== 'off' && !wanted(circuit, controls)) {
      const held = play.circuit.nodeVolts(NODES.bus(circuit.id));
      if (held > sense.heldUnderVolts) {
        events.push({
          kind: 'sense',
          seconds: play.seconds,
          circuitId: circuit.id,
          unit: sense.what,
          heldVolts: held,
          underVolts: sense.heldUnderVolts,
        });
      }
    }
    if (excite && controls.key === 'on') {
      const flows = play.circuit.amps(ELEMENTS.wire(circuit.id));
      if (flows < excite.amps) {
        events.push({
          kind: 'charge',
          seconds: play.seconds,
          circuitId: circuit.id,
          amps: flows,
          neededAmps: excite.amps,
        });
      }
    }
  }
  return events;
}
