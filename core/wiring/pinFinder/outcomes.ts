import { agreement, FALSE_SHARE, type Read, readingOf, readWords } from './agreement.ts';
import type { Expected } from './expected.ts';

/**
 * The outcomes of one test for each group: every reading that one of them gives, with the share of each. Readings that lie
 * close are outcomes of each other, so that a test that hardly tells two apart is not thought to.
 */
export function outcomesOf(row: readonly Expected[]): ReadonlyMap<string, number>[] {
  const reads = row.flatMap((expected) => readingOf(expected) ?? []);
  const kinds = [...new Map(reads.map((read) => [readWords(read), read]))];
  return row.map((expected) => {
    const agrees = kinds.map(([, read]) => agreement(expected, read));
    const total = agrees.reduce((sum, each) => sum + each, 0);
    return new Map(
      kinds.map(([words], at) => [
        words,
        FALSE_SHARE / kinds.length + ((1 - FALSE_SHARE) * (agrees[at] ?? 0)) / Math.max(total, 1e-9),
      ]),
    );
  });
}

/** Whether what two functions give in a test is hardly told apart: then nothing of them is open. */
export function alike(a: Expected, b: Expected): boolean {
  const [readA, readB] = [readingOf(a), readingOf(b)];
  if (!readA || !readB) return true;
  const near = (of: Expected, other: Read, own: Read) => agreement(of, other) > 0.4 * agreement(of, own);
  return near(a, readB, readA) && near(b, readA, readB);
}
