import type { Circuit } from '../../model/vehicle/circuit.ts';
import { lampIdsOf, turnCircuits } from '../../model/vehicle/lookUp.ts';
import { isOn } from '../../simulation/bearing.ts';
import { dutyOf, flashingSides, outputOf } from '../../simulation/controls.ts';
import type { Moment } from '../../simulation/moment.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { contentAsText } from '../asText.ts';

/** What circuits were found to draw, by what is in their lamps and how they were asked. */
export class Memory {
  readonly amps = new Map<string, readonly number[]>();
  private readonly numbers = new Map<string, number>();

  /** A short name for a long description. */
  numberOf(text: string): number {
    let number = this.numbers.get(text);
    if (number === undefined) {
      number = this.numbers.size;
      this.numbers.set(text, number);
    }
    return number;
  }
}

/**
 * The current of each circuit in one moment. What shares neither bulb nor earth is solved apart, as if the battery were
 * its own: that loads a fuse a hair more than all together do. A cure of the turn lamps leaves all others as they were,
 * so that what they draw is remembered from one cure to the next.
 */
export class CircuitAmps {
  private readonly turnIds: readonly string[];
  private readonly fitted = new Map<string, number>();
  /** groups with resistors, whose tolerance counts */
  private readonly loaded = new Set<string>();

  constructor(
    private readonly turns: TurnCircuits,
    private readonly memory = new Memory(),
  ) {
    this.turnIds = turnCircuits(turns.vehicle).map((circuit) => circuit.id);
  }

  /** @throws NoSolutionError when no steady state exists */
  of(circuit: Circuit, moment: Moment): number {
    const { vehicle, simulation } = this.turns;
    const together = simulation.bearing.together([circuit.id]);
    if (!this.turnIds.some((id) => together.has(id))) return this.apart(circuit, together, moment);
    const { controls, emfVolts, lit = true, resistorFactor = 1 } = moment;
    if (vehicle.pilot || [...together].some((id) => !this.turnIds.includes(id))) {
      const about = [...new Set([...this.turnIds, circuit.id])];
      return simulation.at(moment, about).wireAmps(circuit.id);
    }
    // Nothing else bears on the turn lamps: what they draw was asked for already, or will be again.
    const sides = flashingSides(vehicle, controls);
    return lit ? (this.turns.solve({ emfVolts, sides, resistorFactor }).wireAmps[circuit.id] ?? 0) : 0;
  }

  private apart(circuit: Circuit, together: ReadonlySet<string>, moment: Moment): number {
    const { vehicle, simulation } = this.turns;
    const group = vehicle.circuits.filter((each) => together.has(each.id));
    const { controls, emfVolts, resistorFactor = 1 } = moment;
    const states = group.map((each) =>
      isOn(each, controls) ? dutyOf(each, outputOf(vehicle, each), controls, emfVolts) : 0,
    );
    const ids = group.map((each) => each.id).join();
    const fitted = this.fittedIn(ids, group);
    const factor = this.loaded.has(ids) ? resistorFactor : 1;
    const key = `${ids} ${states.join()} ${emfVolts} ${factor} ${fitted}`;
    let amps = this.memory.amps.get(key);
    if (!amps) {
      const about = group.map((each) => each.id);
      const probes = simulation.at(moment, about);
      amps = about.map((id) => probes.wireAmps(id));
      this.memory.amps.set(key, amps);
    }
    return amps[group.indexOf(circuit)] ?? 0;
  }

  /** What is in the lamps of some circuits, with what was wired across them: equal where all of it is. */
  private fittedIn(key: string, circuits: readonly Circuit[]): number {
    let number = this.fitted.get(key);
    if (number === undefined) {
      const { fitment } = this.turns;
      const ids = new Set(circuits.flatMap(lampIdsOf));
      const names = new Set(circuits.map((circuit) => circuit.id));
      const resistors = fitment.resistors.filter((network) => ids.has(network.lampId));
      if (resistors.length > 0) this.loaded.add(key);
      const text = JSON.stringify([
        [...ids].map((id) => contentAsText(fitment.contents.get(id))),
        resistors,
        fitment.wired.filter(
          (each) =>
            ('circuitId' in each && names.has(each.circuitId)) || ('lampId' in each && ids.has(each.lampId)),
        ),
      ]);
      number = this.memory.numberOf(text);
      this.fitted.set(key, number);
    }
    return number;
  }
}
