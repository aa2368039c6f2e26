import { normalRate } from '../devices/flasher.ts';
import type { JobAnalysis } from '../judge/analysis.ts';
import { flashRule } from '../judge/flashRule.ts';
import { Judge } from '../judge/judge.ts';
import type { OutageBand } from '../judge/outageBand.ts';
import type { Configuration } from '../model/cures.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { circuitsOf, lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { isOn } from '../simulation/bearing.ts';
import { flashingSides } from '../simulation/controls.ts';
import type { Fault } from '../simulation/fault.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { supplyVoltsFor } from '../traces/traceLamps.ts';
import type { Cell } from './cells.ts';

/** How what flashes flashes; unsure where the threshold may lie on either side of what is drawn. */
export type FlashSeen = 'normal' | 'fast' | 'slow' | 'none' | 'unsure';

/** What one cell shows of a vehicle. */
export interface Outcome {
  /** light of each lamp while lit, lm */
  lumens: ReadonlyMap<string, number>;
  /** null where nothing flashes */
  flash: FlashSeen | null;
  /** circuits of which the dash says something, and those of which it may */
  messages: ReadonlySet<string>;
  maybe: ReadonlySet<string>;
}

/** A relay looks so long after switching on, s. */
const LOOK_SECONDS = 0.12;

/**
 * Plays the cells of a job, as fitted or with something wrong. Whether a watcher trips is laid against its band, which
 * nobody knows better than that: where what is drawn lies within it, the cell leaves it open.
 */
export class CellPlayer {
  private readonly judge: Judge;
  private readonly sound: VehicleSimulation;
  private readonly soundOutcomes = new Map<string, Outcome>();
  private readonly bands = new Map<string, OutageBand>();
  private readonly vehicle: Vehicle;

  constructor(analysis: JobAnalysis, configuration: Configuration) {
    this.judge = new Judge(analysis, configuration);
    this.vehicle = analysis.job.vehicle;
    this.sound = new VehicleSimulation(this.vehicle, this.judge.turns.fitment);
  }

  /** @throws NoSolutionError when no steady state exists */
  asFitted(cell: Cell): Outcome {
    let outcome = this.soundOutcomes.get(cell.id);
    if (!outcome) {
      const all = this.vehicle.circuits.map(({ id }) => id);
      outcome = this.play(this.sound, cell, [], all, null);
      this.soundOutcomes.set(cell.id, outcome);
    }
    return outcome;
  }

  /** A vehicle with a fault, asked for as many cells as wanted: what the fault does not touch is as fitted. */
  withFault(fault: Fault): { in(cell: Cell): Outcome } {
    const simulation = new VehicleSimulation(this.vehicle, this.sound.fitment, [fault]);
    const touched = [
      ...new Set([
        ...this.sound.bearing.together(touchedBy(this.vehicle, fault)),
        ...simulation.bearing.together(touchedBy(simulation.vehicle, fault)),
      ]),
    ];
    return {
      in: (cell) => {
        const fitted = this.asFitted(cell);
        const alive =
          fault.kind === 'leakage' ||
          simulation.vehicle.circuits.some(({ id }, at) => {
            const before = this.vehicle.circuits[at];
            return touched.includes(id) && before !== undefined && isOn(before, cell.controls);
          });
        return alive ? this.play(simulation, cell, [fault], touched, fitted) : fitted;
      },
    };
  }

  private play(
    simulation: VehicleSimulation,
    { controls }: Cell,
    faults: readonly Fault[],
    about: readonly string[],
    rest: Outcome | null,
  ): Outcome {
    const { vehicle } = simulation;
    const emfVolts = supplyVoltsFor(vehicle, controls.key);
    const moment = { controls, emfVolts };
    const lumens = new Map(rest?.lumens);
    const messages = new Set(rest?.messages);
    const maybe = new Set(rest?.maybe);
    const circuits = vehicle.circuits.filter(({ id }) => about.includes(id));
    const probes = simulation.at(moment, about);
    // A pilot between the sides is there where both of them are.
    const pilot = turnCircuits(vehicle).every(({ id }) => about.includes(id)) ? vehicle.pilot : undefined;
    const lamps = new Set([...circuits.flatMap(lampIdsOf), ...(pilot ? [pilot.lampId] : [])]);
    for (const lampId of lamps) lumens.set(lampId, probes.lumens(lampId, controls, emfVolts));
    const amps = new Map(circuits.map(({ id }) => [id, probes.wireAmps(id)]));
    for (const circuit of circuits) {
      if (circuit.kind === 'turn' || !isOn(circuit, controls) || !this.tells(circuit)) continue;
      messages.delete(circuit.id);
      maybe.delete(circuit.id);
      const state = within(amps.get(circuit.id) ?? 0, this.band(circuit, emfVolts, controls));
      if (state === 'short') messages.add(circuit.id);
      if (state === 'unsure') maybe.add(circuit.id);
    }
    return { lumens, messages, maybe, flash: this.flash(simulation, moment, faults) };
  }

  /** Whether anything looks at a steady circuit and says so. */
  private tells(circuit: Circuit): boolean {
    const { flasher } = this.sound.fitment;
    const watched = this.vehicle.bulbCheck?.watches.some(({ circuitId }) => circuitId === circuit.id);
    const output =
      flasher.kind === 'controller' && flasher.outputs.find(({ circuitId }) => circuitId === circuit.id);
    return Boolean(watched) || (output ? output.watch !== undefined : false);
  }

  private band(circuit: Circuit, emfVolts: number, { lights, brake }: Cell['controls']): OutageBand {
    const key = `${circuit.id} ${emfVolts} ${lights} ${brake}`;
    let band = this.bands.get(key);
    if (!band) {
      band = this.judge.circuitAt(circuit, emfVolts, { lights, brake }).band;
      this.bands.set(key, band);
    }
    return band;
  }

  private flash(
    simulation: VehicleSimulation,
    moment: { controls: Cell['controls']; emfVolts: number },
    faults: readonly Fault[],
  ): FlashSeen | null {
    const { vehicle, fitment } = simulation;
    const sides = flashingSides(vehicle, moment.controls);
    if (sides.length === 0) return null;
    if (faults.some(({ kind }) => kind === 'relay-stuck')) return 'none';
    const turns = turnCircuits(vehicle).filter(({ side }) => sides.includes(side));
    const looked = simulation.lookAfter(
      LOOK_SECONDS,
      moment,
      turns.map(({ id }) => id),
    );
    const amps = turns.map(({ id }) => looked.wireAmps(id));
    const total = amps.reduce((sum, each) => sum + each, 0);
    const { flasher } = fitment;
    if (flasher.kind === 'non-watching-relay') return total < flasher.minAmps ? 'none' : this.paced(flasher);
    const seen = flasher.kind === 'controller' ? amps : amps.map(() => total);
    const states = turns.map((circuit, at) =>
      within(seen[at] ?? 0, this.band(this.asBuilt(circuit), moment.emfVolts, moment.controls)),
    );
    if (states.includes('short')) return flasher.kind === 'thermal' ? 'slow' : 'fast';
    return states.includes('unsure') ? 'unsure' : 'normal';
  }

  private asBuilt({ id }: Circuit): Circuit {
    return this.vehicle.circuits.find((each) => each.id === id) as Circuit;
  }

  private paced(flasher: Flasher): FlashSeen {
    const { lowest, highest } = flashRule(this.vehicle.region);
    const rate = normalRate(flasher);
    return rate > highest ? 'fast' : rate < lowest ? 'slow' : 'normal';
  }
}

function within(amps: number, { lowAmps, highAmps }: OutageBand): 'holds' | 'short' | 'unsure' {
  if (amps >= highAmps) return 'holds';
  return amps < lowAmps ? 'short' : 'unsure';
}

/** Circuits whose lamps, currents or feeds a fault changes by itself. */
function touchedBy(vehicle: Vehicle, fault: Fault): string[] {
  const ofLamps = (ids: readonly string[]) =>
    ids.flatMap((id) => circuitsOf(vehicle, id).map((each) => each.id));
  if ('lampIds' in fault) return ofLamps(fault.lampIds);
  if ('otherId' in fault) return ofLamps([fault.lampId, fault.otherId]);
  if ('lampId' in fault) return ofLamps([fault.lampId]);
  if ('circuitId' in fault) return [fault.circuitId];
  if ('earthPointId' in fault)
    return ofLamps(
      vehicle.lamps.flatMap(({ id, earthPoint }) => (earthPoint === fault.earthPointId ? [id] : [])),
    );
  if ('fuseId' in fault)
    return vehicle.circuits
      .filter(
        ({ from, stopFuseId }) =>
          stopFuseId === fault.fuseId ||
          (from.by === 'switch' ? from.fuseId : vehicle.flasher.fuseId) === fault.fuseId,
      )
      .map(({ id }) => id);
  return turnCircuits(vehicle).map(({ id }) => id);
}

/** Less than so much of what a lamp should give is dark; less, dim; more, bright (what an eye tells beside its twin). */
const DARK = 0.04;
const DIM = 0.6;
const BRIGHT = 1.7;
/** A lamp that should be dark and gives so much is seen to glow, or to be lit, lm. */
const GLOWS = 0.15;
const LIT = 4;

/** What of a cell is not as it should be, in words that sort: nothing where all is. Where something is open it says nothing. */
export function deviations(expected: Outcome, seen: Outcome): string[] {
  const found: string[] = [];
  for (const [lampId, lumens] of seen.lumens) {
    const should = expected.lumens.get(lampId) ?? 0;
    if (should < GLOWS) {
      if (lumens >= GLOWS) found.push(`${lampId} ${lumens >= LIT ? 'wrong' : 'glows'}`);
      continue;
    }
    const share = lumens / should;
    if (share < DARK) found.push(`${lampId} dark`);
    else if (share < DIM) found.push(`${lampId} dim`);
    else if (share > BRIGHT) found.push(`${lampId} bright`);
  }
  if (
    expected.flash &&
    seen.flash &&
    expected.flash !== 'unsure' &&
    seen.flash !== 'unsure' &&
    seen.flash !== expected.flash
  )
    found.push(`flash ${seen.flash}`);
  for (const id of seen.messages)
    if (!expected.messages.has(id) && !expected.maybe.has(id)) found.push(`message ${id}`);
  return found.toSorted();
}
