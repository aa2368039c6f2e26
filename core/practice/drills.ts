import { E12, seriesBetween } from '../catalogue/eSeries.ts';
import { SOCKET_CORNERS, wiringFromEarths } from '../catalogue/finder.ts';
import { planResistors } from '../cures/loadResistor/plan.ts';
import { BenchVehicle } from '../instruments/benchVehicle.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { circuitById, lampById, lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import { oneOf, type Random, shuffled } from '../numerics/random.ts';
import { quickAnswer } from '../quick/answer.ts';
import { type QuickQuestion, quickQuestion } from '../quick/question.ts';
import { controlsFor } from '../simulation/moment.ts';
import { lampAcross } from '../vehicle/across.ts';
import { circuitsToSwitch, connectorsOf, functionsAt, nameOf } from '../wiring/connectors.ts';
import type { DrillKind, DrillQuestion } from './drill.ts';

/** A drill that finds no question by then has no vehicle to ask about. */
const TRIES = 60;
/** A flash whose halves differ by less does not bounce, V. */
const BOUNCE_VOLTS = 1;
/** Wire-wound resistors are mostly made to this (common practice). */
const TOLERANCE = 0.05;

/**
 * One question of a drill about one of some vehicles, its answer worked out by the engine.
 *
 * @returns null where none of them has what the drill is about
 */
export function drillQuestion(
  kind: DrillKind,
  jobs: readonly Job[],
  shelf: Shelf,
  random: Random,
): DrillQuestion | null {
  for (let tries = 0; tries < TRIES; tries++) {
    const made = MAKERS[kind](jobs, shelf, random);
    if (made) return made;
  }
  return null;
}

type Maker = (jobs: readonly Job[], shelf: Shelf, random: Random) => DrillQuestion | null;

const MAKERS: Record<DrillKind, Maker> = {
  wires: wiresQuestion,
  socket: socketQuestion,
  flash: flashQuestion,
  resistor: resistorQuestion,
};

/** A plug whose wires stand in any order, with what a meter shows at each for each thing that is switched on. */
function wiresQuestion(jobs: readonly Job[], shelf: Shelf, random: Random): DrillQuestion | null {
  if (jobs.length === 0) return null;
  const job = oneOf(random, jobs);
  const plugs = connectorsOf(job.vehicle).filter(({ connector }) => connector.at.kind === 'lamps');
  if (plugs.length === 0) return null;
  const { connector } = oneOf(random, plugs);
  const functions = functionsAt(job.vehicle, connector).filter(({ id }) => id !== 'nothing');
  const feeds = functions.filter(({ use }) => use.does === 'feed');
  if (feeds.length < 2 || functions.length > 6) return null;
  const order = shuffled(random, functions);
  const wanted = oneOf(random, feeds);
  const switched = circuitsToSwitch(functions).map((id) => circuitById(job.vehicle, id));
  const readings = order.map(({ node, about }) =>
    switched.map((circuit) => {
      const panel = {
        configuration: 'stock' as const,
        controls: { ...controlsFor(circuit) },
        emfVolts: 1.05 * job.vehicle.systemVolts,
      };
      const vehicle = new BenchVehicle(job, shelf, panel, [], () => 0);
      const { most, least } = vehicle.volts({ id: '', name: '', group: '', node, about });
      const bounces = most - least > BOUNCE_VOLTS;
      return { volts: bounces ? (most + least) / 2 : most, bounces };
    }),
  );
  const mine = readings[order.indexOf(wanted)];
  // Two wires that read alike everywhere no meter tells apart.
  if (readings.filter((each) => alike(each, mine ?? [])).length > 1) return null;
  return {
    kind: 'wires',
    vehicle: job.vehicle.name,
    plug: connector.name,
    wanted: nameOf(job.vehicle, wanted.use),
    switched: switched.map(({ name }) => name),
    readings,
    options: order.map((_, at) => String(at + 1)),
    right: order.indexOf(wanted),
  };
}

type Readings = Extract<DrillQuestion, { kind: 'wires' }>['readings'][number];

function alike(a: Readings, b: Readings): boolean {
  return a.every((each, at) => {
    const other = b[at];
    return other && each.bounces === other.bounces && Math.abs(each.volts - other.volts) < 1;
  });
}

/** Two contacts of a twin wedge socket that are earth. */
function socketQuestion(_jobs: readonly Job[], _shelf: Shelf, random: Random): DrillQuestion {
  const corners = shuffled(
    random,
    SOCKET_CORNERS.map((_, at) => at),
  );
  const earths = [corners[0] ?? 0, corners[1] ?? 1] as const;
  const options = ['standard', 'ck', 'measure-again'] as const;
  return { kind: 'socket', earths, options, right: options.indexOf(wiringFromEarths(earths)) };
}

const DRILL_LAMPS = ['rear-turn', 'front-turn', 'all-turn', 'repeater'] as const;
const DRILL_FLASHERS = ['watching-relay', 'non-watching-relay', 'thermal', 'controller'] as const;

/** An LED in turn lamps, with what is known of it. */
function flashQuestion(_jobs: readonly Job[], shelf: Shelf, random: Random): DrillQuestion | null {
  const lamps = oneOf(random, DRILL_LAMPS);
  const question: QuickQuestion = {
    ...quickQuestion(lamps),
    led: {
      kind: oneOf(random, ['plain', 'regulated', 'load'] as const),
      watts: oneOf(random, [1, 2, 3, 5, 7, 21]),
      forVolts: 12,
    },
    systemVolts: 12,
    year: oneOf(random, [1985, 1997, 2008, 2016]),
    region: oneOf(random, ['UN', 'US'] as const),
    flasher: oneOf(random, DRILL_FLASHERS),
    sides: oneOf(random, ['both', 'left'] as const),
  };
  const { asked: _, ...outcome } = quickAnswer(question, shelf, 'drill', '2026-01-01T00:00:00.000Z');
  const options = ['normal', 'fast', 'either'] as const;
  const right =
    outcome.state === 'holds'
      ? 'normal'
      : outcome.state === 'either-way'
        ? 'either'
        : outcome.state === 'falls-short' && (outcome.rate?.low ?? 0) > 120
          ? 'fast'
          : null;
  return right === null || outcome.stop
    ? null
    : { kind: 'flash', question, outcome, options, right: options.indexOf(right) };
}

/** Which of four resistors a side holds, of a vehicle with some of its turn lamps converted. */
function resistorQuestion(jobs: readonly Job[], shelf: Shelf, random: Random): DrillQuestion | null {
  const able = jobs.filter(({ vehicle, chosen }) =>
    turnCircuits(vehicle).some((circuit) => lampIdsOf(circuit).some((id) => chosen[id])),
  );
  if (able.length === 0) return null;
  const job = oneOf(random, able);
  const circuit = turnCircuits(job.vehicle)[0];
  if (!circuit) return null;
  // Some of what the job converts, alike on both sides.
  const mine = lampIdsOf(circuit).filter((id) => job.chosen[id]);
  const kept = mine.filter(() => random() < 0.7);
  if (kept.length === 0) return null;
  const both = new Set(
    kept.flatMap((id) => [id, lampAcross(job.vehicle, lampById(job.vehicle, id))?.id ?? id]),
  );
  const chosen = Object.fromEntries(
    Object.entries(job.chosen).map(([id, led]) => [id, both.has(id) ? led : null]),
  );
  const bare: Job = { ...job, chosen, cures: {}, vehicleCures: [], evidence: [] };
  const { interval } = planResistors(bare, shelf, circuit);
  if (!Number.isFinite(interval.maxOhms) || interval.minOhms >= interval.maxOhms) return null;
  const holds = (ohms: number) =>
    ohms * (1 + TOLERANCE) <= interval.maxOhms && ohms * (1 - TOLERANCE) >= interval.minOhms;
  const near = seriesBetween(E12, Math.max(0.5, interval.maxOhms / 12), interval.maxOhms * 8);
  const right = near.filter(holds);
  const wrong = near.filter(
    (ohms) =>
      ohms * (1 - TOLERANCE) > interval.maxOhms * 1.02 || ohms * (1 + TOLERANCE) < interval.minOhms * 0.98,
  );
  if (right.length === 0 || wrong.length < 3) return null;
  const answer = oneOf(random, right);
  const options = shuffled(random, [answer, ...shuffled(random, wrong).slice(0, 3)]);
  return {
    kind: 'resistor',
    vehicle: job.vehicle.name,
    side: circuit.name,
    converted: kept.map((id) => lampById(job.vehicle, id).name),
    interval,
    tolerance: TOLERANCE,
    options,
    right: options.indexOf(answer),
  };
}
