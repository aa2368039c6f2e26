import { type DeviationKey, deviationOf } from '../model/deviationKey.ts';
import { unlike } from './layered.ts';
import type { Outcome } from './outcome.ts';

/** What a cell shows that is not as it should be: what is certain to be seen, and what may be. */
export interface Shown {
  sure: readonly DeviationKey[];
  maybe: readonly DeviationKey[];
}
export const NOTHING_SHOWN: Shown = { sure: [], maybe: [] };

/** Below the first share of what a lamp should give it is dark, above the second dim (what an eye tells beside its twin). */
const DARK = [0.025, 0.08] as const;
/** Below the first it is dim, above the second as it should be; and the same for too bright. */
const DIM = [0.5, 0.72] as const;
const BRIGHT = [1.45, 2.1] as const;
/** A lamp that should be dark and gives so much is seen to glow, or to be lit, lm. */
const GLOWS = [0.05, 0.4] as const;
const LIT = [2.5, 6] as const;
/** Heat of a resistor in the mean, W: below the first a hand feels none, above the second it does. */
const WARM = [0.4, 1.5] as const;
/** So many times as hot as it should be is felt. */
const HOTTER = [1.6, 2.4] as const;

type Sides = readonly [number, number];

/**
 * What of a cell is not as it should be. Where an eye may tell it either way, or a current lies in a band nobody knows
 * better, it is maybe.
 */
export function deviations(expected: Outcome, seen: Outcome): Shown {
  const sure: DeviationKey[] = [];
  const maybe: DeviationKey[] = [];
  /** `over` beyond both, `under` below both, and between them either. */
  const graded = (
    value: number,
    [low, high]: Sides,
    under: DeviationKey | null,
    over: DeviationKey | null,
  ) => {
    if (value >= high) {
      if (over) sure.push(over);
    } else if (value <= low) {
      if (under) sure.push(under);
    } else maybe.push(...[under, over].flatMap((each) => each ?? []));
  };
  for (const lampId of unlike(seen.lumens, expected.lumens)) {
    const lumens = seen.lumens.get(lampId) ?? 0;
    const should = expected.lumens.get(lampId) ?? 0;
    if (should < GLOWS[1]) {
      // What glows as it is fitted is no fault of its own.
      if (lumens <= 1.5 * should) continue;
      if (lumens >= LIT[0]) graded(lumens, LIT, `${lampId} glows`, `${lampId} wrong`);
      else graded(lumens, GLOWS, null, `${lampId} glows`);
      continue;
    }
    const share = lumens / should;
    if (share >= 1) graded(share, BRIGHT, null, `${lampId} bright`);
    else if (share <= DARK[1]) graded(share, DARK, `${lampId} dark`, `${lampId} dim`);
    else graded(share, DIM, `${lampId} dim`, null);
  }
  for (const lampId of unlike(seen.watts, expected.watts)) {
    const watts = seen.watts.get(lampId);
    if (watts === undefined) continue;
    const should = expected.watts.get(lampId) ?? 0;
    if (should >= WARM[1]) {
      if (watts < should) graded(watts, WARM, `${lampId} cold`, null);
      else graded(watts / should, HOTTER, null, `${lampId} hot`);
    } else if (watts > 2 * should) graded(watts, WARM, null, `${lampId} hot`);
  }
  const lost = [...expected.watts.keys()].filter(
    (id) => !seen.watts.has(id) && (expected.watts.get(id) ?? 0) >= WARM[1],
  );
  sure.push(...lost.map((lampId): DeviationKey => `${lampId} cold`));
  // A flash and the dash are as they should be or not, whatever is expected of what is fitted.
  if (seen.flash === 'unsure') maybe.push(`flash ${seen.short}`);
  else if (seen.flash !== null && seen.flash !== 'normal') sure.push(`flash ${seen.flash}`);
  for (const id of seen.blown) sure.push(`blown ${id}`);
  for (const id of seen.mayBlow) if (!seen.blown.has(id)) maybe.push(`blown ${id}`);
  for (const id of seen.messages) sure.push(`message ${id}`);
  for (const id of seen.maybe) maybe.push(`message ${id}`);
  return { sure: sure.toSorted(), maybe: maybe.toSorted() };
}

/** What lies between nothing and the utmost of a lamp: a size in between shows it. */
const ON_THE_WAY = new Map<string, 'dim' | 'glows'>([
  ['dark', 'dim'],
  ['wrong', 'glows'],
]);

/**
 * What a fault of unknown size shows: what it shows at every size is sure, what it shows at some maybe, and so is what a
 * lamp goes through on its way there.
 */
export function atAnySize(shown: readonly Shown[]): Shown {
  const [first, ...others] = shown;
  if (!first || others.length === 0) return first ?? NOTHING_SHOWN;
  const sure = first.sure.filter((each) => others.every((other) => other.sure.includes(each)));
  const all = new Set(shown.flatMap((each) => [...each.sure, ...each.maybe]));
  for (const each of [...all]) {
    const found = deviationOf(each);
    const between = found && ON_THE_WAY.get(found.what);
    if (between && 'lampId' in found && !sure.includes(each)) all.add(`${found.lampId} ${between}`);
  }
  return { sure, maybe: [...all].filter((each) => !sure.includes(each)).toSorted() };
}

/** Whether a cell shows nothing out of the ordinary, and nothing that may be. */
export function isNothing({ sure, maybe }: Shown): boolean {
  return sure.length === 0 && maybe.length === 0;
}

/** What two things show together. */
export function bothShown(a: Shown, b: Shown): Shown {
  if (isNothing(b)) return a;
  const sure = [...new Set([...a.sure, ...b.sure])].toSorted();
  const maybe = [...new Set([...a.maybe, ...b.maybe])].filter((each) => !sure.includes(each)).toSorted();
  return { sure, maybe };
}

/** Whether one shows just what another does. */
export function isSame(a: Shown, b: Shown): boolean {
  return a.sure.join() === b.sure.join() && a.maybe.join() === b.maybe.join();
}
