import Papa from 'papaparse';
import { COLUMNS } from '../inventory/columns.ts';
import { idFor, partFromRow, type Row, rowOfPart } from '../inventory/rows.ts';
import type { Part, Shelf } from '../model/part.ts';
import { cellNow, columnNow, columnRead } from './columnUnits.ts';
import { toCsv, undefused } from './csv.ts';

/** Larger than any honest shelf, bytes and rows. */
export const SHELF_CSV_MAX_BYTES = 2_000_000;
const MOST_ROWS = 5000;

/** What jobs have put aside: told, and left alone on reading, since it is the jobs' own. */
const RESERVED = 'reserved';

/**
 * The whole shelf as a table: one row a part, one column a property, empty where a part has none; lengths in the unit things
 * are written in now, which the name of their column says.
 *
 * @param reserved pieces that jobs have put aside, by part
 */
export function shelfCsv(shelf: Shelf, reserved?: (partId: string) => number): string {
  return toCsv(
    [...COLUMNS.map((column) => columnNow(column.name)), RESERVED],
    shelf.map((part) => {
      const row = rowOfPart(part);
      return [...COLUMNS.map(({ name }) => cellNow(name, row[name] ?? '')), reserved?.(part.id) ?? 0];
    }),
  );
}

export interface ShelfCsvResult {
  /** rows that can be taken */
  parts: readonly Part[];
  /** rows that cannot, by the line of the file they begin on, each with what to write instead */
  problems: readonly { line: number; text: string }[];
  /** columns Vumble does not know, which are left alone */
  unknownColumns: readonly string[];
}

/**
 * Reads a table a stranger may have written. Every row stands for itself: a bad one is reported by its line, and the
 * good ones are kept only if the caller goes on.
 *
 * @param shelf parts that are here: a row with the kind and code of one of them changes that part
 */
export function readShelfCsv(text: string, shelf: Shelf): ShelfCsvResult {
  const refuse = (problem: string): ShelfCsvResult => ({
    parts: [],
    problems: [{ line: 1, text: problem }],
    unknownColumns: [],
  });
  if (text.length > SHELF_CSV_MAX_BYTES)
    return refuse(`The file is larger than ${SHELF_CSV_MAX_BYTES / 1e6} MB. Choose the table of a shelf.`);
  const rows = linesOf(text);
  const columns = rows[0]?.cells.map((cell) => columnRead(cell.trim().toLowerCase())) ?? [];
  const header = rows[0] && columns.map(({ name }) => name);
  const asWritten = (column: string) => rows[0]?.cells[header?.indexOf(column) ?? -1]?.trim() ?? column;
  if (!header?.includes('kind') || !header.includes('code'))
    return refuse(
      'The first line must name the columns, "kind" and "code" among them. Export a shelf to see how such a table looks.',
    );
  const twice = header.find((name, index) => name !== '' && header.indexOf(name) !== index);
  if (twice !== undefined)
    return refuse(`The first line names "${twice}" twice, perhaps in two units. Take one of them out.`);
  if (rows.length - 1 > MOST_ROWS) return refuse(`The table has more than ${MOST_ROWS} rows. Split it.`);
  const known = new Set([...COLUMNS.map((column) => column.name), RESERVED]);
  const ids = new Map(shelf.map((part) => [`${part.kind} ${part.code}`, part.id]));
  const free = new FreeIds(shelf);
  const parts: Part[] = [];
  const problems: { line: number; text: string }[] = [];
  const seen = new Map<string, number>();
  for (const { line, cells } of rows.slice(1)) {
    if (cells.length > header.length) {
      problems.push({
        line,
        text: `It has ${cells.length} cells where the first line names ${header.length}. A comma inside a cell needs quotes round the cell.`,
      });
      continue;
    }
    const row: Row = Object.fromEntries(
      columns.map(({ name, cell }, index) => [name, cell(undefused(cells[index] ?? ''))]),
    );
    const key = `${row.kind?.trim()} ${row.code?.trim()}`;
    const result = partFromRow(row, ids.get(key) ?? free.idFor(row));
    if (!result.ok)
      problems.push({
        line,
        text: result.problems
          .map((each) => (each.column ? `${asWritten(each.column)}: ${each.text}` : each.text))
          .join(' '),
      });
    else if (seen.has(key))
      problems.push({
        line,
        text: `${result.part.code} is on line ${seen.get(key)} already. Keep one of them.`,
      });
    else {
      seen.set(key, line);
      free.take(result.part.id);
      parts.push(result.part);
    }
  }
  return { parts, problems, unknownColumns: header.filter((name) => name !== '' && !known.has(name)) };
}

/** Ids for new parts: two codes that differ in a dash only must not become one part. */
class FreeIds {
  private readonly taken: Set<string>;
  /** the last number given behind an id: thousands of codes alike are not counted through each time */
  private readonly counts = new Map<string, number>();

  constructor(shelf: Shelf) {
    this.taken = new Set(shelf.map(({ id }) => id));
  }

  take(id: string): void {
    this.taken.add(id);
  }

  idFor(row: Row): string | undefined {
    const kind = COLUMNS[0]?.choices?.find((each) => each === row.kind?.trim());
    if (!kind) return undefined;
    const id = idFor(kind as Part['kind'], row.code ?? '');
    if (!this.taken.has(id)) return id;
    const head = id.slice(0, 58);
    let count = this.counts.get(head) ?? 1;
    do count += 1;
    while (this.taken.has(`${head}-${count}`));
    this.counts.set(head, count);
    return `${head}-${count}`;
  }
}

/** Rows with the line each begins on; a cell in quotes may run over several lines. */
function linesOf(text: string): { line: number; cells: string[] }[] {
  const rows: { line: number; cells: string[] }[] = [];
  const plain = text.replace(/^\uFEFF/, '');
  let line = 1;
  let from = 0;
  Papa.parse<string[]>(plain, {
    step: ({ data, meta }) => {
      if (data.some((cell) => cell.trim() !== '')) rows.push({ line, cells: data });
      line += plain.slice(from, meta.cursor).split(/\r\n|\r|\n/).length - 1;
      from = meta.cursor;
    },
  });
  return rows;
}
