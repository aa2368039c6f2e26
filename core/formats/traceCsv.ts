import Papa from 'papaparse';
import type { Series } from '../flashmeter/series.ts';
import { toCsv } from './csv.ts';

/** Larger than any recording of ten flashes needs to be, characters. */
export const TRACE_CSV_MAX = 40_000_000;
/** More samples are no use. */
const MOST_SAMPLES = 2_000_000;

/** One column of a recording. */
export interface TraceColumn {
  name: string;
  series: Series;
}

/** Columns that were read against the time, or what is wrong and what to do. */
export type TraceCsvResult =
  | { ok: true; columns: TraceColumn[] /** lines left out, from 1 */; skipped: number }
  | { ok: false; problem: string };

const TIME_UNITS: readonly [RegExp, number][] = [
  [/^(s|sec|secs|second|seconds)$/i, 1],
  [/^(ms|msec|millisecond|milliseconds)$/i, 1e-3],
  [/^(us|µs|μs|usec|microsecond|microseconds)$/i, 1e-6],
  [/^(ns|nanosecond|nanoseconds)$/i, 1e-9],
  [/^(min|minute|minutes)$/i, 60],
];

/**
 * Reads a table of a scope or logger: the first column is the time, in seconds unless its name or the line under it says ms or
 * µs (`time (ms)`, `t [us]`), each other column a quantity. Lines before the table are skipped; a line that cannot be read is
 * left out. A decimal comma is understood where columns are parted by a semicolon or tab.
 */
export function readTraceCsv(text: string): TraceCsvResult {
  if (text.length > TRACE_CSV_MAX)
    return { ok: false, problem: 'The table is over 40 MB. Cut it to twenty seconds: ten flashes will do.' };
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: [',', ';', '\t', ' '],
    skipEmptyLines: true,
  });
  const comma = parsed.meta.delimiter !== ',';
  const numbers = (row: readonly string[]) => row.map((cell) => numberOf(cell, comma));
  const rows = parsed.data.slice(0, MOST_SAMPLES + 200);
  const first = rows.findIndex((row, index) => {
    // Two lines in a row of numbers are a table; one may be a heading with figures in it.
    const here = numbers(row);
    const next = numbers(rows[index + 1] ?? []);
    return here.length >= 2 && isFinitePair(here) && isFinitePair(next);
  });
  if (first < 0)
    return {
      ok: false,
      problem:
        'No table was found: the first column must be the time, the second what was measured, a line a sample.',
    };
  const scale = timeScale(rows.slice(Math.max(0, first - 2), first).map((row) => row[0] ?? ''));
  const at: number[] = [];
  const width = Math.min(16, Math.max(...rows.slice(first, first + 50).map((row) => row.length)));
  const values: number[][] = Array.from({ length: width - 1 }, () => []);
  let skipped = 0;
  for (const row of rows.slice(first)) {
    const cells = numbers(row);
    const moment = (cells[0] ?? Number.NaN) * scale;
    if (!Number.isFinite(moment) || !Number.isFinite(cells[1] ?? Number.NaN)) {
      skipped += 1;
      continue;
    }
    if (moment <= (at.at(-1) ?? Number.NEGATIVE_INFINITY)) {
      skipped += 1;
      continue;
    }
    at.push(moment);
    values.forEach((column, index) => {
      const value = cells[index + 1] ?? Number.NaN;
      column.push(Number.isFinite(value) ? value : (column.at(-1) ?? 0));
    });
  }
  if (at.length < 8)
    return {
      ok: false,
      problem:
        'Fewer than eight samples could be read. The time in the first column must grow from line to line.',
    };
  const names = namesFrom(rows.slice(0, first), width);
  const moments = Float64Array.from(at);
  return {
    ok: true,
    skipped,
    columns: values.map((column, index) => ({
      name: names[index + 1] ?? `column ${index + 2}`,
      series: { at: moments, values: Float64Array.from(column) },
    })),
  };
}

/** A recorded quantity as a table that `readTraceCsv` reads: seconds, and what was recorded under its name. */
export function traceCsv({ at, values }: Series, name: string): string {
  const rows = Array.from(at, (moment, index) => [
    Number(moment.toFixed(4)),
    Number((values[index] ?? 0).toFixed(3)),
  ]);
  return toCsv(['seconds', name], rows);
}

/** The column that changes most of its own scatter from sample to sample: what was recorded, and no counter or constant. */
export function likeliestColumn(columns: readonly TraceColumn[]): TraceColumn | null {
  return (
    columns.find(({ series: { values } }) => values.some((value) => value !== values[0])) ??
    columns[0] ??
    null
  );
}

function isFinitePair(cells: readonly number[]): boolean {
  return Number.isFinite(cells[0] ?? Number.NaN) && Number.isFinite(cells[1] ?? Number.NaN);
}

function numberOf(cell: string, comma: boolean): number {
  const text = comma ? cell.trim().replace(',', '.') : cell.trim();
  return text === '' ? Number.NaN : Number(text);
}

/** Seconds in a unit of the time column. */
function timeScale(heads: readonly string[]): number {
  for (const head of heads) {
    const unit =
      /[([/]\s*([a-zµμ]+)\s*[)\]]?/i.exec(head)?.[1] ?? /_(ms|us|s)$/i.exec(head.trim())?.[1] ?? head.trim();
    for (const [pattern, seconds] of TIME_UNITS) if (pattern.test(unit)) return seconds;
  }
  return 1;
}

/** Names of the columns: the last line before the table that has words in it. */
function namesFrom(heads: readonly (readonly string[])[], width: number): string[] {
  const named = heads.findLast(
    (row) => row.length >= Math.min(2, width) && row.some((cell) => /[a-z]{2,}/i.test(cell)),
  );
  return (named ?? []).map((cell) => cell.trim().slice(0, 60));
}
