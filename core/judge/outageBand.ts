import type { Job } from '../model/job.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import { type Fitment, healthyStock } from '../simulation/fitment.ts';
import type { Company } from '../simulation/litState.ts';
import { TurnCircuits } from '../simulation/turnCircuits.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { electricsOf } from './asText.ts';
import { Memory } from './requirements/circuitAmps.ts';
import { healthyScenarios, seenBy } from './scenario.ts';
import { SolvedFitments } from './solvedFitments.ts';

/** Between these currents the watcher's threshold must lie, A. */
export interface OutageBand {
  /** with one main lamp missing it must call, so the threshold is above this */
  lowAmps: number;
  /** with all lit it must stay quiet, so the threshold is not above this */
  highAmps: number;
  /** the main lamp whose absence leaves the most current */
  missingLampId: string;
}

/**
 * The band a watcher's threshold can be in, at one supply voltage and one moment of looking. A maker sets it so that
 * the loss of ANY one main lamp is called; the loss of the smallest leaves the most current, so that sets the lower
 * edge. And it must be right in every state the healthy vehicle can be in: with lights and brake on too where those
 * share an earth or a bulb with the lamps, and in hazard where each side has an output of its own.
 *
 * @param healthy the vehicle with its stock bulbs, none dead: a faulted one would give a false band
 * @param lookSeconds after the lamps came on; settled where left out
 * @param company what else is on, where that decides how a steady feed is pulsed
 * @throws RangeError when a turn circuit has no main lamp
 */
export function outageBand(
  healthy: TurnCircuits,
  circuit: Circuit,
  emfVolts: number,
  lookSeconds?: number,
  company?: Company,
): OutageBand {
  const ids = lampIdsOf(circuit);
  // What tells of its failure itself is missed by no watcher of currents.
  const main = ids.filter((id) => {
    const { role, works } = healthy.lamp(id);
    return role === 'main' && works?.faultLine !== true;
  });
  if (main.length === 0 && ids.some((id) => healthy.lamp(id).works?.faultLine === true))
    return { lowAmps: 0, highAmps: LED_SETTING_AMPS * circuit.feeds.length, missingLampId: '' };
  // An output that drives repeaters alone is there to watch them.
  const mains = main.length === 0 && healthy.fitment.flasher.kind === 'controller' ? ids : main;
  if (mains.length === 0 && circuit.kind === 'turn') {
    throw new RangeError(
      `The ${circuit.side} turn circuit has no main lamp, so nothing tells its band. Mark one.`,
    );
  }
  const band = { lowAmps: 0, highAmps: Number.POSITIVE_INFINITY, missingLampId: mains[0] ?? '' };
  for (const scenario of healthyScenarios(healthy, circuit, company)) {
    const seen = (without?: string) =>
      seenBy(healthy, circuit, scenario, {
        emfVolts,
        lookSeconds,
        ...(without === undefined ? {} : { without }),
      });
    band.highAmps = Math.min(band.highAmps, seen());
    for (const id of mains) {
      const amps = seen(id);
      if (amps > band.lowAmps) {
        band.lowAmps = amps;
        band.missingLampId = id;
      }
    }
  }
  return band;
}

/** With the LED setting an output only looks for an open circuit, A a lamp (typical). */
export const LED_SETTING_AMPS = 0.03;

/**
 * The band of a flasher that says itself what it needs: one that does not watch has its least load printed on it,
 * and an output set to LED asks for next to nothing. Null where it must be told from the stock bulbs.
 */
export function flasherBand(flasher: Flasher, circuit: Circuit): OutageBand | null {
  if (flasher.kind === 'controller') {
    const watch = flasher.outputs.find((output) => output.circuitId === circuit.id)?.watch;
    if (!watch) return circuit.kind === 'turn' ? { lowAmps: 0, highAmps: 0, missingLampId: '' } : null;
    if (watch.setting === 'filament') return null;
    return { lowAmps: 0, highAmps: LED_SETTING_AMPS * circuit.feeds.length, missingLampId: '' };
  }
  if (flasher.kind !== 'non-watching-relay' || circuit.kind !== 'turn') return null;
  return { lowAmps: flasher.minAmps, highAmps: flasher.minAmps, missingLampId: '' };
}

/** The bands of one healthy vehicle, each worked out once: every configuration and hazard ask for the same ones. */
export class HealthyBands {
  readonly turns: TurnCircuits;
  private readonly known = new Map<string, OutageBand>();
  private readonly others = new Map<string, unknown>();
  /** what circuits of this vehicle were found to draw, whatever is in them */
  readonly currents = new Memory();

  /**
   * @param solved what was solved of the same vehicle, whatever is in it
   * @throws UnknownReferenceError when the job names a bulb that is not known
   */
  constructor(
    { vehicle, identified }: Pick<Job, 'vehicle' | 'identified'>,
    private readonly solved = new SolvedFitments(),
  ) {
    const stock = healthyStock({ vehicle, identified });
    const moments = solved.of(electricsOf(stock));
    this.turns = new TurnCircuits(new VehicleSimulation(vehicle, stock, [], undefined, moments));
  }

  /** This vehicle with something else fitted; what was solved for the same electrics already is taken over. */
  turnsWith(fitment: Fitment): TurnCircuits {
    const { vehicle, simulation } = this.turns;
    const moments = this.solved.of(electricsOf(fitment));
    return new TurnCircuits(new VehicleSimulation(vehicle, fitment, [], simulation.bearing, moments));
  }

  /** Anything else that follows from the healthy vehicle alone, worked out once. */
  remember<T>(what: string, work: () => T): T {
    if (!this.others.has(what)) this.others.set(what, work());
    return this.others.get(what) as T;
  }

  /** @throws RangeError when a turn circuit has no main lamp */
  at(circuit: Circuit, emfVolts: number, lookSeconds?: number, company?: Company): OutageBand {
    const beside =
      company && circuit.kind !== 'turn' ? `${company.lights} ${company.brake} ${company.turning}` : '';
    const key = `${circuit.id} ${emfVolts} ${lookSeconds} ${beside}`;
    let band = this.known.get(key);
    if (!band) {
      band = outageBand(this.turns, circuit, emfVolts, lookSeconds, company);
      this.known.set(key, band);
    }
    return band;
  }
}
