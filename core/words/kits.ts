import { inARow } from '../formatting/format.ts';
import type { KitPart as Part, SheetFault } from '../kits/checkSheet.ts';
import { answerText } from '../kits/space.ts';
import type { KitCondition, KitQuestion, KitSheet, KitUse } from '../model/kit.ts';

/** A question as it is asked. */
export function questionWords(question: KitQuestion): string {
  return question.about === 'year' ? 'Year of the vehicle' : question.text;
}

/** Years in a row made spans: `2010 to 2014, 2017`. */
function spans(years: readonly number[]): string {
  const found: [number, number][] = [];
  for (const year of years) {
    const last = found.at(-1);
    if (last && year === last[1] + 1) last[1] = year;
    else found.push([year, year]);
  }
  return found.map(([from, to]) => (from === to ? `${from}` : `${from} to ${to}`)).join(', ');
}

/** What a condition says of one question; empty where it says nothing. */
export function conditionWords(question: KitQuestion, said: KitCondition[string] | undefined): string {
  if (said === undefined) return '';
  if (!Array.isArray(said)) return said.from === said.to ? `${said.from}` : `${said.from} to ${said.to}`;
  return said.map((answer) => answerText(question, answer)).join(' or ');
}

/** `year 2011 to 2012, lamp type: factory LED`; any vehicle where nothing is said. */
export function partWords({ questions }: Pick<KitSheet, 'questions'>, which: Part): string {
  const said = questions.flatMap((question) => {
    const answers = which[question.id];
    if (!answers) return [];
    if (question.about === 'year') return [`year ${spans(answers.map(Number))}`];
    return [`${question.text}: ${answers.map((answer) => answerText(question, answer)).join(' or ')}`];
  });
  return said.length > 0 ? said.join(', ') : 'any vehicle';
}

/** What is wrong with a sheet, and what to do about it. */
export function sheetFaultWords(sheet: KitSheet, fault: SheetFault): string {
  const name = (id: string) => sheet.variants.find((each) => each.id === id)?.name ?? id;
  const example = (vehicle: Readonly<Record<string, string>>) =>
    partWords(sheet, Object.fromEntries(Object.entries(vehicle).map(([id, answer]) => [id, [answer]])));
  switch (fault.kind) {
    case 'hole':
      return `No variant for ${partWords(sheet, fault.which)}. Example: ${example(fault.example)}. Widen a variant, add one, or say that there is no such vehicle.`;
    case 'overlap':
      return `“${name(fault.variantIds[0])}” and “${name(fault.variantIds[1])}” are both for ${partWords(sheet, fault.which)}. Example: ${example(fault.example)}. Narrow one of them.`;
    case 'never':
      return `“${name(fault.variantId)}” is for no vehicle: what it asks for is excluded. Change its conditions, or remove it.`;
    case 'unknown':
      return `${fault.where}: “${fault.what}” is not in the sheet. Write it as the sheet does, or add it.`;
    case 'not-in-box':
      return `“${name(fault.variantId)}” uses ${fault.wanted} of ${itemName(sheet, fault.what)}; the box holds ${fault.there}. Correct one of the two.`;
    case 'backwards':
      return `The years run backwards: ${fault.what}. Put the earlier one first.`;
    case 'twice':
      return `“${fault.what}” is there twice. Give one of them another name.`;
    case 'entangled':
      return 'The conditions cut across each other in too many ways to be checked. Use fewer questions, or the same questions in all variants.';
  }
}

/** What an item is called; its id where the box has none of it. */
export function itemName({ items }: Pick<KitSheet, 'items'>, id: string): string {
  return items.find((each) => each.id === id)?.what ?? id;
}

/** `2 × Resistor 6 Ω, across the rear turn lamps`. */
export function kitUseWords(sheet: Pick<KitSheet, 'items'>, { itemId, count, across }: KitUse): string {
  const where = across ? `, across the ${across.end ? `${across.end} ` : ''}${across.does} lamps` : '';
  return `${count} × ${itemName(sheet, itemId)}${where}`;
}

/** A list in a row, or a word for none. */
export function listed(names: readonly string[], none = 'none'): string {
  return names.length > 0 ? inARow(names) : none;
}
