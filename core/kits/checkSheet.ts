import type { KitCondition, KitQuestion, KitSheet, KitVariant } from '../model/kit.ts';
import { merged, TooEntangledError, uncovered } from './cover.ts';
import { answersOf, type Box, boxOf, everything, intersect, isEmpty } from './space.ts';

/** A vehicle as a sheet sees it: an answer to every question. */
export type KitVehicle = Readonly<Record<string, string>>;

/** Answers of the questions that matter, all others being open. */
export type KitPart = Readonly<Record<string, readonly string[]>>;

/** What is wrong with a sheet as a whole. */
export type SheetFault =
  /** no variant is for these vehicles, one of which is the example */
  | { kind: 'hole'; which: KitPart; example: KitVehicle }
  /** two variants are for the same vehicle */
  | { kind: 'overlap'; variantIds: readonly [string, string]; which: KitPart; example: KitVehicle }
  /** a variant is for no vehicle at all */
  | { kind: 'never'; variantId: string }
  /** a condition says something of a question or answer the sheet does not have */
  | { kind: 'unknown'; where: string; what: string }
  /** a variant takes what is not in the box, or more of it */
  | { kind: 'not-in-box'; variantId: string; what: string; wanted: number; there: number }
  /** a question whose years run backwards */
  | { kind: 'backwards'; what: string }
  /** two things of one name in the sheet */
  | { kind: 'twice'; what: string }
  /** it cannot be gone through */
  | { kind: 'entangled' };

/** So many gaps and overlaps are named; who has mended those checks again. */
const MOST_NAMED = 12;
const MOST_PARTS = 60;

/**
 * Checks a kit sheet as a whole: over everything its questions can say, what cannot be left out, every vehicle must have one
 * variant and no vehicle two; and no variant may take what is not in the box.
 *
 * @throws TypeError for what is no sheet
 */
export function checkSheet(sheet: KitSheet): SheetFault[] {
  const faults = [...repeated(sheet), ...backwards(sheet), ...unknownNames(sheet), ...beyondBox(sheet)];
  // Gaps of a sheet that names what is not there would be gaps of another sheet.
  if (faults.some(({ kind }) => kind === 'unknown' || kind === 'backwards')) return faults;
  try {
    return [...faults, ...spaceFaults(sheet)];
  } catch (error) {
    if (error instanceof TooEntangledError) return [...faults, { kind: 'entangled' }];
    throw error;
  }
}

function spaceFaults(sheet: KitSheet): SheetFault[] {
  const whole = everything(sheet);
  const cannot = sheet.impossible.map((when) => boxOf(sheet, when));
  const boxes = sheet.variants.map(({ when }) => boxOf(sheet, when));
  const holes = merged(uncovered(whole, [...boxes, ...cannot], MOST_PARTS)).slice(0, MOST_NAMED);
  const faults: SheetFault[] = holes.map((hole) => ({
    kind: 'hole',
    which: inWords(sheet, hole),
    example: exampleOf(sheet, hole),
  }));
  const overlaps: SheetFault[] = [];
  sheet.variants.forEach((variant, at) => {
    const box = boxes[at] as Box;
    if (uncovered(box, cannot, 1).length === 0) {
      faults.push({ kind: 'never', variantId: variant.id });
      return;
    }
    for (let other = 0; other < at && overlaps.length < MOST_NAMED; other += 1) {
      const both = intersect(box, boxes[other] as Box);
      if (isEmpty(both)) continue;
      const [first] = merged(uncovered(both, cannot, MOST_PARTS));
      if (first)
        overlaps.push({
          kind: 'overlap',
          variantIds: [(sheet.variants[other] as KitVariant).id, variant.id],
          which: inWords(sheet, first),
          example: exampleOf(sheet, first),
        });
    }
  });
  return [...faults, ...overlaps];
}

/** The questions a part says something of, with the answers in it. */
export function inWords(sheet: Pick<KitSheet, 'questions'>, box: Box): KitPart {
  const whole = everything(sheet);
  return Object.fromEntries(
    sheet.questions.flatMap((question, at) =>
      box[at] === whole[at] ? [] : [[question.id, answersOf(question).filter((_, bit) => has(box[at], bit))]],
    ),
  );
}

const has = (bits: bigint | undefined, bit: number) => (((bits ?? 0n) >> BigInt(bit)) & 1n) === 1n;

/** One vehicle of a part: of each question the first answer in it. */
export function exampleOf(sheet: Pick<KitSheet, 'questions'>, box: Box): KitVehicle {
  return Object.fromEntries(
    sheet.questions.map((question, at) => [
      question.id,
      answersOf(question).find((_, bit) => has(box[at], bit)) ?? '',
    ]),
  );
}

function backwards({ questions }: KitSheet): SheetFault[] {
  return questions.flatMap((question) =>
    question.about === 'year' && question.from > question.to
      ? [{ kind: 'backwards' as const, what: `${question.from} to ${question.to}` }]
      : [],
  );
}

function repeated(sheet: KitSheet): SheetFault[] {
  const twice = (names: readonly string[]) => [
    ...new Set(names.filter((name, at) => names.indexOf(name) !== at)),
  ];
  return [
    ...twice(sheet.variants.map(({ name }) => name)),
    ...twice(sheet.variants.map(({ id }) => id)),
    ...twice(sheet.items.map(({ id }) => id)),
    ...twice(sheet.plugs.map(({ id }) => id)),
    ...twice(sheet.questions.map(({ id }) => id)),
    ...sheet.questions.flatMap((each) =>
      each.about === 'year' ? [] : twice(each.answers.map(({ id }) => id)),
    ),
  ].map((what) => ({ kind: 'twice', what }));
}

function unknownNames(sheet: KitSheet): SheetFault[] {
  const known = new Map(sheet.questions.map((question) => [question.id, question]));
  const ofCondition = (where: string, when: KitCondition): SheetFault[] =>
    Object.entries(when).flatMap(([id, said]): SheetFault[] => {
      const question = known.get(id);
      if (!question) return [{ kind: 'unknown', where, what: id }];
      return wrongAnswers(question, said).map((what) => ({ kind: 'unknown', where, what }));
    });
  const plugs = new Set(sheet.plugs.map(({ id }) => id));
  return [
    ...sheet.impossible.flatMap((when, at) => ofCondition(`impossible ${at + 1}`, when)),
    ...sheet.variants.flatMap(({ name, when, used, capped }) => [
      ...ofCondition(name, when),
      ...[...used, ...capped]
        .filter((id) => !plugs.has(id))
        .map((what): SheetFault => ({ kind: 'unknown', where: name, what })),
      ...used
        .filter((id) => capped.includes(id))
        .map((id): SheetFault => ({ kind: 'unknown', where: name, what: `${id}, used and capped at once` })),
    ]),
  ];
}

/** Answers a condition gives that its question does not have; years outside its span. */
function wrongAnswers(question: KitQuestion, said: KitCondition[string]): string[] {
  if (Array.isArray(said)) {
    const all = new Set(answersOf(question));
    return said.filter((answer) => !all.has(answer));
  }
  if (question.about !== 'year') return ['years where none are asked'];
  const outside = said.from > said.to || said.to < question.from || said.from > question.to;
  return outside ? [`${said.from} to ${said.to}`] : [];
}

function beyondBox({ items, variants }: KitSheet): SheetFault[] {
  const there = new Map(items.map(({ id, count }) => [id, count]));
  return variants.flatMap((variant) => {
    const wanted = new Map<string, number>();
    for (const { itemId, count } of variant.uses) wanted.set(itemId, (wanted.get(itemId) ?? 0) + count);
    return [...wanted].flatMap(([what, count]): SheetFault[] =>
      count > (there.get(what) ?? 0)
        ? [{ kind: 'not-in-box', variantId: variant.id, what, wanted: count, there: there.get(what) ?? 0 }]
        : [],
    );
  });
}
