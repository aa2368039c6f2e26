import { SOCKET_CORNERS } from '../catalogue/finder.ts';
import { amps, capital, inARow, ohms, volts } from '../formatting/format.ts';
import { genericLedName } from '../quick/genericLed.ts';
import { quickLampName } from '../quick/question.ts';
import { wordsOfAnswer } from '../words/quick.ts';
import type { DrillKind, DrillQuestion, DrillReading } from './drill.ts';

export const DRILL_NAMES: Record<DrillKind, string> = {
  wires: 'Which wire is which',
  socket: 'Standard or CK',
  flash: 'Will it flash fast',
  resistor: 'Pick the resistor',
};

/** What each drill is about, in a sentence. */
export const DRILL_ABOUT: Record<DrillKind, string> = {
  wires: 'A plug, a meter on each cavity, one thing switched on after the other.',
  socket: 'A twin wedge socket, and the two contacts that are earth.',
  flash: 'An LED, its watts, and what flashes it.',
  resistor: 'A vehicle with some lamps converted: one resistor across each side.',
};

const EARTHS = { standard: 'standard', ck: 'CK', 'measure-again': 'neither: measure again' } as const;
const FLASHES = {
  normal: 'It flashes as it should',
  fast: 'It flashes fast',
  either: 'It could go either way',
} as const;
const FLASHERS = {
  'watching-relay': 'a relay that watches current',
  'non-watching-relay': 'a relay that does not watch',
  thermal: 'a thermal flasher',
  controller: 'a body controller',
} as const;

/** The question as it is asked. */
export function askedWords(question: DrillQuestion): string {
  switch (question.kind) {
    case 'wires':
      return `${question.plug} of the ${question.vehicle}, bulbs in, engine off. Which cavity is ${question.wanted}?`;
    case 'socket':
      return `Earth is at the ${SOCKET_CORNERS[question.earths[0]]} and the ${SOCKET_CORNERS[question.earths[1]]} contact of a twin wedge socket. How is it wired?`;
    case 'flash': {
      const { lamps, led, year, flasher, sides } = question.question;
      const known = led.kind === 'part' ? '' : `${genericLedName(led.kind)} of ${led.watts} W`;
      return `${quickLampName(lamps)}, ${sides === 'both' ? 'both sides' : 'left side alone'}: ${known}, on a car of ${year} with ${flasher ? FLASHERS[flasher] : 'any flasher'}. What does it do?`;
    }
    case 'resistor':
      return `${question.vehicle}, ${inARow(question.converted.map((each) => each.toLowerCase()))} converted. Which one resistor across ${question.side.toLowerCase()} holds?`;
  }
}

/** One option as it stands on its button. */
export function optionWords(question: DrillQuestion, index: number): string {
  switch (question.kind) {
    case 'wires':
      return `Cavity ${question.options[index]}`;
    case 'socket':
      return capital(EARTHS[question.options[index] ?? 'standard']);
    case 'flash':
      return FLASHES[question.options[index] ?? 'either'];
    case 'resistor':
      return ohms(question.options[index] ?? 0);
  }
}

/** What a meter shows, in a cell of a table. */
export function readingWords({ volts: shown, bounces }: DrillReading): string {
  return bounces ? 'bounces' : Math.abs(shown) < 0.3 ? '0 V' : volts(shown);
}

/** Why it is so, with the figures the engine has it from. */
export function whyWords(question: DrillQuestion): string {
  switch (question.kind) {
    case 'wires': {
      const row = question.readings[question.right] ?? [];
      const told = row.map(
        (each, at) => `${readingWords(each)} with ${question.switched[at]?.toLowerCase()}`,
      );
      return `Cavity ${question.options[question.right]}: ${inARow(told)}. Computed on this vehicle with a meter of 10 MΩ.`;
    }
    case 'socket':
      return 'Earths on opposite corners are standard, on one flank CK (common practice). At one end they are neither: the probe slipped.';
    case 'flash': {
      const { headline, why } = wordsOfAnswer(question.outcome);
      return `${headline}. ${why}`;
    }
    case 'resistor': {
      const { interval, tolerance } = question;
      return `At most ${ohms(interval.maxOhms)} so that the relay sees enough at ${volts(interval.deciding.point.volts)}, at least ${ohms(interval.minOhms)} so that no more than ${amps(interval.allowedAmps)} flow; and that with ${Math.round(100 * tolerance)} % either way. Computed.`;
    }
  }
}
