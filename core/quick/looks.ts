import type { LookId } from '../evidence/looks.ts';
import { nextTurnTest } from '../possible/nextTest.ts';
import type { QuickAnswer } from './answer.ts';
import { isAboutTurns, type QuickQuestion } from './question.ts';
import { circuitsAsked } from './quickJob.ts';

/** Something cheap to look at that decides what is open; `words/looks.ts` says what to do. */
export interface Look {
  id: LookId;
  minutes: number;
}

/**
 * What would settle what a quick check leaves open: the test that tells most per minute, else what nobody has read off
 * LED or bulb yet.
 *
 * @throws UnknownReferenceError for a bulb or part that is not known
 */
export function quickLook(
  question: QuickQuestion,
  { asked, state, allFour }: Pick<QuickAnswer, 'asked' | 'state' | 'allFour'>,
): Look | null {
  if (state === null || state === 'holds') return null;
  if (!isAboutTurns(question.lamps)) return state === 'either-way' ? steadyLook(question) : null;
  const { job, shelf, lampIds } = asked;
  if (allFour && job.vehicle.facts?.pilotAssumed) return { id: 'pilot', minutes: 1 };
  const circuitId = circuitsAsked(job.vehicle, lampIds)[0] ?? '';
  const test = nextTurnTest(job, shelf, circuitId, question.heard !== null);
  if (test) return test;
  if (question.led.kind !== 'part' && question.led.watts === null) return { id: 'watts', minutes: 1 };
  if (!question.bulbRead && question.bulb === null) return { id: 'bulb-number', minutes: 2 };
  return null;
}

function steadyLook({ lamps }: QuickQuestion): Look {
  switch (lamps) {
    case 'interior':
    case 'map':
    case 'boot':
    case 'load-area':
      return { id: 'glow', minutes: 10 };
    case 'third-brake':
      return { id: 'brake-wire', minutes: 5 };
    default:
      return { id: 'watched', minutes: 2 };
  }
}
