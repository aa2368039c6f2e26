import type { KitQuestion, KitSheet, KitVariant } from '../model/kit.ts';
import { uncovered } from './cover.ts';
import { answersOf, type Box, boxOf, countOf, everything, intersect, isEmpty } from './space.ts';

/** Where a sheet stands with some answers given. */
export interface Asked {
  /** variants that may still apply */
  left: readonly KitVariant[];
  /** the one that applies, whatever else is answered; null while more than one may, or none does */
  settled: KitVariant | null;
  /** questions that still divide, the most dividing first; one nobody can answer is left out */
  open: readonly KitQuestion[];
  /** whether some of the vehicles that are left have no variant at all */
  gap: boolean;
  /** answers that do not go together, or are none of the sheet's */
  contradicts: boolean;
}

/**
 * What follows from some answers: the variants that are left, and the questions that still tell them apart. A question whose
 * answers all leave the same variants is not asked.
 *
 * @param answers by question; of a question nobody has answered, or none of its answers, nothing is known
 * @param skipped questions nobody can answer
 * @throws TooEntangledError where the sheet cannot be gone through
 */
export function askSheet(
  sheet: KitSheet,
  answers: Readonly<Record<string, string>>,
  skipped: readonly string[] = [],
): Asked {
  const cannot = sheet.impossible.map((when) => boxOf(sheet, when));
  const boxes = sheet.variants.map(({ when }) => boxOf(sheet, when));
  const at = answered(sheet, answers);
  const stays = (where: Box) =>
    sheet.variants.filter((_, index) => {
      const both = intersect(where, boxes[index] as Box);
      return !isEmpty(both) && uncovered(both, cannot, 1).length > 0;
    });
  const left = stays(at);
  const gap = uncovered(at, [...boxes, ...cannot], 1).length > 0;
  const open = sheet.questions
    .map((question, index) => {
      // Two questions may tell together what neither tells alone.
      const told = left.some((variant) => {
        const bits = (boxes[sheet.variants.indexOf(variant)] as Box)[index] as bigint;
        return ((at[index] as bigint) & ~bits) !== 0n;
      });
      return { question, rest: restOf(question, index, at, stays, told) };
    })
    .filter(({ question, rest }) => rest !== null && !skipped.includes(question.id))
    .toSorted((a, b) => (a.rest as number) - (b.rest as number))
    .map(({ question }) => question);
  return {
    left,
    settled: left.length === 1 && !gap ? (left[0] as KitVariant) : null,
    open: left.length > 1 || (left.length === 1 && gap) ? open : [],
    gap,
    contradicts: isEmpty(at) || uncovered(at, cannot, 1).length === 0,
  };
}

/** What has been answered, as a set of vehicles: a question without an answer of its own is open. */
function answered(sheet: KitSheet, answers: Readonly<Record<string, string>>): Box {
  const whole = everything(sheet);
  return sheet.questions.map((question, index) => {
    const answer = answers[question.id];
    if (answer === undefined) return whole[index] as bigint;
    const bit = answersOf(question).indexOf(answer);
    return bit >= 0 ? 1n << BigInt(bit) : 0n;
  });
}

/**
 * How many variants an answer leaves in the mean, every answer taken as likely as the next; null where no answer tells
 * anything.
 *
 * @param told whether a variant that is left says something of it
 */
function restOf(
  question: KitQuestion,
  index: number,
  at: Box,
  stays: (where: Box) => readonly KitVariant[],
  told: boolean,
): number | null {
  const bits = at[index] as bigint;
  if (countOf(bits) < 2) return null;
  const counts: number[] = [];
  const sets = new Set<string>();
  for (const [bit] of answersOf(question).entries()) {
    const one = 1n << BigInt(bit);
    if ((bits & one) === 0n) continue;
    const left = stays(at.map((each, other) => (other === index ? one : each)));
    // An answer no vehicle can give divides nothing.
    counts.push(left.length);
    sets.add(left.map(({ id }) => id).join());
  }
  if (sets.size < 2 && !told) return null;
  return counts.reduce((sum, count) => sum + count, 0) / counts.length;
}
