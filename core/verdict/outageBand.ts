import type { Job } from '../model/job.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import type { Side } from '../model/vehicle/lamp.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/vehicle.ts';
import { healthyStock } from '../vehicle/fitment.ts';
import type { Company } from '../vehicle/litState.ts';
import { type TurnCurrents, TurnNetwork } from '../vehicle/turnNetwork.ts';

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
 * The band a watcher's threshold can be in, at one supply voltage. A maker sets it so that the loss of ANY one
 * main lamp is called; the loss of the smallest leaves the most current, so that sets the lower edge. And it must
 * be right in every state the healthy vehicle can be in: with lights and brake on too where those share an earth or a
 * bulb with the turn lamps, and in hazard where each side has an output of its own.
 *
 * @param healthy the vehicle with its stock bulbs, none dead: a faulted one would give a false band
 * @throws RangeError when the circuit has no main lamp
 */
export function outageBand(healthy: TurnNetwork, circuit: TurnCircuit, emfVolts: number): OutageBand {
  const mains = lampIdsOf(circuit).filter((id) => healthy.lamp(id).role === 'main');
  const band = { lowAmps: Number.NEGATIVE_INFINITY, highAmps: Number.POSITIVE_INFINITY, missingLampId: '' };
  for (const { sides, company } of healthyStates(healthy, circuit)) {
    const seen = (without?: string) => {
      const state = { emfVolts, sides, ...company, ...(without === undefined ? {} : { without }) };
      const solved = healthy.solve(state);
      return sides.length > 1 ? ampsOf(solved, lampIdsOf(circuit)) : solved.watchedAmps;
    };
    band.highAmps = Math.min(band.highAmps, seen());
    for (const id of mains) {
      const amps = seen(id);
      if (amps > band.lowAmps) {
        band.lowAmps = amps;
        band.missingLampId = id;
      }
    }
  }
  if (band.missingLampId === '') {
    throw new RangeError(
      `The ${circuit.side} turn circuit has no main lamp, so nothing tells its band. Mark one.`,
    );
  }
  return band;
}

function healthyStates(healthy: TurnNetwork, circuit: TurnCircuit): { sides: Side[]; company: Company }[] {
  const { flasher } = healthy.fitment;
  const turns = turnCircuits(healthy.vehicle).map((each) => each.side);
  const sides =
    flasher.kind === 'controller' && turns.length > 1 ? [[circuit.side], turns] : [[circuit.side]];
  return sides.flatMap((each) => healthy.companies.map((company) => ({ sides: each, company })));
}

/** Current of some lamps and their resistors, A. */
export function ampsOf({ lamps }: TurnCurrents, lampIds: readonly string[]): number {
  return lamps
    .filter((lamp) => lampIds.includes(lamp.lampId))
    .reduce((sum, lamp) => sum + lamp.bulbAmps + lamp.resistorAmps, 0);
}

/** With the LED setting an output only looks for an open circuit, A a lamp (typical). */
export const LED_SETTING_AMPS = 0.03;

/**
 * The band of a flasher that says itself what it needs: one that does not watch has its least load printed on it,
 * and an output set to LED asks for next to nothing. Null where it must be told from the stock bulbs.
 */
export function flasherBand(flasher: Flasher, circuit: TurnCircuit): OutageBand | null {
  if (flasher.kind === 'non-watching-relay')
    return { lowAmps: flasher.minAmps, highAmps: flasher.minAmps, missingLampId: '' };
  if (flasher.kind !== 'controller') return null;
  const watch = flasher.outputs.find((output) => output.circuitId === circuit.id)?.watch;
  if (!watch) return { lowAmps: 0, highAmps: 0, missingLampId: '' };
  if (watch.setting === 'filament') return null;
  return { lowAmps: 0, highAmps: LED_SETTING_AMPS * circuit.feeds.length, missingLampId: '' };
}

const remembered = new WeakMap<Job['vehicle'], { identified: Job['identified']; bands: HealthyBands }>();

/**
 * The bands of a job's healthy vehicle. Choosing an LED or a cure changes neither the vehicle nor its stock bulbs,
 * so what was worked out before such an edit is still right after it.
 */
export function healthyBands(job: Job): HealthyBands {
  const known = remembered.get(job.vehicle);
  if (known && known.identified === job.identified) return known.bands;
  const bands = new HealthyBands(job);
  remembered.set(job.vehicle, { identified: job.identified, bands });
  return bands;
}

/** The bands of one healthy vehicle, each worked out once: every state and hazard ask for the same ones. */
export class HealthyBands {
  private readonly network: TurnNetwork;
  private readonly known = new Map<string, OutageBand>();

  /** @throws UnknownReferenceError when the job names a bulb that is not known */
  constructor(job: Job) {
    this.network = new TurnNetwork(job.vehicle, healthyStock(job));
  }

  /** @throws RangeError when the circuit has no main lamp */
  at(circuit: TurnCircuit, emfVolts: number): OutageBand {
    const key = `${circuit.id} ${emfVolts}`;
    let band = this.known.get(key);
    if (!band) {
      band = outageBand(this.network, circuit, emfVolts);
      this.known.set(key, band);
    }
    return band;
  }
}
