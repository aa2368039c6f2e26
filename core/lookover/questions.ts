// Longer than 300 lines: every question with its answer, one after the other.
import { regionWords } from '../formatting/regionWords.ts';
import type { Job } from '../model/job.ts';
import { mayReadBrake, setBrakeSense } from '../model/vehicle/brakeSense.ts';
import type { CircuitKind } from '../model/vehicle/circuit.ts';
import { Flasher } from '../model/vehicle/flasher.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import { TurnOutputs, type Vehicle, type VehicleFacts, type VehicleKind } from '../model/vehicle/vehicle.ts';
import { leaveOutputsOpen, setFlasher } from '../presets/flashers.ts';
import { retuneWatchers } from '../vehicle/edit/assumed.ts';
import { typicalBulbCheck } from '../vehicle/edit/bulbCheck.ts';
import { forgetWhatIsGone, tellTurnsAnew } from '../vehicle/edit/jobEdits.ts';
import { isInside, settleWatch } from '../vehicle/edit/openWatch.ts';
import { distinctLayouts, setTurnOutputs, turnOutputsOf } from '../vehicle/edit/turnOutputs.ts';
import { OUTPUTS_LOOK } from '../words/outputs.ts';

export type QuestionId =
  | 'flasher'
  | 'outputs'
  | 'repeaters'
  | 'gearbox'
  | 'brake-sense'
  | 'bulb-check'
  | 'towing'
  | 'lamp-modules'
  | 'high-voltage';

/** A question that matters for one vehicle. */
export interface Question {
  id: QuestionId;
  ask: string;
  /** what hangs on the answer */
  why: string;
  /** what is done while nobody knows */
  meanwhile: string;
  options: readonly { value: string; label: string }[];
  /** the answer so far; empty where nobody knows yet */
  answer: string;
}

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
] as const;
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
  const boot = WITH_BOOT.includes(kind);
  const drives = kind !== 'trailer' && kind !== 'moped';
  const questions: (Question & { matters: boolean })[] = [
    {
      id: 'flasher',
      matters: true,
      ask: 'What makes the turn lamps flash?',
      why: 'A relay can be changed for one that does not watch; a controller cannot, and reads every output by itself.',
      meanwhile: `Taken as what is usual for a ${year} ${kind}: ${flasher.name}.`,
      options: FLASHER_OPTIONS,
      answer: facts.flasherSeen ? flasher.kind : '',
    },
    {
      id: 'outputs',
      matters: flasher.kind === 'controller' && distinctLayouts(vehicle, LAYOUTS).length > 1,
      ask: 'Which turn lamps hang on one output?',
      why: 'Each output watches for itself: where each corner has its own, a load at the rear does nothing for the front.',
      meanwhile: `Judged each way: what holds must hold for all. ${OUTPUTS_LOOK}`,
      options: distinctLayouts(vehicle, LAYOUTS).map((layout) => ({
        value: layout,
        label: OUTPUT_LABELS[layout],
      })),
      answer: facts.turnOutputs ? '' : (turnOutputsOf(vehicle) ?? ''),
    },
    {
      id: 'repeaters',
      matters: flasher.kind === 'watching-relay' && repeaters,
      ask: 'Does the relay watch the side repeaters too?',
      why: 'It decides how much current the relay wants to see, and whether a repeater LED takes from it.',
      meanwhile:
        'Both are computed, and what holds must hold for both. Pull one repeater bulb: if the flash changes, it watches.',
      options: YES_NO,
      answer: flasher.kind === 'watching-relay' ? yesNo(flasher.watchesRepeaters ?? undefined) : '',
    },
    {
      id: 'gearbox',
      matters: boot && stops && year >= 1985,
      ask: 'Which gearbox has it?',
      why: 'Automatics often read the brake pedal through the stop lamp’s filament for the shift lock.',
      meanwhile: 'Taken as one that may be read; the next question decides.',
      options: [
        { value: 'manual', label: 'Manual' },
        { value: 'automatic', label: 'Automatic' },
      ],
      answer: facts.gearbox ?? '',
    },
    {
      id: 'brake-sense',
      matters: mayReadBrake(vehicle),
      ask: 'Does a control unit read the stop circuit (cruise control, shift lock)?',
      why: 'An LED does not tie the wire to earth as a cold filament does; the unit then thinks the pedal is down.',
      meanwhile:
        'Judged both ways: what holds must hold with one and without. Measure the wire with its lamps out, key on, pedal up: over 2 V says yes.',
      options: YES_NO,
      answer: yesNo(facts.brakeSensed),
    },
    {
      id: 'bulb-check',
      matters:
        drives &&
        flasher.kind !== 'controller' &&
        ((year >= BULB_CHECK_YEARS.first && year <= BULB_CHECK_YEARS.last) || openOutside(vehicle)),
      ask: 'Is there a bulb-check module (a bulb telltale on the dash)?',
      why: 'It watches stop, tail and plate lamps by their current, beside the relay, and an LED flasher relay does not content it.',
      meanwhile:
        'Judged both ways: what holds must hold with one and without. Look for a bulb telltale in the dash lamp check when the key is turned.',
      options: YES_NO,
      answer: yesNo(facts.bulbCheck),
    },
    {
      id: 'towing',
      matters: drives,
      ask: 'Does it tow?',
      why: 'Trailer lamps add to relay and fuse, and a towing module may test the lamps of the trailer.',
      meanwhile: 'Taken as not towing.',
      options: [
        { value: 'none', label: 'No socket' },
        { value: 'plain-socket', label: 'Socket wired to the lamps' },
        { value: 'socket-with-module', label: 'Socket with its own module' },
      ],
      answer: facts.towing ?? '',
    },
    {
      id: 'lamp-modules',
      matters: boot && year >= 2008 && rear,
      ask: 'Does a module live in the rear lamps (blind-spot sensor)?',
      why: 'It must move to a new whole lamp, and its plug must not be left out.',
      meanwhile: 'Look behind the lamp before ordering a whole one.',
      options: YES_NO,
      answer: yesNo(facts.lampModules),
    },
    {
      id: 'high-voltage',
      matters: drives && year >= 2000,
      ask: 'Is it hybrid or electric?',
      why: 'High voltage is for qualified people; orange cables are never touched.',
      meanwhile: 'Look for orange cables before anything is opened.',
      options: YES_NO,
      answer: yesNo(facts.highVoltage),
    },
  ];
  const said = (text: string) => regionWords(vehicle.region, text);
  return questions
    .filter((each) => each.matters)
    .map(({ matters: _, ...question }) => ({
      ...question,
      ask: said(question.ask),
      why: said(question.why),
      meanwhile: said(question.meanwhile),
    }));
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
      return turns;
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
const OUTPUT_LABELS: Record<TurnOutputs, string> = {
  side: 'All of a side on one',
  corner: 'Each corner on its own, the repeater with the front',
  lamp: 'Each lamp on its own',
};

export const FLASHER_OPTIONS = [
  { value: 'watching-relay', label: 'A relay that watches the current' },
  { value: 'non-watching-relay', label: 'A relay that does not watch' },
  { value: 'thermal', label: 'A thermal flasher' },
  { value: 'controller', label: 'A body controller' },
] as const;

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
  const kind = FLASHER_OPTIONS.find((option) => option.value === answer)?.value;
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
  retuneWatchers(vehicle);
}
