import { type NextTest, nextTurnTest } from '../possible/nextTest.ts';
import type { QuickAnswer } from './answer.ts';
import { isAboutTurns, type QuickQuestion } from './question.ts';
import { circuitsAsked } from './quickJob.ts';

/** Something cheap to look at that decides what is open. */
export interface Look extends Omit<NextTest, 'id'> {
  id: NextTest['id'] | 'bulb-number' | 'watts' | 'watched' | 'brake-wire' | 'pilot';
}

/**
 * What would settle what a quick check leaves open: the test that tells most per minute, else what nobody has read off
 * LED or bulb yet.
 *
 * @throws UnknownReferenceError for a bulb or part that is not known
 */
export function quickLook(question: QuickQuestion, { asked, state, allFour }: QuickAnswer): Look | null {
  if (state === null || state === 'holds') return null;
  if (!isAboutTurns(question.lamps)) return state === 'either-way' ? steadyLook(question) : null;
  const { job, shelf, lampIds } = asked;
  if (allFour && job.vehicle.facts?.pilotAssumed)
    return {
      id: 'pilot',
      minutes: 1,
      act: 'Look at the turn pilots in the dash: one for both sides, or one for each?',
      means: 'Through a single one between the sides LEDs of the other side light too: all four flash.',
    };
  const circuitId = circuitsAsked(job.vehicle, lampIds)[0] ?? '';
  const test = nextTurnTest(job, shelf, circuitId, question.heard !== null);
  if (test) return test;
  if (question.led.kind !== 'part' && question.led.watts === null)
    return {
      id: 'watts',
      minutes: 1,
      act: 'Read the watts on the LED or its packet',
      means: 'Without them it is judged from the least to the most that is sold for this bulb.',
    };
  if (!question.bulbRead && question.bulb === null)
    return {
      id: 'bulb-number',
      minutes: 2,
      act: 'Read the number on the stock bulb',
      means: 'Bulbs that interchange draw differently.',
    };
  return null;
}

function steadyLook({ lamps }: QuickQuestion): Look {
  switch (lamps) {
    case 'interior':
      return {
        id: 'watched',
        minutes: 10,
        act: 'Fit one and wait ten minutes with the doors shut',
        means: 'A glow or a flicker while it is off is a lamp that is watched or leaked to.',
      };
    case 'third-brake':
      return {
        id: 'brake-wire',
        minutes: 5,
        act: 'Lamp out, key on, pedal up: measure its wire',
        means: 'Over 2 V says that a control unit reads it; then one filament stays, or a bleed resistor.',
      };
    default:
      return {
        id: 'watched',
        minutes: 2,
        act: 'Take one stock bulb out and switch on, engine running',
        means: 'A message on the dash: the circuit is watched. None within a minute: it mostly is not.',
      };
  }
}
