import { regionWords } from '../formatting/regionWords.ts';
import type { Question, QuestionId } from '../lookover/questions.ts';
import type { DaytimeBeside } from '../model/vehicle/circuit.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import type { TurnOutputs, Vehicle } from '../model/vehicle/vehicle.ts';
import { LOOK_WORDS } from './looks.ts';

/** A question as it is asked. */
export interface QuestionWords {
  ask: string;
  /** what hangs on the answer */
  why: string;
  /** what is done while nobody knows */
  meanwhile: string;
  options: readonly { value: string; label: string }[];
}

type Asked = Omit<QuestionWords, 'options' | 'meanwhile'> & {
  meanwhile: string | ((vehicle: Vehicle) => string);
  answers: Readonly<Record<string, string>>;
};

/** What flashes the turn lamps, to choose from. */
export const FLASHER_OPTIONS: readonly { value: FlasherKind; label: string }[] = [
  { value: 'watching-relay', label: 'A relay that watches the current' },
  { value: 'non-watching-relay', label: 'A relay that does not watch' },
  { value: 'thermal', label: 'A thermal flasher' },
  { value: 'controller', label: 'A body controller' },
];

const OUTPUT_LABELS: Record<TurnOutputs, string> = {
  side: 'All of a side on one',
  corner: 'Each corner on its own, the repeater with the front',
  lamp: 'Each lamp on its own',
};

const DAYTIME_LABELS: Record<DaytimeBeside, string> = {
  off: 'They go off',
  dimmed: 'They are dimmed',
  same: 'They stay as they are',
};

const YES_NO = { yes: 'Yes', no: 'No' };

const ASKED: Record<QuestionId, Asked> = {
  flasher: {
    ask: 'What makes the turn lamps flash?',
    why: 'A relay can be changed for one that does not watch; a controller cannot, and reads every output by itself.',
    meanwhile: ({ year, kind, flasher }) => `Taken as what is usual for a ${year} ${kind}: ${flasher.name}.`,
    answers: Object.fromEntries(FLASHER_OPTIONS.map(({ value, label }) => [value, label])),
  },
  outputs: {
    ask: 'Which turn lamps hang on one output?',
    why: 'Each output watches for itself: where each corner has its own, a load at the rear does nothing for the front.',
    meanwhile: `Judged each way: what holds must hold for all. ${LOOK_WORDS.outputs.inShort}`,
    answers: OUTPUT_LABELS,
  },
  repeaters: {
    ask: 'Does the relay watch the side repeaters too?',
    why: 'It decides how much current the relay wants to see, and whether a repeater LED takes from it.',
    meanwhile:
      'Both are computed, and what holds must hold for both. Pull one repeater bulb: if the flash changes, it watches.',
    answers: YES_NO,
  },
  'daytime-lights': {
    ask: 'What do the daytime running lamps do when the lights go on?',
    why: 'Dimmed to position light they are pulsed: an LED may flicker, and what watches them looks at another current.',
    meanwhile: 'Judged each way: what holds must hold for all. Key on, then the lights on, and look at them.',
    answers: DAYTIME_LABELS,
  },
  'daytime-turning': {
    ask: 'And the one beside a turn lamp, while that flashes?',
    why: 'Many are put off or dimmed on the side that turns.',
    meanwhile: 'Judged each way. Key on, lights off, left turn: look at the left one.',
    answers: DAYTIME_LABELS,
  },
  gearbox: {
    ask: 'Which gearbox has it?',
    why: 'Automatics often read the brake pedal through the stop lamp’s filament for the shift lock.',
    meanwhile: 'Taken as one that may be read; the next question decides.',
    answers: { manual: 'Manual', automatic: 'Automatic' },
  },
  'brake-sense': {
    ask: 'Does a control unit read the stop circuit (cruise control, shift lock)?',
    why: 'An LED does not tie the wire to earth as a cold filament does; the unit then thinks the pedal is down.',
    meanwhile:
      'Judged both ways: what holds must hold with one and without. Measure the wire with its lamps out, key on, pedal up: over 2 V says yes.',
    answers: YES_NO,
  },
  'bulb-check': {
    ask: 'Is there a bulb-check module (a bulb telltale on the dash)?',
    why: 'It watches stop, tail and plate lamps by their current, beside the relay, and an LED flasher relay does not content it.',
    meanwhile:
      'Judged both ways: what holds must hold with one and without. Look for a bulb telltale in the dash lamp check when the key is turned.',
    answers: YES_NO,
  },
  'brake-use': {
    ask: 'How much is its brake used?',
    why: 'One filament stops and turns: a load resistor there is lit by the brake too, and is estimated to get hotter the longer it is held.',
    meanwhile: 'Taken as stop and go: twenty minutes on the brake.',
    answers: { 'stop-and-go': 'Stop and go, long queues', road: 'Roads, now and then' },
  },
  towing: {
    ask: 'Does it tow?',
    why: 'Trailer lamps add to relay and fuse, and a towing module may test the lamps of the trailer.',
    meanwhile: 'Taken as not towing.',
    answers: {
      none: 'No socket',
      'plain-socket': 'Socket wired to the lamps',
      'socket-with-module': 'Socket with its own module',
    },
  },
  'lamp-modules': {
    ask: 'Does a module live in the rear lamps (blind-spot sensor)?',
    why: 'It must move to a new whole lamp, and its plug must not be left out.',
    meanwhile: 'Look behind the lamp before ordering a whole one.',
    answers: YES_NO,
  },
  'high-voltage': {
    ask: 'Is it hybrid or electric?',
    why: 'High voltage is for qualified people; orange cables are never touched.',
    meanwhile: 'Look for orange cables before anything is opened.',
    answers: YES_NO,
  },
};

/** A question about a vehicle in the words of its region. */
export function wordsOfQuestion({ id, options }: Question, vehicle: Vehicle): QuestionWords {
  const { ask, why, meanwhile, answers } = ASKED[id];
  const said = (text: string) => regionWords(vehicle.region, text);
  return {
    ask: said(ask),
    why: said(why),
    meanwhile: said(typeof meanwhile === 'string' ? meanwhile : meanwhile(vehicle)),
    options: options.map((value) => ({ value, label: answers[value] ?? value })),
  };
}
