/** The four verdicts, best to worst. */
export const VERDICT_STATES = ['holds', 'either-way', 'falls-short', 'too-much'] as const;
export type VerdictState = (typeof VERDICT_STATES)[number];

export const VERDICT_WORDS: Record<VerdictState, string> = {
  holds: 'Holds',
  'either-way': 'Could go either way',
  'falls-short': 'Falls short',
  'too-much': 'Too much',
};

/** The worse of several verdicts. */
export function worstState(states: readonly VerdictState[]): VerdictState {
  const rank = Math.max(0, ...states.map((state) => VERDICT_STATES.indexOf(state)));
  return VERDICT_STATES[rank] ?? 'holds';
}
