import { answersOf } from '../kits/space.ts';
import { type KitCondition, KitQuestion } from '../model/kit.ts';

/**
 * An id made of what a person wrote, one that is still free; told apart by a number where two come to the same.
 *
 * @param taken ids that are given already; the new one is added
 */
export function idOf(text: string, taken: Set<string>): string {
  const slug =
    text
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 50) || 'x';
  let id = slug;
  for (let count = 2; taken.has(id); count += 1) id = `${slug}-${count}`;
  taken.add(id);
  return id;
}

/** A question from the name of its column; what to write instead where it is none. */
export function questionFrom(name: string, ids: Set<string>): KitQuestion | string {
  const years = /^year\s*\[\s*(\d{4})\s*(?:-|to)\s*(\d{4})\s*\]$/i.exec(name);
  const other = /^(?:(lamp|module|market|trim|own):)?\s*(.*?)\s*\[(.+)\]$/i.exec(name);
  const answers = new Set<string>();
  const question = years
    ? { id: idOf('year', ids), about: 'year', from: Number(years[1]), to: Number(years[2]) }
    : other && {
        id: idOf(other[2] || other[1] || 'question', ids),
        about: (other[1] ?? 'own').toLowerCase(),
        text: other[2] || other[1],
        answers: (other[3] ?? '').split('|').map((text) => ({ id: idOf(text, answers), text: text.trim() })),
      };
  const read = KitQuestion.safeParse(question);
  return read.success
    ? read.data
    : `"${name}" is no column of a kit sheet. Write "year [2005-2030]", or a question with its answers: "lamp: Which lamps has it? [filament|led]".`;
}

/** What one cell of a question says; what to write instead where it says nothing that can be. */
export function conditionFrom(question: KitQuestion, cell: string): KitCondition[string] | string {
  if (question.about === 'year') {
    const read = /^(\d{4})(?:\s*(?:-|to)\s*(\d{4}))?$/.exec(cell);
    if (!read) return `"${cell}" is no span of years. Write 2010-2014, or one year.`;
    const span = { from: Number(read[1]), to: Number(read[2] ?? read[1]) };
    if (span.from > span.to) return `${cell} runs backwards. Put the earlier year first.`;
    if (span.to < question.from || span.from > question.to)
      return `${cell} is outside ${question.from} to ${question.to}, the years of the sheet. Correct it, or widen those.`;
    return span;
  }
  const ids: string[] = [];
  for (const text of cell.split('|').map((each) => each.trim())) {
    const answer = question.answers.find(
      (each) => each.text.toLowerCase() === text.toLowerCase() || each.id === text,
    );
    if (!answer)
      return `"${text}" is no answer to “${question.text}”. Write ${question.answers.map((each) => each.text).join(', ')}, several with a | between.`;
    ids.push(answer.id);
  }
  return ids.length === answersOf(question).length ? ids : [...new Set(ids)];
}
