import type { z } from 'zod';
import { ledProblems } from '../circuit/engine/ledProblems.ts';
import { Part } from '../model/part.ts';
import { COLUMNS, type Column, columnsOf, type PartKind } from './columns.ts';

/** A part as text cells by column name; what it does not have is empty. */
export type Row = Record<string, string>;

interface Problem {
  /** the name of a column; empty for the row as a whole */
  column: string;
  text: string;
}

export type RowResult = { ok: true; part: Part } | { ok: false; problems: readonly Problem[] };

/** The cells of a part. */
export function rowOfPart(part: Part): Row {
  return Object.fromEntries(columnsOf(part.kind).map((column) => [column.name, cellOf(part, column)]));
}

function cellOf(part: Part, { path, type, scale = 1, words }: Column): string {
  const value = valueAt(part, path);
  if (value === undefined) return '';
  if (words) return words.write(value);
  if (type === 'yes-no') return value ? 'yes' : 'no';
  return scale === 1 ? String(value) : String(scaled(Number(value), 1 / scale));
}

/**
 * Reads the cells of a part. Nothing is guessed: a cell that cannot be what its column holds is a problem that says
 * what to write.
 *
 * @param id the part's id; one made from its code where left out
 */
export function partFromRow(row: Row, id?: string): RowResult {
  const cell = (name: string) => (row[name] ?? '').trim();
  const kind = COLUMNS[0]?.choices?.find((each): each is PartKind => each === cell('kind'));
  if (!kind)
    return refuse('kind', `"${cell('kind')}" is no kind of part. Write ${COLUMNS[0]?.choices?.join(', ')}.`);
  const problems: Problem[] = [];
  const part: Record<string, unknown> = { id: id ?? idFor(kind, cell('code')) };
  for (const column of columnsOf(kind)) {
    if (!isAsked(column, cell)) continue;
    const text = cell(column.name) || (column.usual ?? '');
    if (text === '') {
      if (column.required) problems.push({ column: column.name, text: `${column.label} is missing.` });
      else if (column.missing) problems.push({ column: column.name, text: column.missing });
      else if (column.words?.none) put(part, column.path, column.words.none);
      continue;
    }
    const read = readCell(column, text);
    if ('problem' in read) problems.push({ column: column.name, text: read.problem });
    else put(part, column.path, read.value);
  }
  if (problems.length > 0) return { ok: false, problems };
  const parsed = Part.safeParse(part);
  if (!parsed.success)
    return { ok: false, problems: parsed.error.issues.slice(0, 6).map((issue) => inWords(kind, issue)) };
  if (parsed.data.kind === 'led') {
    const [wrong] = ledProblems(parsed.data);
    if (wrong) return refuse('', wrong);
    const [low, high] = parsed.data.supplyRange;
    if (low > high)
      return refuse('supply_low', `It is made for ${low} to ${high} V: put the lower figure first.`);
  }
  return { ok: true, part: parsed.data };
}

/** Whether a column is read in a row at all. */
function isAsked({ needs }: Column, cell: (name: string) => string): boolean {
  if (!needs) return true;
  const there = cell(needs.column);
  if (needs.is !== undefined) return there === needs.is;
  if (needs.not !== undefined) return there !== needs.not;
  return there !== '';
}

function readCell(column: Column, text: string): { value: unknown } | { problem: string } {
  const { type, choices, unit, scale = 1, words } = column;
  if (choices && !choices.includes(text))
    return { problem: `"${text}" is not one of ${choices.join(', ')}.` };
  if (words) return words.read(text);
  switch (type) {
    case 'number': {
      const number = Number(text.replace(',', '.'));
      return Number.isFinite(number)
        ? { value: scaled(number, scale) }
        : {
            problem: `"${text}" is not a number. Write it without a unit${unit ? `, in ${unit}` : ''}.`,
          };
    }
    case 'yes-no':
      return text === 'yes' || text === 'no'
        ? { value: text === 'yes' }
        : { problem: `"${text}" should be yes or no.` };
    default:
      return { value: text };
  }
}

/** Without the dust that a factor leaves behind the last digit. */
function scaled(value: number, factor: number): number {
  return factor === 1 ? value : Number((value * factor).toPrecision(12));
}

/** What stands at a path of a part; undefined where the way there ends. */
function valueAt(part: Part, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (at, key) => (at === undefined ? undefined : (at as Record<string, unknown>)[key]),
      part,
    );
}

/** Puts a value at a path, making what is not there yet: a list where the next step is a place in one. */
function put(part: Record<string, unknown>, path: string, value: unknown): void {
  const steps = path.split('.');
  const last = steps.pop() as string;
  let at = part;
  steps.forEach((step, index) => {
    const next = steps[index + 1] ?? last;
    at[step] ??= /^\d+$/.test(next) ? [] : {};
    at = at[step] as Record<string, unknown>;
  });
  at[last] = value;
}

function refuse(column: string, problem: string): RowResult {
  return { ok: false, problems: [{ column, text: problem }] };
}

/** The same code always has the same id, so that a table read twice changes parts instead of doubling them. */
export function idFor(kind: PartKind, code: string): string {
  const slug = code
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return `${kind}-${slug || 'part'}`.slice(0, 64);
}

/** What the schema refuses, at the column that holds it. */
function inWords(kind: PartKind, issue: z.core.$ZodIssue): Problem {
  const path = issue.path.map(String).join('.');
  const columns = columnsOf(kind);
  const column =
    columns.find((each) => each.path === path) ??
    columns.find((each) => path.startsWith(`${each.path}.`) || each.path.startsWith(`${path}.`));
  return { column: column?.name ?? path, text: `${issue.message.replace(/\.$/, '')}.` };
}
