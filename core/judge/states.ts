/** The four verdicts, best to worst. */
export const VERDICT_STATES = ['holds', 'either-way', 'falls-short', 'too-much'] as const;
export type VerdictState = (typeof VERDICT_STATES)[number];

export const VERDICT_WORDS: Record<VerdictState, string> = {
  holds: 'Holds',
  'either-way': 'Could go either way',
  'falls-short': 'Falls short',
  'too-much': 'Too much',
};

/** Sorts the worst first: by how many ranks the second is worse, a count. */
export function byWorst(a: VerdictState, b: VerdictState): number {
  return VERDICT_STATES.indexOf(b) - VERDICT_STATES.indexOf(a);
}

/** The worse of several verdicts. */
export function worstState(states: readonly VerdictState[]): VerdictState {
  const rank = Math.max(0, ...states.map((state) => VERDICT_STATES.indexOf(state)));
  return VERDICT_STATES[rank] ?? 'holds';
}
