import { capital } from '../../formatting/format.ts';
import type { About, LaterCure } from '../../work/steps/stepAbout.ts';
import { receivingTicks } from '../receiving.ts';
import { switchWords } from '../switches.ts';
import type { StepWords } from './stepWords.ts';

const SEAT = 'Driver’s seat';
const ROUND = 'Walk round';
const BENCH = 'Bench';
const HOT_RESISTORS =
  'Resistors are hot after this: keep off them, and feel for heat only near them, never on them.';

const LATER_WORDS: Record<LaterCure, string> = {
  'flasher-relay': 'the new flasher',
  'controller-setting': 'the setting',
};

/** The parts, looked at before anything is opened. */
export function receiveWords({ parts, vehicle }: About<'receive'>): StepWords {
  return {
    place: BENCH,
    title: 'Look at the parts before anything is opened',
    text: 'Plug, pins and tabs against the old ones, which way up, and each lights on a battery. A wrong part found now is a return; found later it is the day. What is wrong is marked on Pick: it goes back, and only its own steps wait.',
    cautions: [],
    ticks: parts.flatMap((part) => receivingTicks(part, vehicle)),
  };
}

/** The vehicle made safe. */
export function prepareWords({ highVoltage }: About<'prepare'>): StepWords {
  return {
    place: SEAT,
    title: 'Make the vehicle safe',
    text: 'Parking brake on, wheels chocked, key out, all lamps off. Let the bulbs cool.',
    cautions: [
      'Bulbs that were lit burn fingers: measure, or let them cool. Stock bulbs come out before any lamp is switched on for testing.',
      ...(highVoltage ? ['High voltage: qualified people only, and nobody touches an orange cable.'] : []),
    ],
  };
}

/** What is only in the way, out and in again. */
export function inTheWayWords({ of, what }: About<'in-the-way' | 'in-the-way-back'>): StepWords {
  return of === 'in-the-way'
    ? {
        place: ROUND,
        title: `Take out what is in the way: ${what}`,
        text: 'Note how it sits and where its plugs go; it goes back when every lamp is tested.',
        cautions: [],
      }
    : {
        place: ROUND,
        title: `Put back what was in the way: ${what}`,
        text: 'Every lamp has been seen lit. Its plugs go back where they were.',
        cautions: [],
      };
}

/** Everything a round looks at, on. */
export function switchOnWords({ switches }: About<'switch-on'>): StepWords {
  const prop = switches.includes('brake') ? ' Hold the pedal down with a prop.' : '';
  return {
    place: SEAT,
    title: 'Switch on what is tested now',
    text: `${capital(switchWords(switches))}. It stays on for the round.${prop}`,
    cautions: [
      'No stock bulb is in a lamp that was worked on: they get hot in seconds: measure before touching.',
      'The battery is a budget: off again when the round is done.',
    ],
  };
}

/** What says the same of every vehicle. */
export const FIXED: Record<'switch-off' | 'battery-off' | 'battery-on' | 'keep-stock', StepWords> = {
  'switch-off': {
    place: SEAT,
    title: 'Everything off again',
    text: 'Key out, lights off, prop off the pedal.',
    cautions: [],
  },
  'battery-off': {
    place: 'Battery',
    title: 'Take the battery off',
    text: 'Key out first, minus lead off first and away from its post. Note codes of radio and windows before.',
    cautions: [],
  },
  'battery-on': {
    place: 'Battery',
    title: 'Put the battery back on',
    text: 'Plus first, minus last. Clock, windows and radio as the vehicle’s maker says.',
    cautions: [],
  },
  'keep-stock': {
    place: BENCH,
    title: 'Put the stock bulbs away',
    text: 'Labelled with lamp and vehicle. Write where they are kept on the Hand over stage.',
    cautions: [],
  },
};

/** One side looked at whole, or the two laid beside each other. */
export function compareWords({ side, both, later }: About<'compare'>): StepWords {
  const waits = later && `How fast it flashes is not asked yet: ${LATER_WORDS[later]} comes after the lamps.`;
  if (!both)
    return {
      place: ROUND,
      title: `Test the ${side} side whole`,
      text: `Key on, ${side} turn. All its lamps light${waits ? `. ${waits}` : ', at the normal rate.'} Then everything off.`,
      cautions: [],
      helper: {
        say: `Key on, ${side} turn`,
        see: `every lamp of the ${side} side${waits ? '' : ', at the normal rate'}`,
      },
    };
  return {
    place: ROUND,
    title: 'Compare the two sides',
    text: `Left turn, then right turn: one side is converted and the other still stock. They should ${
      waits
        ? `show the same colour, every lamp lit. ${waits} The converted side may well flash fast or raise a message until then.`
        : `flash at the same rate and show the same colour. If the ${side} side is fast, find out why before touching the other.`
    } Then everything off.`,
    cautions: [],
    helper: {
      say: 'Left turn. Then right turn',
      see: waits ? 'every lamp, the same colour' : 'both sides at the same rate, the same colour',
    },
  };
}

/** What ends a job that flashes. */
export function hazardRunWords({ hazardSwitch, resistors }: About<'hazard-run'>): StepWords {
  return {
    place: SEAT,
    title: hazardSwitch ? 'Run hazard for two minutes' : 'Run each turn side for a minute',
    text: 'Engine off. Count the flashes; then the measured rates go on the Prove stage.',
    cautions: resistors ? [HOT_RESISTORS] : [],
  };
}

/** What ends a job that does not flash. */
export function longRunWords({ switches, resistors }: About<'long-run'>): StepWords {
  return {
    place: ROUND,
    title: 'Leave what was converted on for five minutes',
    text: `${capital(switchWords(switches))}. Look for flicker and for a message; then off, and in the dark look that nothing glows. What was seen goes on the Prove stage.`,
    cautions: resistors ? [HOT_RESISTORS] : [],
  };
}
