import { normalRate } from '../devices/flasher.ts';
import type { JobAnalysis } from '../judge/analysis.ts';
import { flashRule } from '../judge/flashRule.ts';
import { Judge } from '../judge/judge.ts';
import { bandAt, stateOver } from '../judge/requirements/watcherLooks.ts';
import type { VerdictState } from '../judge/states.ts';
import { watchedBy } from '../judge/watchedBy.ts';
import type { Configuration } from '../model/cures.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { lampById, lampIdsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type Controls, flashingSides } from '../simulation/controls.ts';
import { watchesRepeaters } from '../simulation/turnCircuits.ts';
import type { Drawn, FlashSeen } from './outcome.ts';

/** What one watcher sees of one moment: what is drawn, and what would be were nothing wrong. */
export interface Sight {
  circuit: Circuit;
  /** all it sees as a sum */
  drawn: readonly Drawn[];
  /** the same as fitted, with the panel as it is */
  fitted: readonly Drawn[];
  controls: Controls;
  emfVolts: number;
  /** who watches, right or wrong */
  flasher: Flasher;
  /** so long after its circuit came on, s, where it looks but once */
  lookSeconds?: number;
}

/** Less than this is nothing to compare with, A. */
const NOTHING = 1e-6;

/** What whoever watches a circuit says of a moment: what the judge says of it, moved by what is wrong. */
export class Watching {
  private readonly judge: Judge;

  /**
   * @param decided where each threshold lies in its band, 0 to 1, where somebody knows: of a simulated vehicle
   * @param openWatched whether there what nobody knows to be watched is
   */
  constructor(
    private readonly analysis: JobAnalysis,
    configuration: Configuration,
    private readonly decided: number | null = null,
    private readonly openWatched = false,
  ) {
    this.judge = new Judge(analysis, configuration);
  }

  /** Whether anything looks at a circuit and says so, or may. */
  tells(circuit: Circuit, vehicle: Vehicle, flasher: Flasher): 'yes' | 'no' | 'maybe' {
    const output =
      flasher.kind === 'controller' && flasher.outputs.find(({ circuitId }) => circuitId === circuit.id);
    if (circuit.kind === 'turn') {
      const inModule = vehicle.bulbCheck?.watches.some(({ circuitId }) => circuitId === circuit.id);
      return (output && output.watch !== undefined) || inModule ? 'yes' : 'no';
    }
    const { who, open } = watchedBy({ vehicle, evidence: this.analysis.job.evidence }, flasher, circuit);
    // Of a vehicle that is known through and through nothing is open.
    if (open) return this.decided === null ? 'maybe' : this.openWatched ? 'yes' : 'no';
    return who === null ? 'no' : 'yes';
  }

  state({ circuit, drawn, fitted, controls, emfVolts, flasher, lookSeconds }: Sight): VerdictState {
    const { lights, brake } = controls;
    const company = { lights, brake };
    const { vehicle } = this.analysis.job;
    const [likeliest] = this.analysis.possibilities;
    const counted = (some: readonly Drawn[], repeaters: boolean) =>
      some.reduce((sum, { amps, repeaterAmps }) => sum + amps - (repeaters ? 0 : repeaterAmps), 0);
    if (this.decided !== null && likeliest) {
      const built = likeliest.job.vehicle.circuits.find(({ id }) => id === circuit.id) ?? circuit;
      const { lowAmps, highAmps } = bandAt(likeliest, flasher, built, emfVolts, lookSeconds, company);
      const threshold = lowAmps + this.decided * (highAmps - lowAmps);
      const amps = counted(drawn, countsRepeaters(likeliest.job.vehicle.flasher, circuit));
      return amps >= threshold * (1 - 1e-3) ? 'holds' : 'falls-short';
    }
    const known = vehicle.circuits.find(({ id }) => id === circuit.id) ?? circuit;
    const sides = circuit.kind === 'turn' ? flashingSides(vehicle, controls) : [];
    const what = { circuit: known, sides, emfVolts, company };
    const looks = this.judge.looks(what, flasher, lookSeconds === undefined ? undefined : [lookSeconds]);
    return stateOver(looks, (amps, { job }) => {
      const repeaters = countsRepeaters(job.vehicle.flasher, circuit);
      const was = counted(fitted, repeaters);
      const is = counted(drawn, repeaters);
      return was > NOTHING ? (amps * is) / was : is;
    });
  }
}

function countsRepeaters(flasher: Flasher, circuit: Circuit): boolean {
  return circuit.kind !== 'turn' || watchesRepeaters({ flasher });
}

/** The repeaters of a circuit, by id. */
export function repeatersOf(vehicle: Vehicle, circuit: Circuit): string[] {
  return lampIdsOf(circuit).filter((id) => lampById(vehicle, id).role === 'repeater');
}

/** How a flasher runs that watches nothing, against what is allowed. */
export function pacedBy(flasher: Flasher, region: Vehicle['region']): FlashSeen {
  const { lowest, highest } = flashRule(region);
  const rate = normalRate(flasher);
  return rate > highest ? 'fast' : rate < lowest ? 'slow' : 'normal';
}
