import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type Controls, stopsThroughTurn, wanted } from './controls.ts';
import { coupledCircuits } from './coupled.ts';

/** Whether the driver's panel has a circuit carry current: asked for itself, or as the stop lamp of its filament. */
export function isOn(circuit: Circuit, controls: Controls): boolean {
  return wanted(circuit, controls) || stopsThroughTurn(circuit, controls);
}

/** Which circuits bear on which, found once a vehicle: every cure of a job asks for the same ones. */
export class Bearing {
  private readonly near = new Map<string, ReadonlySet<string>>();
  private readonly byEarth = new Map<string, ReadonlySet<string>>();

  constructor(private readonly vehicle: Vehicle) {}

  /** What shares a bulb or the pilot with some circuits, and of what else is on what shares an earth with them. */
  on(about: readonly string[], controls: Controls): readonly string[] {
    const key = about.join();
    const near = this.remember(this.near, key, about, false);
    const byEarth = this.remember(this.byEarth, key, about, true);
    return this.vehicle.circuits
      .filter((circuit) => near.has(circuit.id) || (byEarth.has(circuit.id) && isOn(circuit, controls)))
      .map((circuit) => circuit.id);
  }

  /** Everything some circuits hang together with, on or not, shared earths counted. */
  together(about: readonly string[]): ReadonlySet<string> {
    return this.remember(this.byEarth, about.join(), about, true);
  }

  private remember(
    known: Map<string, ReadonlySet<string>>,
    key: string,
    about: readonly string[],
    earths: boolean,
  ): ReadonlySet<string> {
    let found = known.get(key);
    if (!found) {
      found = coupledCircuits(this.vehicle, about, { earths });
      known.set(key, found);
    }
    return found;
  }
}
