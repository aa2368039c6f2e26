import type { JobMovement, ShelfMovement } from '../model/pieces.ts';

/** A movement of pieces, and the job that made it; null of the shelf's own. */
export type Movement = ShelfMovement | (JobMovement & { jobId: string });

/** What is there of one part. */
export interface PartStock {
  /** pieces on the shelf, reserved ones among them; under 0 where more was fitted than anybody had counted in */
  onShelf: number;
  /** of those, what each job has put aside */
  reserved: ReadonlyMap<string, number>;
  /** pieces each job has in its vehicle */
  fitted: ReadonlyMap<string, number>;
  /** orders and batches of the pieces on the shelf, the oldest first; pieces of no batch have an empty name */
  batches: readonly { batch: string; pieces: number }[];
}

const NONE: ReadonlyMap<string, number> = new Map();

/** Nothing of a part, and nobody has taken any. */
export const NO_STOCK: PartStock = { onShelf: 0, reserved: NONE, fitted: NONE, batches: [] };

/** The work in hand while movements are gone through. */
class Counting {
  onShelf = 0;
  // Of thousands of parts few are held by any job.
  reserved = NONE;
  fitted = NONE;
  batches: { batch: string; pieces: number }[] = [];

  /** Pieces that come, of a batch where one is named. */
  put(pieces: number, batch = ''): void {
    this.onShelf += pieces;
    const there = this.batches.find((each) => each.batch === batch);
    if (there) there.pieces += pieces;
    else this.batches.push({ batch, pieces });
  }

  /** Pieces that go: of the batch named, then of the oldest. */
  take(pieces: number, batch?: string): void {
    this.onShelf -= pieces;
    let left = pieces;
    const named = this.batches.filter((each) => each.batch === batch);
    for (const each of [...named, ...this.batches]) {
      const gone = Math.min(left, each.pieces);
      each.pieces -= gone;
      left -= gone;
    }
    this.batches = this.batches.filter((each) => each.pieces > 0);
  }

  /** What was counted stands, whatever was thought before: what is missing went from the oldest, what is more has no batch. */
  count(pieces: number): void {
    const known = this.batches.reduce((sum, each) => sum + each.pieces, 0);
    this.onShelf = known;
    if (pieces < known) this.take(known - pieces);
    else if (pieces > known) this.put(pieces - known);
    this.onShelf = pieces;
  }

  add(to: 'reserved' | 'fitted', jobId: string, pieces: number): void {
    const sum = Math.max(0, (this[to].get(jobId) ?? 0) + pieces);
    const held = new Map(this[to]);
    if (sum > 0) held.set(jobId, sum);
    else held.delete(jobId);
    this[to] = held;
  }
}

/**
 * What is there of every part, by its id: the sum of all movements in the order of their times (of one moment by what
 * they are and by id, so that two devices come to the same). A count starts anew from what was counted. A piece that is
 * fitted is first one of those its job had put aside.
 *
 * @param movements each id once counts; a second with the same id is the same movement come in twice
 */
export function stockOf(movements: Iterable<Movement>): Map<string, PartStock> {
  const unique = new Map<string, Movement>();
  for (const each of movements) unique.set(each.id, each);
  const gone = withdrawnIds(unique.values());
  // Part by part: most have a handful, and thousands need not be put in one order.
  const byPart = new Map<string, Movement[]>();
  for (const each of unique.values()) {
    if (gone.has(each.id)) continue;
    const mine = byPart.get(each.partId);
    if (mine) mine.push(each);
    else byPart.set(each.partId, [each]);
  }
  return new Map([...byPart].map(([partId, mine]) => [partId, counted(mine)]));
}

function counted(movements: Movement[]): PartStock {
  movements.sort(
    (a, b) => order(a.at, b.at) || RANK.indexOf(a.kind) - RANK.indexOf(b.kind) || order(a.id, b.id),
  );
  const counting = new Counting();
  for (const each of movements) move(counting, each);
  return counting;
}

/** The movements that were taken back; a taking back that was itself taken back takes nothing. */
export function withdrawnIds(movements: Iterable<Movement>): ReadonlySet<string> {
  const by = new Map<string, string[]>();
  for (const each of movements)
    if (each.kind === 'withdrawn') by.set(each.of, [...(by.get(each.of) ?? []), each.id]);
  // Two that name each other, which no device writes, take nothing back.
  const gone = (id: string, asked: ReadonlySet<string>): boolean =>
    (by.get(id) ?? []).some((other) => !asked.has(other) && !gone(other, new Set([...asked, other])));
  return new Set([...by.keys()].filter((id) => gone(id, new Set([id]))));
}

/** Of one moment what comes is before what goes, and what is put aside before it is given back. */
const RANK: readonly Movement['kind'][] = [
  'counted',
  'bought',
  'reserved',
  'fitted',
  'returned',
  'scrapped',
  'sent-back',
  'released',
  'withdrawn',
];

function order(a: string, b: string): number {
  return a < b ? -1 : Number(a > b);
}

function move(to: Counting, movement: Movement): void {
  const { kind, pieces, batch } = movement;
  const job = 'jobId' in movement ? movement.jobId : null;
  if (kind === 'bought' || kind === 'returned') to.put(pieces, batch);
  if (kind === 'counted') to.count(pieces);
  // What a job scraps was off the shelf already.
  if (kind === 'sent-back' || kind === 'fitted' || (kind === 'scrapped' && job === null))
    to.take(pieces, batch);
  if (job === null) return;
  if (kind === 'reserved') to.add('reserved', job, pieces);
  if (kind === 'released' || kind === 'fitted') to.add('reserved', job, -pieces);
  if (kind === 'fitted') to.add('fitted', job, pieces);
  if (kind === 'returned' || kind === 'scrapped') to.add('fitted', job, -pieces);
}

/** Pieces all jobs together have put aside, a count. */
export function reservedPieces({ reserved }: PartStock = NO_STOCK): number {
  return [...reserved.values()].reduce((sum, each) => sum + each, 0);
}

/** Pieces nobody has put aside, a count; under 0 where more is promised than is there. */
export function freePieces(stock: PartStock): number {
  return stock.onShelf - reservedPieces(stock);
}

/**
 * Pieces a job can count on, a count: those nobody else has put aside, and those it has fitted already. So what it has does
 * not change by its own reserving and fitting.
 */
export function piecesFor(stock: PartStock, jobId: string): number {
  const own = (stock.reserved.get(jobId) ?? 0) + (stock.fitted.get(jobId) ?? 0);
  return Math.max(0, freePieces(stock) + own);
}

/** The batch the next piece fitted is of; undefined where nobody has named one. */
export function nextBatch({ batches }: PartStock): string | undefined {
  return batches.find(({ pieces }) => pieces > 0)?.batch || undefined;
}
