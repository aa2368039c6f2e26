import { type QuickAnswer, quickAnswer } from '../../core/quick/answer.ts';
import { type QuickQuestion, quickQuestion } from '../../core/quick/question.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { hiddenVehicle, randomQuestion, trialOf } from './hiddenVehicle.ts';

/** Numbers that look drawn and are the same at each run (mulberry32). */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** Some questions about rear turn lamps that say as much or as little as somebody happens to know. */
export function someQuestions(count: number, random: () => number): QuickQuestion[] {
  return Array.from({ length: count }, () => randomQuestion(quickQuestion('rear-turn'), random));
}

/** How many of some hidden vehicles a quick check decides, and every decision that was wrong, in words. */
export interface DecidedShare {
  atOnce: number;
  afterTrial: number;
  wrong: string[];
}

/** Draws vehicles behind the questions one after the other, asks at once and again after one trial of each. */
export function decidedShare(
  questions: readonly QuickQuestion[],
  drawn: number,
  random: () => number,
): DecidedShare {
  const share: DecidedShare = { atOnce: 0, afterTrial: 0, wrong: [] };
  const answer = (question: QuickQuestion): QuickAnswer =>
    quickAnswer(question, DEMO_SHELF, 'hidden', '2026-11-26T10:00:00.000Z');
  for (let count = 0; count < drawn; count += 1) {
    const question = questions[count % questions.length] as QuickQuestion;
    const hidden = hiddenVehicle(question, DEMO_SHELF, random);
    const who = `${count}: ${hidden.way.flasher} ${hidden.law}`;
    const check = ({ state }: QuickAnswer): number => {
      if (state === 'either-way') return 0;
      if ((state === 'holds') !== hidden.holds) share.wrong.push(`${who} was told ${state}`);
      return 1;
    };
    const before = answer(question);
    share.atOnce += check(before);
    const seen = answer({ ...question, trials: [trialOf(hidden, before.asked.systemVolts, random)] });
    if (seen.fitsNone) share.wrong.push(`${who} was said to contradict itself`);
    share.afterTrial += check(seen);
  }
  return share;
}
