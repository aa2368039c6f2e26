import { WATCHER_SAMPLE_SECONDS } from '../devices/device.ts';
import type { Circuit, TurnCircuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import type { Side } from '../model/vehicle/lamp.ts';
import { turnSides } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type Controls, daytimeLevel, dutyOf, outputOf, wanted } from '../simulation/controls.ts';
import { type Company, companiesOf } from '../simulation/litState.ts';
import { controlsFor } from '../simulation/moment.ts';
import type { TurnCircuits } from '../simulation/turnCircuits.ts';
import type { TurnCurrents } from '../simulation/turnCurrents.ts';

/** What is on while a watcher looks at one circuit: which sides flash, and what else. */
export interface Scenario {
  sides: readonly Side[];
  company: Company;
}

/** When, at which supply and with which of the parts a watcher looks. */
export interface Look {
  emfVolts: number;
  /** so long after its circuit came on, s; settled where left out */
  lookSeconds?: number | undefined;
  resistorFactor?: number;
  without?: string;
}

/** Whether a circuit is a side of turn lamps. */
export function isTurn(circuit: Circuit): circuit is TurnCircuit {
  return circuit.kind === 'turn' && circuit.side !== null;
}

/** The panel with a steady circuit on, and what else is on beside it. */
export function controlsIn(circuit: Circuit, { lights, brake, turning }: Company): Controls {
  const alone = controlsFor(circuit);
  return {
    ...alone,
    lights: alone.lights || lights,
    brake: alone.brake || brake,
    ...(turning ? { turn: circuit.side ?? 'left' } : {}),
  };
}

/**
 * What a watcher of one circuit sees, A: a relay the lamps it counts of all sides that flash, an output of a
 * controller its own lamps alone, whoever watches a steady circuit its whole current.
 */
export function seenBy(
  turns: TurnCircuits,
  circuit: Circuit,
  { sides, company }: Scenario,
  { emfVolts, lookSeconds, resistorFactor = 1, without }: Look,
): number {
  if (isTurn(circuit)) {
    const solved = turns.solve({
      emfVolts,
      sides,
      ...company,
      lookSeconds,
      resistorFactor,
      ...(without === undefined ? {} : { without }),
    });
    return ampsSeen(turns, circuit, solved);
  }
  const moment = { controls: controlsIn(circuit, company), emfVolts, resistorFactor, without };
  const about = [circuit.id];
  const probes =
    lookSeconds === undefined
      ? turns.simulation.at(moment, about)
      : turns.simulation.lookAfter(lookSeconds, moment, about);
  return probes.wireAmps(circuit.id);
}

/** Of what flows in a lit moment, what whoever watches a turn circuit sees: a relay all it counts, an output its own, A. */
export function ampsSeen(
  { fitment }: Pick<TurnCircuits, 'fitment'>,
  { id }: Pick<TurnCircuit, 'id'>,
  solved: TurnCurrents,
): number {
  return fitment.flasher.kind === 'controller' ? (solved.wireAmps[id] ?? 0) : solved.watchedAmps;
}

/** Everything that may be on beside a circuit and bears on it, nothing first and all of it last. */
export function companiesFor(turns: TurnCircuits, circuit: Circuit): readonly Company[] {
  if (isTurn(circuit)) return turns.companies;
  const alone = controlsFor(circuit);
  const beside = companiesOf(turns.vehicle, turns.simulation.bearing, [circuit.id]).filter(
    ({ lights, brake }) => (!lights || !alone.lights) && (!brake || !alone.brake),
  );
  if (circuit.kind !== 'daytime-running') return beside;
  // It is another load dimmed, and none at all where the others put it off.
  const dims: Company[] = [
    ...(beside.some(({ lights }) => lights) ? [] : [{ lights: true, brake: false }]),
    { lights: false, brake: false, turning: true },
  ].filter((company) => daytimeLevel(circuit, controlsIn(circuit, company)) === 'dimmed');
  return [...beside, ...dims].filter((company) => wanted(circuit, controlsIn(circuit, company)));
}

/**
 * The states a healthy vehicle may be in when the watcher of a circuit looks, of those in which its feed is pulsed as
 * it is with this company: it must be right in each of them.
 */
export function healthyScenarios(healthy: TurnCircuits, circuit: Circuit, asked?: Company): Scenario[] {
  const companies = companiesFor(healthy, circuit);
  if (isTurn(circuit)) {
    const all = turnSides(healthy.vehicle);
    const own: Side[][] = [[circuit.side]];
    const sides = healthy.fitment.flasher.kind === 'controller' && all.length > 1 ? [...own, all] : own;
    return sides.flatMap((each) => companies.map((company) => ({ sides: each, company })));
  }
  const duty = (company: Company) =>
    dutyOf(circuit, outputOf(healthy.vehicle, circuit), controlsIn(circuit, company), 12);
  return companies
    .filter((company) => asked === undefined || duty(company) === duty(asked))
    .map((company) => ({ sides: [], company }));
}

/**
 * The moments at which a watcher may look. When exactly is not known: from its first look, while filaments still draw
 * more than they will, to when all has settled; between the two nothing is that is not at one of them.
 */
export function looksAt(vehicle: Vehicle, flasher: Flasher, circuit: Circuit): (number | undefined)[] {
  const first = firstLook(vehicle, flasher, circuit);
  return first === undefined ? [undefined] : [undefined, first];
}

function firstLook(vehicle: Vehicle, flasher: Flasher, circuit: Circuit): number | undefined {
  if (flasher.kind === 'controller') {
    const output = flasher.outputs.find((each) => each.circuitId === circuit.id);
    if (output?.watch) return output.blankingSeconds;
  }
  if (isTurn(circuit))
    return flasher.kind === 'watching-relay' || (flasher.kind === 'thermal' && flasher.underloaded === 'fast')
      ? WATCHER_SAMPLE_SECONDS
      : undefined;
  if (circuit.watched !== undefined && circuit.watched !== false) return WATCHER_SAMPLE_SECONDS;
  return vehicle.bulbCheck?.watches.some((each) => each.circuitId === circuit.id)
    ? vehicle.bulbCheck.blankingSeconds
    : undefined;
}
