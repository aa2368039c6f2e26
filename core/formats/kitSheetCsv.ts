import type { KitCondition, KitItem, KitQuestion, KitSheet, KitUse } from '../model/kit.ts';
import { toCsv } from './csv.ts';
import { FIXED_COLUMNS as FIXED, type FixedColumn as Fixed } from './kitColumns.ts';

/**
 * A kit sheet as a table: a row an item of the box (`item`), a plug, an exclusion or a variant; a column a question, named
 * `year [2005-2030]` or `lamp: Which lamps has it? [filament|led]`. An empty cell of a question is any answer.
 */
export function kitSheetCsv(sheet: KitSheet): string {
  const names = sheet.questions.map(questionHead);
  const cells = (row: Partial<Record<Fixed, string | number>>, when: KitCondition = {}) => [
    row.row ?? '',
    row.name ?? '',
    row.count ?? '',
    row.data ?? '',
    ...sheet.questions.map((question) => conditionCell(question, when[question.id])),
    row.parts ?? '',
    row.plugs ?? '',
    row.capped ?? '',
    row.links ?? '',
    row.modules ?? '',
  ];
  const plugNames = (ids: readonly string[]) =>
    ids.map((id) => sheet.plugs.find((each) => each.id === id)?.what ?? id).join('; ');
  return toCsv(
    [...FIXED.slice(0, 4), ...names, ...FIXED.slice(4)],
    [
      ...sheet.items.map((item) =>
        cells({ row: 'item', name: item.what, count: item.count, data: itemData(item) }),
      ),
      ...sheet.plugs.map(({ what }) => cells({ row: 'plug', name: what })),
      ...sheet.impossible.map((when) => cells({ row: 'impossible' }, when)),
      ...sheet.variants.map((variant) =>
        cells(
          {
            row: 'variant',
            name: variant.name,
            parts: variant.uses.map((use) => useText(sheet, use)).join('; '),
            plugs: plugNames(variant.used),
            capped: plugNames(variant.capped),
            links: variant.links.map(({ from, to }) => `${from} > ${to}`).join('; '),
            modules: variant.modules.join('; '),
          },
          variant.when,
        ),
      ),
    ],
  );
}

function questionHead(question: KitQuestion): string {
  return question.about === 'year'
    ? `year [${question.from}-${question.to}]`
    : `${question.about}: ${question.text} [${question.answers.map(({ text }) => text).join('|')}]`;
}

function conditionCell(question: KitQuestion, said: KitCondition[string] | undefined): string {
  if (said === undefined) return '';
  if (!Array.isArray(said)) return `${said.from}-${said.to}`;
  if (question.about === 'year') return '';
  return said.map((id) => question.answers.find((each) => each.id === id)?.text ?? id).join('|');
}

function itemData({ resistor, partId }: KitItem): string {
  if (resistor)
    return `${resistor.ohms} ohm ${resistor.watts} W ${Number((100 * resistor.tolerance).toPrecision(6))} %`;
  return partId ? `part ${partId}` : '';
}

function useText(sheet: KitSheet, { itemId, count, across }: KitUse): string {
  const name = sheet.items.find(({ id }) => id === itemId)?.what ?? itemId;
  return `${count} x ${name}${across ? ` across ${across.does}${across.end ? ` ${across.end}` : ''}` : ''}`;
}
