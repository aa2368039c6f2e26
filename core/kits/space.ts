import type { KitCondition, KitQuestion, KitSheet } from '../model/kit.ts';

/**
 * A set of vehicles as a sheet tells them apart: of each question, in its order, the answers that are in it, one bit an
 * answer. Every condition is such a box, and so is what has been answered so far.
 */
export type Box = readonly bigint[];

/** The answers of a question as the sheet writes them; years as digits. */
export function answersOf(question: KitQuestion): string[] {
  return question.about === 'year'
    ? Array.from({ length: Math.max(0, question.to - question.from + 1) }, (_, at) =>
        String(question.from + at),
      )
    : question.answers.map(({ id }) => id);
}

/** What an answer is called; the answer itself where it is a year or none of the sheet's. */
export function answerText(question: KitQuestion, answer: string): string {
  if (question.about === 'year') return answer;
  return question.answers.find(({ id }) => id === answer)?.text ?? answer;
}

/** All vehicles there could be. */
export function everything({ questions }: Pick<KitSheet, 'questions'>): Box {
  return questions.map((question) => (1n << BigInt(answersOf(question).length)) - 1n);
}

/** The vehicles a condition is about. What it says of questions the sheet does not have says nothing. */
export function boxOf(sheet: Pick<KitSheet, 'questions'>, when: KitCondition): Box {
  return sheet.questions.map((question) => {
    const all = answersOf(question);
    const said = when[question.id];
    if (said === undefined) return (1n << BigInt(all.length)) - 1n;
    const wanted = Array.isArray(said)
      ? (answer: string) => said.includes(answer)
      : (answer: string) => Number(answer) >= said.from && Number(answer) <= said.to;
    return all.reduce((bits, answer, at) => (wanted(answer) ? bits | (1n << BigInt(at)) : bits), 0n);
  });
}

/** What is in both. */
export function intersect(a: Box, b: Box): Box {
  return a.map((bits, at) => bits & (b[at] as bigint));
}

/** Whether there is no vehicle in it. */
export function isEmpty(box: Box): boolean {
  return box.some((bits) => bits === 0n);
}

/** Whether all of `inner` is in `outer`. */
export function contains(outer: Box, inner: Box): boolean {
  return inner.every((bits, at) => (bits & ~(outer[at] as bigint)) === 0n);
}

/** How many answers are in one question of a box, a count. */
export function countOf(bits: bigint): number {
  let count = 0;
  for (let left = bits; left !== 0n; left &= left - 1n) count += 1;
  return count;
}
