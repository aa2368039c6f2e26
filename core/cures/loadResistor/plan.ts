import { hotterAt } from '../../heat/measured.ts';
import { JobAnalysis } from '../../judge/analysis.ts';
import { variantOf } from '../../judge/variants.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { TurnCircuit } from '../../model/vehicle/circuit.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { turnFuse } from '../../model/vehicle/lookUp.ts';
import { fitmentOf, resistorsOf } from '../../simulation/fitment.ts';
import { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { type ArithmeticLine, resistorArithmetic } from './arithmetic.ts';
import { type OhmsInterval, ohmsInterval } from './interval.ts';
import { type ResistorChoice, type ResistorSearch, searchResistors, searchSteps } from './search.ts';

/** Everything the Cure stage and the command line show about resistors for one side. */
export interface ResistorPlan {
  circuitId: string;
  interval: OhmsInterval;
  search: ResistorSearch;
  /** worked for the cure the job has, or for the first choice where it has none */
  arithmetic: readonly ArithmeticLine[];
}

/**
 * Sizes the load resistors of one side from the shelf.
 *
 * @param sides how many sides get the same set; stock is counted against it
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function planResistors(job: Job, shelf: Shelf, circuit: TurnCircuit, sides = 2): ResistorPlan {
  const steps = planSteps(job, shelf, circuit, sides);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/**
 * The same, a stretch at a time: yields how far it is, from 0 to 1. Whoever runs it may stop between two stretches.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function* planSteps(
  job: Job,
  shelf: Shelf,
  circuit: TurnCircuit,
  sides = 2,
): Generator<number, ResistorPlan> {
  const analysis = JobAnalysis.of(job, shelf);
  const { fitted, interval } = intervalFor(analysis, circuit);
  const search = yield* searchSteps(fitted, circuit, interval, resistorsOf(shelf), sides, {
    hotter: hotterAt(job),
  });
  const cure = job.cures[circuit.id] ?? search.choices[0]?.cure ?? null;
  return {
    circuitId: circuit.id,
    interval,
    search,
    arithmetic: resistorArithmetic(job.vehicle, interval, cure),
  };
}

/** The best set for one side, where only that is asked for. */
export interface BestResistors {
  circuitId: string;
  interval: OhmsInterval;
  choice: ResistorChoice | null;
  /** why there is none */
  none: string | null;
}

/**
 * What `planResistors` would put first. What is on the shelf ranks before what must be bought, so that the series of
 * values to buy is searched only where the shelf has nothing.
 *
 * @param at the end all of it must be at; wherever it fits where left out
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function bestResistors(
  analysis: JobAnalysis,
  circuit: TurnCircuit,
  sides = 2,
  at?: Lamp['end'],
): BestResistors {
  const { job, shelf } = analysis;
  const { fitted, interval } = intervalFor(analysis, circuit);
  const hotter = hotterAt(job);
  const among = (values: 'shelf' | 'all') =>
    searchResistors(fitted, circuit, interval, resistorsOf(shelf), sides, {
      values,
      at,
      most: 1,
      hotter,
    });
  const stocked = among('shelf');
  const [first] = stocked.choices;
  const { choices, none } = first?.onShelf ? stocked : among('all');
  return { circuitId: circuit.id, interval, choice: choices[0] ?? null, none };
}

interface Sized {
  fitted: TurnCircuits;
  interval: OhmsInterval;
}

function intervalFor(analysis: JobAnalysis, circuit: TurnCircuit): Sized {
  const drawn = intervalWith(analysis, circuit, 'drawn');
  // Where the fuse as drawn leaves no room, and nobody has read it, the greatest it may be is what is searched by: whoever
  // judges the set says that the fuse decides.
  const open =
    drawn.interval.minOhms > drawn.interval.maxOhms && turnFuse(analysis.job.vehicle).assumed === true;
  return open ? intervalWith(analysis, circuit, 'most') : drawn;
}

function intervalWith(
  { job, shelf, possibilities }: JobAnalysis,
  circuit: TurnCircuit,
  read: 'drawn' | 'most',
): Sized {
  const fitted = TurnCircuits.of(job.vehicle, fitmentOf(job, shelf, 'leds'));
  // What is not known yet may ask for less ohms: the set must do for every possibility.
  const intervals = possibilities.flatMap((possibility) => {
    const { bands, learned } = possibility;
    const emfVolts = chargingVolts(job.vehicle.systemVolts);
    const stockAmps = bands.turns.solve({ emfVolts, sides: [circuit.side] }).totalAmps;
    return variantOf(possibility, shelf, 'leds').fitted.map((turns) =>
      ohmsInterval(turns, learned ?? bands, circuit, stockAmps, bands.currents, read),
    );
  });
  const tightest = intervals.reduce((least, each) => (each.maxOhms < least.maxOhms ? each : least));
  const highest = intervals.reduce((most, each) => (each.minOhms > most.minOhms ? each : most));
  const { minOhms, minSetBy, allowedAmps } = highest;
  return { fitted, interval: { ...tightest, minOhms, minSetBy, allowedAmps } };
}
