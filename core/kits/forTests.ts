import type { KitCondition, KitSheet, KitVariant } from '../model/kit.ts';

/** A variant for tests, with nothing but its condition. */
export function variant(id: string, when: KitCondition): KitVariant {
  return { id, name: id, when, uses: [], used: [], capped: [], links: [], modules: [] };
}

/** A sheet of questions a, b, c with answers 1, 2, 3, and of a year where it is given. */
export function sheetOf(
  questions: Readonly<Record<string, number>>,
  variants: readonly KitVariant[],
  impossible: readonly KitCondition[] = [],
  years?: readonly [number, number],
): KitSheet {
  return {
    items: [],
    plugs: [],
    questions: [
      ...(years ? [{ id: 'year', about: 'year' as const, from: years[0], to: years[1] }] : []),
      ...Object.entries(questions).map(([id, answers]) => ({
        id,
        about: 'own' as const,
        text: id,
        answers: Array.from({ length: answers }, (_, at) => ({ id: `${at + 1}`, text: `${at + 1}` })),
      })),
    ],
    impossible: [...impossible],
    variants: [...variants],
  };
}
