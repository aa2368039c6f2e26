import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { jobFileOf } from '../../core/formats/jobFile.ts';
import { reserveLines } from '../../core/inventory/jobPieces.ts';
import { pickLines } from '../../core/inventory/picklist.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { VumbleDatabase } from './db.ts';
import { editJob, undoJob } from './edits.ts';
import { importJob, previewImport } from './importJob.ts';
import { binJob, restoreJob } from './jobs.ts';
import { putParts, undoShelf } from './shelf.ts';
import { joinMovements, move, movements, readShelf, readShelfFor, withdraw } from './stock.ts';
import { writing } from './writing.ts';

let db: VumbleDatabase;
let count = 0;
beforeEach(async () => {
  db = new VumbleDatabase(`stock-${(count += 1)}`);
  await db.open();
});
afterEach(async () => {
  await db.delete();
});

const FINISHED = 'library-route-1';
const RES = 'res-6-50';
const onShelf = async () => (await readShelf(db)).find(({ id }) => id === RES)?.stock;
const forJob = async (id: string) => (await readShelfFor(id, db)).find((each) => each.id === RES)?.stock;
const reserve = () =>
  editJob(
    FINISHED,
    'Put aside',
    (draft) => void reserveLines(draft, pickLines(draft, DEMO_SHELF), writing()),
    {},
    db,
  );

describe('the stock of the shelf', () => {
  it('is what was counted and what came since; a count is written only where it differs', async () => {
    expect(await onShelf()).toBe(8);
    const part = DEMO_SHELF.find(({ id }) => id === RES);
    if (!part) throw new Error('the demo shelf has it');
    const before = (await movements(db)).length;
    await putParts([part], db);
    expect((await movements(db)).length).toBe(before);
    const change = await putParts([{ ...part, stock: 3 }], db);
    expect(await onShelf()).toBe(3);
    await undoShelf(change, db);
    expect(await onShelf()).toBe(8);
    const ids = await move([{ kind: 'bought', partId: RES, pieces: 4, batch: 'order 7' }], undefined, db);
    expect(await onShelf()).toBe(12);
    const back = await withdraw(ids, db);
    expect(await onShelf()).toBe(8);
    await withdraw(back, db);
    expect(await onShelf()).toBe(12);
  });

  it('keeps what a job has put aside from the others, over a second opening, until undo or the bin gives it back', async () => {
    await reserve();
    expect([await onShelf(), await forJob(FINISHED), await forJob('dial-a-ride-2')]).toEqual([8, 8, 4]);
    db.close();
    await db.open();
    expect(await forJob('dial-a-ride-2')).toBe(4);
    await binJob(FINISHED, db);
    expect(await forJob('dial-a-ride-2')).toBe(8);
    await restoreJob(FINISHED, db);
    expect(await forJob('dial-a-ride-2')).toBe(4);
    await undoJob(FINISHED, db);
    expect(await forJob('dial-a-ride-2')).toBe(8);
  });

  it('joins another device’s movements once', async () => {
    const theirs = [
      { id: 'theirs', partId: RES, at: '2026-11-20T08:00:00.000Z', kind: 'bought' as const, pieces: 5 },
    ];
    const first = await joinMovements(theirs, ['shelf-theirs'], db);
    expect([first.added, (await joinMovements(theirs, ['shelf-theirs'], db)).added, await onShelf()]).toEqual(
      [1, 0, 13],
    );
    await first.undo();
    expect(await onShelf()).toBe(8);
  });

  it('is not changed by a job that comes in, nor is a part that is the same part', async () => {
    const shelf = DEMO_SHELF.map((part) => ({ ...part, stock: 99, price: 1, seller: 'another' }));
    const file = jobFileOf({ ...demoJob(FINISHED), id: 'from-elsewhere' }, shelf, '2026-11-20T08:00:00.000Z');
    const preview = await previewImport(file, db);
    expect([preview.newParts, preview.differing]).toEqual([[], []]);
    await importJob(preview, 'add', 'new-id', db);
    await importJob(await previewImport(file, db), 'keep-both', 'again', db);
    expect(await onShelf()).toBe(8);
    expect((await readShelf(db)).length).toBe(DEMO_SHELF.length);
  });

  it('is not touched by pieces a job had fitted from another shelf, until the two are joined', async () => {
    const fitted = {
      id: 'elsewhere',
      partId: RES,
      at: '2026-11-21T08:00:00.000Z',
      kind: 'fitted' as const,
      pieces: 2,
      shelf: 'shelf-of-another',
    };
    const job = { ...demoJob(FINISHED), id: 'from-elsewhere', pieces: [fitted] };
    const file = jobFileOf(job, DEMO_SHELF, '2026-11-22T08:00:00.000Z');
    await importJob(await previewImport(file, db), 'add', 'new-id', db);
    expect(await onShelf()).toBe(8);
    const { undo } = await joinMovements([], ['shelf-of-another'], db);
    expect(await onShelf()).toBe(6);
    await undo();
    expect(await onShelf()).toBe(8);
  });

  it('of a part that came in with a job is none: those pieces lie on another shelf', async () => {
    const strange = {
      ...(DEMO_SHELF.find(({ id }) => id === RES) as (typeof DEMO_SHELF)[number]),
      id: 'res-strange',
      code: 'X',
    };
    const file = jobFileOf(
      { ...demoJob(FINISHED), id: 'from-elsewhere' },
      [...DEMO_SHELF, strange],
      '2026-11-20T08:00:00.000Z',
    );
    await importJob(await previewImport(file, db), 'add', 'new-id', db);
    expect((await readShelf(db)).find(({ id }) => id === 'res-strange')?.stock).toBe(0);
  });
});
