import type { Job } from '../model/job.ts';
import { mayReadBrake, setBrakeSense } from '../model/vehicle/brakeSense.ts';
import { type CircuitKind, DaytimeBeside } from '../model/vehicle/circuit.ts';
import { Flasher, FlasherKind } from '../model/vehicle/flasher.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import { TurnOutputs, type Vehicle, type VehicleFacts, type VehicleKind } from '../model/vehicle/vehicle.ts';
import { leaveOutputsOpen, setFlasher } from '../presets/flashers.ts';
import { retuneAssumed } from '../vehicle/edit/assumed.ts';
import { typicalBulbCheck } from '../vehicle/edit/bulbCheck.ts';
import { setDaytime } from '../vehicle/edit/daytime.ts';
import { forgetWhatIsGone, tellTurnsAnew } from '../vehicle/edit/jobEdits.ts';
import { isInside, settleWatch } from '../vehicle/edit/openWatch.ts';
import { distinctLayouts, setTurnOutputs, turnOutputsOf } from '../vehicle/edit/turnOutputs.ts';

export type QuestionId =
  | 'flasher'
  | 'outputs'
  | 'repeaters'
  | 'daytime-lights'
  | 'daytime-turning'
  | 'gearbox'
  | 'brake-sense'
  | 'bulb-check'
  | 'brake-use'
  | 'towing'
  | 'lamp-modules'
  | 'high-voltage';

/** A question that matters for one vehicle; `words/questions.ts` asks it. */
export interface Question {
  id: QuestionId;
  /** what may be answered */
  options: readonly string[];
  /** the answer so far; empty where nobody knows yet */
  answer: string;
}

const YES_NO = ['yes', 'no'] as const;
const yesNo = (fact: boolean | undefined) => (fact === undefined ? '' : fact ? 'yes' : 'no');

const WITH_BOOT: readonly VehicleKind[] = ['car', 'van', 'minibus'];
/** Years in which bulb-check modules beside the relay are found (common practice). */
const BULB_CHECK_YEARS = { first: 1978, last: 2012 };

/**
 * The questions that bear on this vehicle, and none that do not.
 *
 * @param rear whether lamps at its rear are worked on
 */
export function questionsFor(vehicle: Vehicle, rear = true): Question[] {
  const { flasher, kind, year } = vehicle;
  const facts = vehicle.facts ?? {};
  const turning = new Set(turnCircuits(vehicle).flatMap(lampIdsOf));
  const repeaters = vehicle.lamps.some((lamp) => lamp.role === 'repeater' && turning.has(lamp.id));
  const stops = vehicle.circuits.some((circuit) => circuit.kind === 'stop' || circuit.kind === 'third-brake');
  // Where a turn lamp's load is lit by the brake too, how long it brakes decides what it bears.
  const stopsAndTurns = turnCircuits(vehicle).some(({ stopFuseId }) => stopFuseId !== undefined);
  const daytime = vehicle.circuits.filter((circuit) => circuit.kind === 'daytime-running');
  const boot = WITH_BOOT.includes(kind);
  const drives = kind !== 'trailer' && kind !== 'moped';
  const questions: (Question & { matters: boolean })[] = [
    {
      id: 'flasher',
      matters: true,
      options: FlasherKind.options,
      answer: facts.flasherSeen ? flasher.kind : '',
    },
    {
      id: 'outputs',
      matters: flasher.kind === 'controller' && distinctLayouts(vehicle, LAYOUTS).length > 1,
      options: distinctLayouts(vehicle, LAYOUTS),
      answer: facts.turnOutputs ? '' : (turnOutputsOf(vehicle) ?? ''),
    },
    {
      id: 'repeaters',
      matters: flasher.kind === 'watching-relay' && repeaters,
      options: YES_NO,
      answer: flasher.kind === 'watching-relay' ? yesNo(flasher.watchesRepeaters ?? undefined) : '',
    },
    ...(['lights', 'turning'] as const).map((beside) => ({
      id: `daytime-${beside}` as const,
      matters: daytime.length > 0,
      options: DaytimeBeside.options,
      answer: daytime[0]?.daytime?.[beside] ?? '',
    })),
    {
      id: 'gearbox',
      matters: boot && stops && year >= 1985,
      options: ['manual', 'automatic'],
      answer: facts.gearbox ?? '',
    },
    {
      id: 'brake-sense',
      matters: mayReadBrake(vehicle),
      options: YES_NO,
      answer: yesNo(facts.brakeSensed),
    },
    {
      id: 'bulb-check',
      matters:
        drives &&
        flasher.kind !== 'controller' &&
        ((year >= BULB_CHECK_YEARS.first && year <= BULB_CHECK_YEARS.last) || openOutside(vehicle)),
      options: YES_NO,
      answer: yesNo(facts.bulbCheck),
    },
    {
      id: 'brake-use',
      matters: stopsAndTurns,
      options: ['stop-and-go', 'road'],
      answer: facts.brakeUse ?? '',
    },
    {
      id: 'towing',
      matters: drives,
      options: ['none', 'plain-socket', 'socket-with-module'],
      answer: facts.towing ?? '',
    },
    {
      id: 'lamp-modules',
      matters: boot && year >= 2008 && rear,
      options: YES_NO,
      answer: yesNo(facts.lampModules),
    },
    {
      id: 'high-voltage',
      matters: drives && year >= 2000,
      options: YES_NO,
      answer: yesNo(facts.highVoltage),
    },
  ];
  return questions.filter(({ matters }) => matters).map(({ matters: _, ...question }) => question);
}

/** Whether nobody has looked if something watches an outer lamp that does not flash. */
function openOutside({ circuits }: Vehicle): boolean {
  return circuits.some(({ kind, watched }) => watched === null && !isInside(kind) && kind !== 'turn');
}

/** Whether a question bears on a job that touches circuits of some kinds and no others. */
export function bearsOn(id: QuestionId, touched: ReadonlySet<CircuitKind>): boolean {
  const turns = touched.has('turn');
  const stops = touched.has('stop') || touched.has('third-brake');
  const outside = [...touched].some((kind) => !isInside(kind));
  switch (id) {
    // Whether it is a controller bears on whatever hangs on its outputs.
    case 'flasher':
      return turns || outside;
    case 'outputs':
    case 'repeaters':
    case 'brake-use':
      return turns;
    case 'daytime-lights':
    case 'daytime-turning':
      return touched.has('daytime-running');
    case 'gearbox':
    case 'brake-sense':
      return stops;
    case 'bulb-check':
    case 'towing':
    case 'lamp-modules':
      return outside;
    case 'high-voltage':
      return true;
  }
}

const LAYOUTS = TurnOutputs.options;

/**
 * Writes an answer into a job: the fact, and what of the circuits follows from it. An empty answer takes it back.
 *
 * @param job changed in place
 */
export function answerQuestion(job: Job, id: QuestionId, answer: string): void {
  const { vehicle } = job;
  vehicle.facts ??= {};
  const { facts } = vehicle;
  const said = answer === '' ? undefined : answer === 'yes';
  switch (id) {
    case 'flasher':
      answerFlasher(job, answer);
      break;
    case 'outputs':
      answerOutputs(job, answer);
      break;
    case 'repeaters':
      if (vehicle.flasher.kind === 'watching-relay') vehicle.flasher.watchesRepeaters = said ?? null;
      break;
    case 'daytime-lights':
    case 'daytime-turning':
      setDaytime(
        vehicle,
        id === 'daytime-lights' ? 'lights' : 'turning',
        DaytimeBeside.safeParse(answer).data ?? null,
        true,
      );
      break;
    case 'gearbox':
      setFact(facts, 'gearbox', answer === 'manual' || answer === 'automatic' ? answer : undefined);
      // A manual one is not asked whether it is sensed: an answer given for an automatic one goes with it.
      if (answer === 'manual') {
        setFact(facts, 'brakeSensed', undefined);
        sayBrakeSense(vehicle, false);
      }
      break;
    case 'brake-sense':
      setFact(facts, 'brakeSensed', said);
      sayBrakeSense(vehicle, said === true);
      break;
    case 'bulb-check':
      setFact(facts, 'bulbCheck', said);
      if (said) vehicle.bulbCheck ??= typicalBulbCheck(vehicle);
      else delete vehicle.bulbCheck;
      settleWatch(vehicle);
      break;
    case 'brake-use':
      setFact(facts, 'brakeUse', answer === 'stop-and-go' || answer === 'road' ? answer : undefined);
      break;
    case 'towing':
      setFact(
        facts,
        'towing',
        answer === 'none' || answer === 'plain-socket' || answer === 'socket-with-module'
          ? answer
          : undefined,
      );
      break;
    case 'lamp-modules':
      setFact(facts, 'lampModules', said);
      for (const lamp of vehicle.lamps) {
        if (lamp.end !== 'rear' || lamp.role !== 'main' || lamp.side === 'centre') continue;
        if (said) lamp.module ??= 'blind-spot sensor';
        else delete lamp.module;
      }
      break;
    case 'high-voltage':
      setFact(facts, 'highVoltage', said);
      break;
  }
}

function answerFlasher(job: Job, answer: string): void {
  const { vehicle } = job;
  const kind = FlasherKind.options.find((option) => option === answer);
  setFact(vehicle.facts ?? {}, 'flasherSeen', kind === undefined ? undefined : true);
  if (kind === undefined || kind === vehicle.flasher.kind) return;
  const before = plain(vehicle);
  setFlasher(vehicle, kind);
  Flasher.parse(vehicle.flasher);
  tellTurnsAnew(job, before);
  // What flashes it is another: which outputs it has nobody has looked at yet.
  if (kind === 'controller') leaveOutputsOpen(vehicle);
  forgetWhatIsGone(job);
}

/** Draws the outputs as they were found, or leaves all of them possible again. */
function answerOutputs(job: Job, answer: string): void {
  const { vehicle } = job;
  const layout = LAYOUTS.find((each) => each === answer);
  if (!layout) {
    leaveOutputsOpen(vehicle);
    return;
  }
  const before = plain(vehicle);
  setTurnOutputs(vehicle, layout);
  delete vehicle.facts?.turnOutputs;
  tellTurnsAnew(job, before);
  forgetWhatIsGone(job);
}

/** A copy that stays as it is when a draft is changed. */
function plain(vehicle: Vehicle): Vehicle {
  return JSON.parse(JSON.stringify(vehicle)) as Vehicle;
}

function setFact<K extends keyof VehicleFacts>(facts: VehicleFacts, name: K, value: VehicleFacts[K]): void {
  if (value === undefined) delete facts[name];
  else facts[name] = value;
}

function sayBrakeSense(vehicle: Vehicle, sensed: boolean): void {
  setBrakeSense(vehicle, sensed);
  retuneAssumed(vehicle);
}
