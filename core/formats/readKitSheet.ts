import Papa from 'papaparse';
import {
  type KitCondition,
  KitItem,
  type KitQuestion,
  KitSheet,
  type KitUse,
  KitVariant,
} from '../model/kit.ts';
import { CircuitKind } from '../model/vehicle/circuit.ts';
import { undefused } from './csv.ts';
import { conditionFrom, idOf, questionFrom } from './kitCells.ts';
import { FIXED_COLUMNS as FIXED, type FixedColumn as Fixed } from './kitColumns.ts';

/** Larger than any honest sheet, characters. */
const MOST_TEXT = 500_000;

export interface KitCsvResult {
  /** the sheet of all lines that could be read; null where the table is no sheet at all */
  sheet: KitSheet | null;
  /** lines that could not, each with what to write instead */
  problems: readonly { line: number; text: string }[];
}

/** Reads a table a stranger may have written. A bad line is reported and left out; the others make the sheet. */
export function readKitSheetCsv(text: string): KitCsvResult {
  if (text.length > MOST_TEXT)
    return {
      sheet: null,
      problems: [{ line: 1, text: 'The table is larger than any kit sheet. Choose the right file.' }],
    };
  const rows = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: [',', ';', '\t'],
  }).data;
  const head = (rows[0] ?? []).map((cell) => undefused(cell).trim());
  if (!head.includes('row') || !head.includes('name'))
    return {
      sheet: null,
      problems: [
        {
          line: 1,
          text: 'The first line must name the columns, "row" and "name" among them. Export a kit sheet to see how such a table looks.',
        },
      ],
    };
  return new SheetReader(head, rows.slice(1)).read();
}

class SheetReader {
  private readonly problems: { line: number; text: string }[] = [];
  private readonly questions = new Map<number, KitQuestion>();
  private readonly items: KitItem[] = [];
  private readonly plugs: KitSheet['plugs'] = [];
  private readonly taken = {
    items: new Set<string>(),
    plugs: new Set<string>(),
    variants: new Set<string>(),
  };

  constructor(
    private readonly head: readonly string[],
    private readonly rows: readonly string[][],
  ) {
    const ids = new Set<string>();
    head.forEach((name, at) => {
      if (name === '' || (FIXED as readonly string[]).includes(name)) return;
      const question = questionFrom(name, ids);
      if (typeof question === 'string') this.problems.push({ line: 1, text: question });
      else this.questions.set(at, question);
    });
  }

  read(): KitCsvResult {
    const impossible: KitCondition[] = [];
    const variants: KitVariant[] = [];
    const lines = this.rows
      .map((cells, at) => ({ cells: cells.map(undefused), line: at + 2 }))
      .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
    // What is in the box is read first: variants name it, wherever it stands.
    for (const pass of [['item', 'plug'], ['impossible', 'variant'], null])
      for (const { cells, line } of lines) {
        const row = this.cell(cells, 'row').toLowerCase();
        const known = ['item', 'plug', 'impossible', 'variant'].includes(row);
        if (pass === null ? known : !pass.includes(row)) continue;
        const told = (problem: string) => void this.problems.push({ line, text: problem });
        if (pass === null) told(`"${row}" is no kind of row. Write item, plug, impossible or variant.`);
        else if (row === 'item') this.item(cells, told);
        else if (row === 'plug') this.plug(cells, told);
        else {
          const when = this.condition(cells, told);
          if (!when) continue;
          if (row === 'variant') {
            const variant = this.variant(cells, when, told);
            if (variant) variants.push(variant);
          } else if (Object.keys(when).length === 0)
            told('An exclusion needs an answer in at least one column.');
          else impossible.push(when);
        }
      }
    const parsed = KitSheet.safeParse({
      items: this.items,
      plugs: this.plugs,
      questions: [...this.questions.values()],
      impossible,
      variants,
    });
    if (!parsed.success) {
      const [issue] = parsed.error.issues;
      return {
        sheet: null,
        problems: [...this.problems, { line: 1, text: `${issue?.path.join('.')}: ${issue?.message}.` }],
      };
    }
    return { sheet: parsed.data, problems: this.problems.toSorted((a, b) => a.line - b.line) };
  }

  private cell(cells: readonly string[], name: Fixed): string {
    return (cells[this.head.indexOf(name)] ?? '').trim();
  }

  private item(cells: readonly string[], told: (problem: string) => void): void {
    const what = this.cell(cells, 'name');
    const count = Number(this.cell(cells, 'count') || '1');
    const data = this.cell(cells, 'data');
    const resistor = /^([\d.,]+)\s*(?:ohm|Ω)\s+([\d.,]+)\s*W(?:\s+([\d.,]+)\s*%)?$/i.exec(data);
    const number = (cell = '') => Number(cell.replace(',', '.'));
    const part = /^part (\S+)$/.exec(data);
    if (what === '') {
      told('An item needs a name.');
      return;
    }
    if (data !== '' && !resistor && !part) {
      told(`"${data}" is no data of an item. Write "6 ohm 50 W 5 %" for a resistor, or leave it empty.`);
      return;
    }
    const read = KitItem.safeParse({
      id: idOf(what, this.taken.items),
      what,
      count,
      ...(resistor
        ? {
            resistor: {
              ohms: number(resistor[1]),
              watts: number(resistor[2]),
              tolerance: number(resistor[3] ?? '5') / 100,
            },
          }
        : {}),
      ...(part ? { partId: part[1] } : {}),
    });
    if (read.success) this.items.push(read.data);
    else told(`Of "${what}" ${read.error.issues[0]?.path.join('.')}: ${read.error.issues[0]?.message}.`);
  }

  private plug(cells: readonly string[], told: (problem: string) => void): void {
    const what = this.cell(cells, 'name');
    if (what === '') {
      told('A plug needs a name.');
      return;
    }
    this.plugs.push({ id: idOf(what, this.taken.plugs), what });
  }

  private condition(cells: readonly string[], told: (problem: string) => void): KitCondition | null {
    const when: KitCondition = {};
    for (const [at, question] of this.questions) {
      const cell = (cells[at] ?? '').trim();
      if (cell === '') continue;
      const said = conditionFrom(question, cell);
      if (typeof said === 'string') {
        told(said);
        return null;
      }
      when[question.id] = said;
    }
    return when;
  }

  private variant(
    cells: readonly string[],
    when: KitCondition,
    told: (problem: string) => void,
  ): KitVariant | null {
    const name = this.cell(cells, 'name');
    if (name === '') {
      told('A variant needs a name.');
      return null;
    }
    const uses: KitUse[] = [];
    for (const piece of phrases(this.cell(cells, 'parts'))) {
      const use = this.use(piece);
      if (typeof use === 'string') {
        told(use);
        return null;
      }
      uses.push(use);
    }
    const plugs = (cell: string): string[] | null => {
      const ids: string[] = [];
      for (const what of phrases(cell)) {
        const plug = this.plugs.find((each) => each.what.toLowerCase() === what.toLowerCase());
        if (!plug) {
          told(`There is no plug "${what}" in the table. Add a row "plug" with that name, or correct it.`);
          return null;
        }
        ids.push(plug.id);
      }
      return ids;
    };
    const used = plugs(this.cell(cells, 'plugs'));
    const capped = plugs(this.cell(cells, 'capped'));
    if (!used || !capped) return null;
    const links = phrases(this.cell(cells, 'links')).map((each) => each.split('>').map((end) => end.trim()));
    const broken = links.find(([from, to, more]) => !from || !to || more !== undefined);
    if (broken) {
      told(`"${broken.join(' > ')}" is no link. Write the two wires with a > between: "grey > black 2".`);
      return null;
    }
    const read = KitVariant.safeParse({
      id: idOf(name, this.taken.variants),
      name,
      when,
      uses,
      used,
      capped,
      links: links.map(([from, to]) => ({ from, to })),
      modules: phrases(this.cell(cells, 'modules')),
    });
    if (read.success) return read.data;
    told(`Of "${name}" ${read.error.issues[0]?.path.join('.')}: ${read.error.issues[0]?.message}.`);
    return null;
  }

  private use(piece: string): KitUse | string {
    const read = /^(?:(\d+)\s*[x×]\s*)?(.+?)(?:\s+across\s+(\S+)(?:\s+(front|side|rear))?)?$/i.exec(piece);
    const what = read?.[2]?.trim() ?? '';
    const item = this.items.find((each) => each.what.toLowerCase() === what.toLowerCase());
    if (!read || !item)
      return `There is no item "${what}" in the table. Add a row "item" with that name, or correct it.`;
    const does = read[3] === undefined ? null : CircuitKind.safeParse(read[3].toLowerCase());
    if (does && !does.success)
      return `"${read[3]}" is no function of a lamp. Write one of ${CircuitKind.options.join(', ')}.`;
    return {
      itemId: item.id,
      count: Number(read[1] ?? '1'),
      ...(does
        ? { across: { does: does.data, ...(read[4] ? { end: read[4].toLowerCase() as 'rear' } : {}) } }
        : {}),
    };
  }
}

const phrases = (cell: string) =>
  cell
    .split(';')
    .map((each) => each.trim())
    .filter(Boolean);
