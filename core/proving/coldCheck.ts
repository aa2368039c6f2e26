import type { VerdictState } from '../judge/states.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { controlsFor } from '../simulation/moment.ts';
import type { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import type { Drawn } from './outcome.ts';
import type { Watching } from './watching.ts';

/** What a controller finds of lamps it tests in the dark, each with its own first look from cold. */
export function coldChecked(
  {
    simulation,
    sound,
    watching,
  }: { simulation: VehicleSimulation; sound: VehicleSimulation; watching: Watching },
  circuits: readonly Circuit[],
  emfVolts: number,
  outcome: { messages: Set<string>; maybe: Set<string> },
): void {
  const { flasher } = simulation.fitment;
  if (flasher.kind !== 'controller') return;
  for (const circuit of circuits) {
    const output = flasher.outputs.find(({ circuitId }) => circuitId === circuit.id);
    if (!output?.coldCheck || !output.watch) continue;
    const controls = controlsFor(circuit);
    const lookSeconds = output.coldCheck.pulseSeconds;
    const lookAt = (at: VehicleSimulation): Drawn => {
      const probes = at.lookAfter(lookSeconds, { controls, emfVolts }, [circuit.id]);
      return { circuit, amps: probes.wireAmps(circuit.id), repeaterAmps: 0 };
    };
    const drawn = [lookAt(simulation)];
    const fitted = simulation === sound ? drawn : [lookAt(sound)];
    const tells = watching.tells(circuit, simulation.vehicle, flasher);
    if (tells === 'no') continue;
    const state = watching.state({ circuit, drawn, fitted, controls, emfVolts, flasher, lookSeconds });
    tell(tells === 'maybe' && state === 'falls-short' ? 'either-way' : state, circuit.id, outcome);
  }
}

/** Writes down what the dash says of one circuit, in place of what it said before. */
export function tell(
  state: VerdictState,
  circuitId: string,
  { messages, maybe }: { messages: Set<string>; maybe: Set<string> },
): void {
  messages.delete(circuitId);
  maybe.delete(circuitId);
  if (state === 'falls-short') messages.add(circuitId);
  if (state === 'either-way') maybe.add(circuitId);
}
