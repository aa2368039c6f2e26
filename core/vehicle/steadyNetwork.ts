import { Circuit as SolvedCircuit } from '../circuit/engine/circuit.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { contactsOf } from './contacts.ts';
import { CONTROLS_OFF, type Controls } from './controls.ts';
import { coupledCircuits } from './coupled.ts';
import type { Fitment } from './fitment.ts';
import { ELEMENTS, NODES } from './places.ts';
import { vehicleNetlist } from './vehicleNetlist.ts';

/** How the driver's panel stands when a circuit is on. */
export function controlsFor({ kind, side }: Pick<Circuit, 'kind' | 'side'>): Controls {
  const on = { ...CONTROLS_OFF, key: 'on' as const };
  switch (kind) {
    case 'turn':
      return { ...on, turn: side };
    case 'stop':
    case 'third-brake':
      return { ...on, brake: true };
    case 'reverse':
      return { ...on, reverse: true };
    case 'front-fog':
    case 'rear-fog':
      return { ...on, lights: true, fog: true };
    case 'main-beam':
      return { ...on, lights: true, mainBeam: true };
    case 'interior':
      return { ...on, doors: true };
    case 'charge':
      return on;
    default:
      return { ...on, lights: true };
  }
}

/** One circuit that is on steadily (or resting), with whatever shares a bulb with it, ready to be asked for its current. */
export class SteadyNetwork {
  private readonly solved: SolvedCircuit;

  /** @throws RangeError when an LED's printed figures contradict each other */
  constructor(
    private readonly vehicle: Vehicle,
    private readonly fitment: Fitment,
    private readonly circuit: Circuit,
    private readonly controls: Controls = controlsFor(circuit),
  ) {
    const circuits = coupledCircuits(vehicle, [circuit.id], { earths: false });
    this.solved = new SolvedCircuit(
      vehicleNetlist(vehicle, fitment, { emfVolts: 12, controls, circuits, fusesHold: true }),
    );
  }

  /**
   * Current into the circuit, A; in the pulses where it is pulsed.
   *
   * @param without a lamp whose bulb is out
   * @throws NoSolutionError when no steady state exists
   */
  amps(emfVolts: number, without?: string): number {
    this.solve(emfVolts, without);
    return this.solved.amps(ELEMENTS.wire(this.circuit.id));
  }

  /**
   * Volts on the circuit's wire, V.
   *
   * @throws NoSolutionError when no steady state exists
   */
  busVolts(emfVolts: number): number {
    this.solve(emfVolts);
    return this.solved.nodeVolts(NODES.bus(this.circuit.id));
  }

  private solve(emfVolts: number, without?: string): void {
    this.solved.setControls(
      contactsOf(
        this.vehicle,
        this.fitment,
        this.controls,
        true,
        without === undefined ? [] : [{ kind: 'bulb-out', lampId: without }],
      ),
    );
    this.solved.setValue(ELEMENTS.battery, emfVolts);
    this.solved.solveSteady();
  }
}
