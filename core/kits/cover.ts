import { type Box, contains, intersect, isEmpty } from './space.ts';

/** Past so many comparisons of two answers a sheet is too entangled to be gone through (about two seconds), and that is said. */
const MOST_WORK = 8_000_000;

/** A sheet whose conditions cut across each other in so many ways that nobody could go through them. Says what to do. */
export class TooEntangledError extends Error {
  constructor() {
    super(
      'The conditions of this sheet cut across each other in too many ways to be checked. Use fewer questions, or the same questions in all variants.',
    );
    this.name = 'TooEntangledError';
  }
}

/**
 * The parts of one set of vehicles that none of some other sets has, as boxes: the question that most sets divide by is
 * split into answers they all take alike, until a part is wholly in one of them or in none (as the method of Davis,
 * Putnam, Logemann and Loveland does for clauses).
 *
 * @param most so many parts are enough
 * @throws TooEntangledError where it would take too long
 */
export function uncovered(start: Box, sets: readonly Box[], most: number): Box[] {
  const found: Box[] = [];
  const covered = new Set<string>();
  let work = 0;
  const walk = (at: Box, over: readonly Box[]): boolean => {
    work += over.length * at.length;
    if (work > MOST_WORK) throw new TooEntangledError();
    const near = over.filter((set) => !isEmpty(intersect(set, at)));
    if (near.some((set) => contains(set, at))) return true;
    if (near.length === 0) {
      found.push(at);
      return found.length < most;
    }
    const [question, key] = branch(at, near);
    // What is the same part cut by the same sets was gone through before.
    if (covered.has(key)) return true;
    const before = found.length;
    for (const answers of alike(at[question] as bigint, near, question)) {
      const part = at.map((bits, index) => (index === question ? answers : bits));
      if (!walk(part, near)) return false;
    }
    if (found.length === before) covered.add(key);
    return true;
  };
  if (!isEmpty(start)) walk(start, sets);
  return found;
}

/** The question most sets divide by, and a key of what is left to be gone through. */
function branch(at: Box, near: readonly Box[]): [number, string] {
  const divided = at.map(
    (bits, question) => near.filter((set) => (bits & ~(set[question] as bigint)) !== 0n).length,
  );
  const question = divided.indexOf(Math.max(...divided));
  const key = near
    .map((set) => set.map((bits, index) => (divided[index] ? bits & (at[index] as bigint) : '')).join())
    .toSorted()
    .join(';');
  return [question, `${at.map((bits, index) => (divided[index] ? bits : '')).join()}|${key}`];
}

/** Answers in groups that every set has whole or not at all. */
function alike(bits: bigint, near: readonly Box[], question: number): bigint[] {
  let groups = [bits];
  for (const set of near) {
    const has = set[question] as bigint;
    groups = groups.flatMap((group) => [group & has, group & ~has].filter((each) => each !== 0n));
  }
  return groups;
}

/** Boxes that differ in one question only, made one: a gap is named once, and not in pieces. */
export function merged(boxes: readonly Box[]): Box[] {
  const left = [...boxes];
  for (let joined = true; joined; ) {
    joined = false;
    search: for (let a = 0; a < left.length; a += 1)
      for (let b = a + 1; b < left.length; b += 1) {
        const one = left[a] as Box;
        const other = left[b] as Box;
        const differs = one.flatMap((bits, at) => (bits === other[at] ? [] : [at]));
        if (differs.length > 1) continue;
        const [at = 0] = differs;
        left[a] = one.map((bits, index) => (index === at ? bits | (other[at] as bigint) : bits));
        left.splice(b, 1);
        joined = true;
        break search;
      }
  }
  return left;
}
