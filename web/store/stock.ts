import { type Movement, NO_STOCK, type PartStock, piecesFor, stockOf } from '../../core/inventory/stock.ts';
import type { Part } from '../../core/model/part.ts';
import type { ShelfMovement } from '../../core/model/pieces.ts';
import { db as appDatabase, type VumbleDatabase } from './db.ts';
import { readHeld } from './held.ts';
import { keptValues } from './kept.ts';
import { joinShelves, knownShelves } from './shelfId.ts';

/**
 * Every movement of pieces of this shelf: its own, and those of the jobs. What a job in the bin has put aside is free again,
 * and what a job from elsewhere has came off another shelf.
 */
export async function movements(db: VumbleDatabase = appDatabase): Promise<Movement[]> {
  const [own, held, binned] = await Promise.all([
    db.movements.toArray(),
    db.jobs.orderBy('held').keys(),
    db.jobs.where('deleted').equals(1).primaryKeys(),
  ]);
  const gone = new Set(binned);
  await keptValues.loaded();
  const here = knownShelves();
  const ofJobs = held.flatMap((key) => {
    const each = readHeld(key);
    if (!each || (each.kind === 'reserved' && gone.has(each.jobId))) return [];
    return each.shelf && !here.has(each.shelf) ? [] : [each];
  });
  return [...own, ...ofJobs];
}

/** The parts of the shelf, each with the pieces of it that lie there, and all that is known of its stock. */
export interface ShelfStock {
  parts: Part[];
  stock: ReadonlyMap<string, PartStock>;
}

export async function readStock(db: VumbleDatabase = appDatabase): Promise<ShelfStock> {
  const [parts, moved] = await Promise.all([db.parts.toArray(), movements(db)]);
  const stock = stockOf(moved);
  return { parts: parts.map((part) => ({ ...part, stock: clamped(stock.get(part.id)?.onShelf) })), stock };
}

/** The shelf as everybody sees it: of each part the pieces that lie there. */
export async function readShelf(db: VumbleDatabase = appDatabase): Promise<Part[]> {
  return (await readStock(db)).parts;
}

/** The shelf as one job sees it: of each part the pieces it can count on. */
export async function readShelfFor(jobId: string, db: VumbleDatabase = appDatabase): Promise<Part[]> {
  const { parts, stock } = await readStock(db);
  return parts.map((part) => ({ ...part, stock: piecesFor(stock.get(part.id) ?? NO_STOCK, jobId) }));
}

/** A shelf that owes pieces has none. */
function clamped(pieces = 0): number {
  return Math.max(0, pieces);
}

/** One act with pieces of the shelf; its id and time are given here. */
export type StockAct = ShelfMovement extends infer M
  ? M extends ShelfMovement
    ? Omit<M, 'id' | 'at'>
    : never
  : never;

/**
 * Writes down what was done with pieces.
 *
 * @param on when, ISO 8601; now where left out
 * @returns ids of what was written: withdrawing them takes it back
 */
export async function move(
  acts: readonly StockAct[],
  on?: string,
  db: VumbleDatabase = appDatabase,
): Promise<string[]> {
  const at = on ?? new Date().toISOString();
  const rows = acts.map((act) => ({ ...act, id: `moved-${crypto.randomUUID()}`, at }) as ShelfMovement);
  await db.movements.bulkAdd(rows);
  return rows.map(({ id }) => id);
}

/** Takes movements back: they stay on record, and count no longer. */
export async function withdraw(ids: readonly string[], db: VumbleDatabase = appDatabase): Promise<string[]> {
  const rows = await db.movements.bulkGet([...ids]);
  return move(
    rows.flatMap((row) =>
      row ? [{ kind: 'withdrawn' as const, partId: row.partId, pieces: 0, of: row.id }] : [],
    ),
    undefined,
    db,
  );
}

/**
 * Joins movements of another device to these: what is here already is left as it is.
 *
 * @param shelves what the other device calls the shelf: pieces of its jobs are of this one then
 */
export async function joinMovements(
  rows: readonly ShelfMovement[],
  shelves: readonly string[],
  db: VumbleDatabase = appDatabase,
): Promise<{ added: number; undo(): Promise<void> }> {
  const apart = joinShelves(shelves);
  return db.transaction('rw', db.movements, async () => {
    const here = new Set(await db.movements.toCollection().primaryKeys());
    const fresh = rows.filter(({ id }) => !here.has(id));
    await db.movements.bulkPut([...fresh]);
    return {
      added: fresh.length,
      undo: async () => {
        apart();
        await withdraw(
          fresh.map(({ id }) => id),
          db,
        );
      },
    };
  });
}
