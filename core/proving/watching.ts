import { normalRate, underloadedRate } from '../devices/flasher.ts';
import type { JobAnalysis, Possibility } from '../judge/analysis.ts';
import { flashRule } from '../judge/flashRule.ts';
import { bandAt } from '../judge/requirements/watch.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { lampById, lampIdsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Controls } from '../simulation/controls.ts';
import type { Drawn, FlashSeen } from './outcome.ts';

export type Watched = 'holds' | 'short' | 'unsure';

/** Currents equal to this share count as equal: a stock vehicle sits exactly on its band's upper edge. */
const EQUAL_SHARE = 1e-3;

/**
 * Where the currents of circuits lie against the bands of whoever watches them, under every way the job may be: where the
 * ways disagree, or a current lies inside its band, it is unsure.
 */
export class Watching {
  /**
   * @param decided where each threshold lies in its band, 0 to 1, where somebody knows: of a simulated vehicle
   */
  constructor(
    private readonly analysis: JobAnalysis,
    private readonly decided: number | null = null,
  ) {}

  private readonly healthy = new Map<string, ReadonlyMap<string, number>>();

  /** Whether anything looks at a circuit that is on steadily and says so. */
  tells({ id }: Circuit, vehicle: Vehicle, flasher: Flasher): boolean {
    const output = flasher.kind === 'controller' && flasher.outputs.find(({ circuitId }) => circuitId === id);
    return (
      Boolean(output && output.watch !== undefined) ||
      Boolean(vehicle.bulbCheck?.watches.some(({ circuitId }) => circuitId === id))
    );
  }

  /**
   * @param together circuits whose currents one watcher sees as a sum
   */
  state(
    { circuit }: Drawn,
    together: readonly Drawn[],
    flasher: Flasher,
    emfVolts: number,
    controls: Controls,
  ): Watched {
    const { lights, brake } = controls;
    const states = this.analysis.possibilities.map((possibility): Watched => {
      const counted = possibility.job.vehicle.flasher;
      const repeaters = counted.kind !== 'watching-relay' || counted.watchesRepeaters !== false;
      const amps = together.reduce(
        (sum, each) => sum + each.amps - (repeaters || circuit.kind !== 'turn' ? 0 : each.repeaterAmps),
        0,
      );
      const built = possibility.job.vehicle.circuits.find(({ id }) => id === circuit.id) ?? circuit;
      const { lowAmps, highAmps: most } = bandAt(possibility, flasher, built, emfVolts, undefined, {
        lights,
        brake,
      });
      // Whatever else is on, the stock vehicle is not reported: it draws enough under this very panel too.
      const alone = together.length === 1 && lowAmps > 0;
      const highAmps = alone
        ? Math.max(lowAmps, Math.min(most, this.healthyAmps(possibility, circuit, controls, emfVolts)))
        : most;
      if (this.decided !== null)
        return amps >= (lowAmps + this.decided * (highAmps - lowAmps)) * (1 - EQUAL_SHARE)
          ? 'holds'
          : 'short';
      if (amps >= highAmps * (1 - EQUAL_SHARE)) return 'holds';
      return amps <= lowAmps * (1 + EQUAL_SHARE) ? 'short' : 'unsure';
    });
    const [first = 'unsure'] = states;
    if (this.decided !== null) return first;
    return states.every((each) => each === first) ? first : 'unsure';
  }

  /** What the stock vehicle draws of a circuit with the panel as it is, A. */
  private healthyAmps(
    { job, bands }: Possibility,
    { id }: Circuit,
    controls: Controls,
    emfVolts: number,
  ): number {
    const possible = this.analysis.possibilities.findIndex((each) => each.job === job);
    // A lamp that is tested in the dark is asked for by its own switch.
    const key = `${possible} ${emfVolts} ${JSON.stringify(controls)}`;
    let amps = this.healthy.get(key);
    if (!amps) {
      const probes = bands.turns.simulation.at({ controls, emfVolts });
      amps = new Map(job.vehicle.circuits.map((each) => [each.id, probes.wireAmps(each.id)]));
      this.healthy.set(key, amps);
    }
    return amps.get(id) ?? 0;
  }
}

/** The repeaters of a circuit, by id. */
export function repeatersOf(vehicle: Vehicle, circuit: Circuit): string[] {
  return lampIdsOf(circuit).filter((id) => lampById(vehicle, id).role === 'repeater');
}

/** How a flasher flashes that draws too little: a bimetal slows or stays on, what counts speeds up. */
export function flashWhenShort(flasher: Flasher): 'fast' | 'slow' {
  return flasher.kind === 'thermal' && underloadedRate(flasher) === 0 ? 'slow' : 'fast';
}

/** How a flasher runs that watches nothing, against what is allowed. */
export function pacedBy(flasher: Flasher, region: Vehicle['region']): FlashSeen {
  const { lowest, highest } = flashRule(region);
  const rate = normalRate(flasher);
  return rate > highest ? 'fast' : rate < lowest ? 'slow' : 'normal';
}
