import { underloadedPace } from '../devices/flasher.ts';
import { circuitsOnFuse } from '../faults/fuses.ts';
import { circuitsTouched, type Fault, strikesOf } from '../faults/kinds.ts';
import type { JobAnalysis } from '../judge/analysis.ts';
import type { Configuration } from '../model/cures.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { isOn } from '../simulation/bearing.ts';
import { type Controls, flashingSides } from '../simulation/controls.ts';
import { type Fitment, fitmentOf } from '../simulation/fitment.ts';
import { fuseOut, outputOff, type Strike } from '../simulation/strike.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { supplyVoltsFor } from '../traces/supply.ts';
import type { Cell } from './cells.ts';
import { coldChecked, tell } from './coldCheck.ts';
import { meltingFuses, trippedOutputs } from './cutOff.ts';
import { Layered, type Writable } from './layered.ts';
import { lampsTouched, merged } from './merged.ts';
import type { Drawn, Outcome } from './outcome.ts';
import { resistorWatts } from './resistorWatts.ts';
import { pacedBy, repeatersOf, Watching } from './watching.ts';

/** One vehicle asked for as many cells as wanted. */
export interface Played {
  in(cell: Cell): Outcome;
}

/**
 * Plays the cells of a job, as fitted or with something wrong. Whether a watcher trips is laid against its band, which
 * nobody knows better than that: where what is drawn lies within it, the cell leaves it open.
 */
export class CellPlayer {
  readonly fitment: Fitment;
  private sound: VehicleSimulation;
  private readonly soundOutcomes = new Map<string, Outcome>();
  private readonly cut = new WeakMap<VehicleSimulation, Map<string, VehicleSimulation>>();
  private readonly vehicle: Vehicle;
  private readonly watching: Watching;

  /**
   * @param fitment what is fitted, where that is known better than the job says it
   * @param decided where thresholds lie in their bands, 0 to 1, where somebody knows: of a simulated vehicle
   * @param openWatched whether there what nobody knows to be watched is
   * @throws UnknownReferenceError when the job names a bulb or LED that is not known
   */
  constructor(
    private readonly analysis: JobAnalysis,
    private readonly configuration: Configuration,
    fitment: Fitment = fitmentOf(analysis.job, analysis.shelf, configuration),
    decided: number | null = null,
    private readonly moreVolts = 0,
    openWatched = false,
  ) {
    this.vehicle = analysis.job.vehicle;
    this.fitment = fitment;
    this.sound = new VehicleSimulation(this.vehicle, fitment);
    this.watching = new Watching(analysis, configuration, decided, openWatched);
  }

  /** The same vehicle where every threshold lies so far up its band, 0 to 1, and what may be watched is. */
  decidedAt(share: number): CellPlayer {
    const { analysis, configuration, fitment, moreVolts } = this;
    const decided = new CellPlayer(analysis, configuration, fitment, share, moreVolts, true);
    // What flows does not hang on thresholds.
    decided.sound = this.sound;
    return decided;
  }

  /** @throws NoSolutionError when no steady state exists */
  asFitted(cell: Cell): Outcome {
    let outcome = this.soundOutcomes.get(cell.id);
    if (!outcome) {
      outcome = this.play(
        this.sound,
        cell,
        this.vehicle.circuits.map(({ id }) => id),
        null,
      );
      this.soundOutcomes.set(cell.id, outcome);
    }
    return outcome;
  }

  /** A vehicle with faults: what they do not touch is as fitted. */
  withFaults(faults: readonly Fault[]): Played {
    const strikes = strikesOf(this.vehicle, faults);
    const simulation = new VehicleSimulation(this.vehicle, this.fitment, strikes);
    const about = faults.flatMap((fault) => circuitsTouched(this.vehicle, fault));
    const after = faults.flatMap((fault) => circuitsTouched(simulation.vehicle, fault));
    const touched = [
      ...new Set([...this.sound.bearing.together(about), ...simulation.bearing.together(after)]),
    ];
    const leaks = strikes.some(({ alive }) => alive);
    // Cells that differ only in what the faults do not touch are played once.
    const played = new Map<string, Outcome>();
    let lamps: ReadonlySet<string> | null = null;
    return {
      in: (cell) => {
        const fitted = this.asFitted(cell);
        const on = touched.filter((id) => {
          const before = this.vehicle.circuits.find((each) => each.id === id);
          return before !== undefined && isOn(before, cell.controls);
        });
        const asleep = cell.condition === 'asleep';
        if (on.length === 0 && !leaks && !asleep) return fitted;
        const key = [
          cell.controls.key,
          cell.condition === 'minutes' || asleep ? cell.condition : '',
          flashingSides(this.vehicle, cell.controls),
          on,
        ].join();
        const same = played.get(key);
        if (same) {
          lamps ??= lampsTouched(this.vehicle, touched);
          return merged(fitted, same, touched, lamps);
        }
        const faulty = this.play(simulation, cell, touched, fitted);
        // What a melted fuse took with it is more than the fault touches.
        if (faulty.blown.size === fitted.blown.size && faulty.mayBlow.size === fitted.mayBlow.size)
          played.set(key, faulty);
        return faulty;
      },
    };
  }

  private play(
    simulation: VehicleSimulation,
    cell: Cell,
    about: readonly string[],
    rest: Outcome | null,
    off: readonly string[] = [],
  ): Outcome {
    const { vehicle } = simulation;
    const { controls } = cell;
    const emfVolts = supplyVoltsFor(vehicle, controls.key) + this.moreVolts;
    const circuits = vehicle.circuits.filter(({ id }) => about.includes(id));
    const moment = { controls, emfVolts };
    const on = circuits.filter((circuit) => isOn(circuit, controls));
    const probes = simulation.at(moment, about);
    // An output guards itself within milliseconds, long before a fuse melts.
    const tripped = trippedOutputs(simulation, on, probes).filter((id) => !off.includes(id));
    if (tripped.length > 0) {
      const cut = this.cutFrom(simulation, `off ${tripped.join()}`, tripped.map(outputOff));
      return this.play(cut, cell, about, rest, [...off, ...tripped]);
    }
    const melt = meltingFuses(simulation, probes, moment, about);
    if (melt.sure.length > 0) return this.withFusesOut(simulation, melt.sure, cell, about, rest, off);
    // What is as fitted goes from thread to thread: plain maps.
    const lumens = rest ? new Layered(rest.lumens) : new Map<string, number>();
    // A pilot between the sides is there where both of them are.
    const pilot = turnCircuits(vehicle).every(({ id }) => about.includes(id)) ? vehicle.pilot : undefined;
    const lamps = new Set([...circuits.flatMap(lampIdsOf), ...(pilot ? [pilot.lampId] : [])]);
    for (const lampId of lamps) lumens.set(lampId, probes.lumens(lampId, controls, emfVolts));
    const watts = rest ? new Layered(rest.watts) : new Map<string, number>();
    if (cell.condition === 'minutes') resistorWatts(simulation, probes, controls, lamps, watts);
    const drawn = circuits.map(
      (circuit): Drawn => ({
        circuit,
        amps: probes.wireAmps(circuit.id),
        repeaterAmps: repeatersOf(vehicle, circuit).reduce((sum, id) => sum + probes.bulbAmps(id), 0),
      }),
    );
    const sides = flashingSides(vehicle, controls);
    const flashing = [
      ...drawn.filter(({ circuit }) =>
        sides.some((side) => circuit.kind === 'turn' && circuit.side === side),
      ),
      // A side that nothing wrong touches draws what it did.
      ...(rest?.flashing ?? []).filter(({ circuit }) => !about.includes(circuit.id)),
    ];
    const byCircuit = rest ? new Layered(rest.drawn) : new Map<string, Drawn>();
    for (const each of drawn) byCircuit.set(each.circuit.id, each);
    const outcome = {
      lumens,
      drawn: byCircuit,
      flashing,
      watts,
      blown: new Set(rest?.blown),
      mayBlow: new Set([...(rest?.mayBlow ?? []), ...melt.maybe]),
      messages: new Set(rest?.messages),
      maybe: new Set(rest?.maybe),
      short: underloadedPace(simulation.fitment.flasher),
    };
    for (const each of drawn)
      if (!off.includes(each.circuit.id)) this.watch(simulation, each, cell, emfVolts, outcome, rest);
    for (const id of off) outcome.messages.add(id);
    this.hearFaultWires(simulation, on, controls, outcome);
    if (cell.condition === 'asleep')
      coldChecked({ simulation, sound: this.sound, watching: this.watching }, circuits, emfVolts, outcome);
    return {
      ...outcome,
      flash:
        sides.length === 0
          ? null
          : this.flash(
              simulation,
              flashing.filter(({ circuit }) => !off.includes(circuit.id)),
              cell,
              emfVolts,
              rest,
            ),
    };
  }

  /** What LEDs from the works that are dead or gone tell over wires of their own. */
  private hearFaultWires(
    simulation: VehicleSimulation,
    on: readonly Circuit[],
    controls: Controls,
    { messages, maybe }: { messages: Set<string>; maybe: Set<string> },
  ): void {
    const found = simulation.unanswered(controls, on);
    for (const { circuitId, sure } of found) if (sure) tell('falls-short', circuitId, { messages, maybe });
    for (const { circuitId } of found) if (!messages.has(circuitId)) maybe.add(circuitId);
  }

  /** The same once fuses have melted: whatever hangs on them is dark. */
  private withFusesOut(
    simulation: VehicleSimulation,
    melt: readonly string[],
    cell: Cell,
    about: readonly string[],
    rest: Outcome | null,
    off: readonly string[],
  ): Outcome {
    const dark = this.cutFrom(simulation, `out ${melt.join()}`, melt.map(fuseOut));
    const hang = melt.flatMap((id) => circuitsOnFuse(this.vehicle, id).map((circuit) => circuit.id));
    const wider = [...new Set([...about, ...dark.bearing.together(hang)])];
    const outcome = this.play(dark, cell, wider, rest, off);
    return { ...outcome, blown: new Set([...outcome.blown, ...melt]) };
  }

  /** The same vehicle with something cut off from it, made once. */
  private cutFrom(simulation: VehicleSimulation, what: string, cuts: readonly Strike[]): VehicleSimulation {
    const known = this.cut.get(simulation) ?? new Map<string, VehicleSimulation>();
    this.cut.set(simulation, known);
    const cut =
      known.get(what) ?? new VehicleSimulation(this.vehicle, this.fitment, [...simulation.strikes, ...cuts]);
    known.set(what, cut);
    return cut;
  }

  /** What the dash says of one circuit, and whether its output then goes off. */
  private watch(
    { vehicle, fitment }: VehicleSimulation,
    drawn: Drawn,
    { controls }: Cell,
    emfVolts: number,
    outcome: { lumens: Writable<number>; messages: Set<string>; maybe: Set<string> },
    rest: Outcome | null,
  ): void {
    const { circuit } = drawn;
    const { flasher } = fitment;
    if (!isOn(circuit, controls)) return;
    const tells = this.watching.tells(circuit, vehicle, flasher);
    if (tells === 'no') return;
    const fitted = [rest?.drawn.get(circuit.id) ?? drawn];
    const sight = { circuit, drawn: [drawn], fitted, controls, emfVolts, flasher };
    const state = this.watching.state(sight);
    tell(tells === 'maybe' && state === 'falls-short' ? 'either-way' : state, circuit.id, outcome);
    const output =
      flasher.kind === 'controller' && flasher.outputs.find((each) => each.circuitId === circuit.id);
    if (state === 'falls-short' && output && output.watch?.reaction === 'output-off')
      for (const lampId of lampIdsOf(circuit)) outcome.lumens.set(lampId, 0);
  }

  private flash(
    { vehicle, fitment: { flasher }, strikes }: VehicleSimulation,
    turns: readonly Drawn[],
    { controls }: Cell,
    emfVolts: number,
    rest: Outcome | null,
  ): Outcome['flash'] {
    if (turns.length === 0 || strikes.some(({ flasherHeld }) => flasherHeld)) return 'none';
    const alone = flasher.kind === 'controller';
    const asFitted = (some: readonly Drawn[]) => some.map((each) => rest?.drawn.get(each.circuit.id) ?? each);
    const states = turns
      .filter(({ circuit }) => !alone || doubles(flasher, circuit))
      .map((each) => {
        const drawn = alone ? [each] : turns;
        const fitted = asFitted(drawn);
        return this.watching.state({ circuit: each.circuit, drawn, fitted, controls, emfVolts, flasher });
      });
    if (states.includes('falls-short')) return underloadedPace(flasher);
    if (states.includes('either-way')) return 'unsure';
    return flasher.kind === 'non-watching-relay' ? pacedBy(flasher, vehicle.region) : 'normal';
  }
}

function doubles({ outputs }: Extract<Fitment['flasher'], { kind: 'controller' }>, { id }: Circuit): boolean {
  return outputs.find(({ circuitId }) => circuitId === id)?.watch?.reaction === 'double-rate';
}
