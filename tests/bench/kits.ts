/** Speed of checking a kit sheet: forty years and twenty questions of three answers, 4.2 × 10¹¹ kinds of vehicle. */
import { checkSheet } from '../../core/kits/checkSheet.ts';
import type { KitCondition, KitSheet } from '../../core/model/kit.ts';

/** Told apart by decade, then by the questions in turn, in another order each decade: sound, or with one variant missing. */
function bigSheet(sound: boolean): KitSheet {
  const names = Array.from({ length: 20 }, (_, at) => `q${at}`);
  const variant = (id: string, when: KitCondition) => ({
    id,
    name: id,
    when,
    uses: [],
    used: [],
    capped: [],
    links: [],
    modules: [],
  });
  const variants = [0, 1, 2, 3].flatMap((decade) => {
    const when: KitCondition = { year: { from: 1990 + 10 * decade, to: 1999 + 10 * decade } };
    const mine = names.map((_, at) => names[(at + 5 * decade) % 20] as string);
    const no = (some: readonly string[]) => Object.fromEntries(some.map((name) => [name, ['1', '2']]));
    return [
      ...mine.map((name, at) =>
        variant(`d${decade}-${at}`, { ...when, ...no(mine.slice(0, at)), [name]: ['3'] }),
      ),
      variant(`d${decade}-rest`, { ...when, ...no(mine) }),
    ];
  });
  return {
    items: [],
    plugs: [],
    questions: [
      { id: 'year', about: 'year', from: 1990, to: 2029 },
      ...names.map((id) => ({
        id,
        about: 'own' as const,
        text: id,
        answers: ['1', '2', '3'].map((answer) => ({ id: answer, text: answer })),
      })),
    ],
    impossible: [],
    variants: sound ? variants : variants.filter(({ id }) => id !== 'd2-11'),
  };
}

const sheets = { sound: bigSheet(true), gap: bigSheet(false) };

export const kitRows: readonly (readonly [what: string, run: () => unknown, calls: number])[] = [
  ['a kit sheet of 40 years and 20 questions, sound', () => checkSheet(sheets.sound), 5],
  ['the same with a gap', () => checkSheet(sheets.gap), 5],
];
