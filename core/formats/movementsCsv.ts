import Papa from 'papaparse';
import type { Movement } from '../inventory/stock.ts';
import { Id } from '../model/fields.ts';
import type { Shelf } from '../model/part.ts';
import { ShelfMovement } from '../model/pieces.ts';
import { toCsv, undefused } from './csv.ts';

const MOST_TEXT = 5_000_000;
const COLUMNS = [
  'id',
  'at',
  'part',
  'kind',
  'pieces',
  'batch',
  'note',
  'of',
  'job',
  'place',
  'shelf',
] as const;

/**
 * Movements of stock as a table: one row a movement, by the part's id; those of jobs name their job.
 *
 * @param shelf what this shelf is called
 */
export function movementsCsv(movements: readonly Movement[], shelf: string): string {
  return toCsv(
    COLUMNS,
    movements.map((each) => [
      each.id,
      each.at,
      each.partId,
      each.kind,
      each.pieces,
      each.batch ?? '',
      'note' in each ? (each.note ?? '') : '',
      each.kind === 'withdrawn' ? each.of : '',
      'jobId' in each ? each.jobId : '',
      'place' in each ? (each.place ?? '') : '',
      'shelf' in each ? (each.shelf ?? shelf) : shelf,
    ]),
  );
}

export interface MovementsResult {
  /** the shelf's own movements of the table; what jobs did comes with their files */
  movements: readonly ShelfMovement[];
  /** what their shelf is called elsewhere */
  shelves: readonly string[];
  /** rows of jobs, which are left alone */
  ofJobs: number;
  problems: readonly { line: number; text: string }[];
}

/** Reads a table of movements a stranger may have written: a bad line is reported, the good ones stand. */
export function readMovementsCsv(text: string, shelf: Shelf): MovementsResult {
  const refuse = (problem: string): MovementsResult => ({
    movements: [],
    shelves: [],
    ofJobs: 0,
    problems: [{ line: 1, text: problem }],
  });
  if (text.length > MOST_TEXT) return refuse('The table is too large. Export fewer movements.');
  const [head, ...rows] = Papa.parse<string[]>(text.replace(/^\uFEFF/, '')).data;
  const names = head?.map((cell) => cell.trim().toLowerCase()) ?? [];
  const missing = ['id', 'at', 'part', 'kind', 'pieces'].filter((name) => !names.includes(name));
  if (missing.length > 0)
    return refuse(
      `The first line must name the columns ${COLUMNS.join(', ')}; ${missing.join(', ')} is missing.`,
    );
  const known = new Set(shelf.map(({ id }) => id));
  const byCode = new Map(shelf.map(({ id, code }) => [code, id]));
  const movements: ShelfMovement[] = [];
  const problems: { line: number; text: string }[] = [];
  const shelves = new Set<string>();
  let ofJobs = 0;
  rows.forEach((cells, at) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const cell = (name: (typeof COLUMNS)[number]) => undefused(cells[names.indexOf(name)] ?? '').trim();
    if (Id.safeParse(cell('shelf')).success) shelves.add(cell('shelf'));
    if (cell('job') !== '') {
      ofJobs += 1;
      return;
    }
    const part = cell('part');
    const partId = known.has(part) ? part : byCode.get(part);
    if (!partId) {
      problems.push({ line: at + 2, text: `"${part}" is no part of this shelf. Import the shelf first.` });
      return;
    }
    const read = ShelfMovement.safeParse({
      id: cell('id'),
      at: cell('at'),
      partId,
      kind: cell('kind'),
      pieces: cell('pieces') === '' ? Number.NaN : Number(cell('pieces')),
      ...(cell('batch') ? { batch: cell('batch') } : {}),
      ...(cell('kind') === 'withdrawn' ? { of: cell('of') } : cell('note') ? { note: cell('note') } : {}),
    });
    if (read.success) movements.push(read.data);
    else {
      const [issue] = read.error.issues;
      problems.push({
        line: at + 2,
        text: `${issue?.path.join('.')}: ${issue?.message}. Kinds are bought, counted, sent-back, scrapped, withdrawn.`,
      });
    }
  });
  return { movements, shelves: [...shelves], ofJobs, problems };
}
