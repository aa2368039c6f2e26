import { quickAnswer } from '../../core/quick/answer.ts';
import { quickCure } from '../../core/quick/cure.ts';
import { quickLook } from '../../core/quick/looks.ts';
import { type QuickQuestion, quickQuestion } from '../../core/quick/question.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { decidedShare, seeded, someQuestions } from '../fuzz/decidedShare.ts';

const AT = '2026-11-26T10:00:00.000Z';
const UNKNOWN = quickQuestion('rear-turn');
const STOP = quickQuestion('stop-tail');
const TRIED: QuickQuestion = {
  ...UNKNOWN,
  trials: [{ result: 'fast', side: 'left', lights: false, engine: false, supplyVolts: null }],
};
const ask = (question: QuickQuestion) => quickAnswer(question, DEMO_SHELF, 'bench', AT);
const asked = ask(UNKNOWN);
const stop = ask(STOP);

/** What a quick check works out, with how often each is run. */
export const quickRows: readonly (readonly [what: string, run: () => unknown, calls: number])[] = [
  ['quick check, everything unknown: the verdict', () => ask(UNKNOWN), 30],
  ['quick check, after one trial: the verdict', () => ask(TRIED), 15],
  ['quick check, stop and tail, everything unknown: the verdict', () => ask(STOP), 15],
  ['quick check: the look that decides', () => quickLook(UNKNOWN, asked), 10],
  ['quick check: every cure, everything unknown', () => quickCure(asked.asked), 5],
  ['quick check, stop and tail: every cure', () => quickCure(stop.asked), 3],
];

const DRAWN = 60;

/** How many hidden vehicles a quick check decides, at once and after one trial. */
export function shareInWords(): string {
  const random = seeded(11);
  const { atOnce, afterTrial, wrong } = decidedShare(someQuestions(24, random), DRAWN, random);
  const percent = (count: number) => `${Math.round((100 * count) / DRAWN)} %`;
  return `Of ${DRAWN} hidden vehicles a quick check decides ${percent(atOnce)} at once and ${percent(afterTrial)} after one trial; ${wrong.length} wrong.`;
}
