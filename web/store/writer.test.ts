// Longer than 300 lines: all that one tab does with its jobs, by one way of opening it.
import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Job } from '../../core/model/job.ts';
import { turnFuse } from '../../core/model/vehicle/lookUp.ts';
import { SIGNED } from '../../demo/forTests.ts';
import { demoJobs, FIRST_JOB_ID } from '../../demo/jobs.ts';
import { type NoteRow, VumbleDatabase } from './db.ts';
import { actOf, editJob, historyOf, type Recipe, undoJob } from './edits.ts';
import { finishNoted, noteAct } from './notes.ts';
import { forgetStored } from './storedActs.ts';
import { JobWriter } from './writer.ts';

let db: VumbleDatabase;
let name = 0;
beforeEach(async () => {
  name += 1;
  db = new VumbleDatabase(`writer-${name}`);
  await db.open();
});
afterEach(async () => {
  db.close();
  await Dexie.delete(`writer-${name}`);
  await Dexie.delete(`writer-${name}-at-once`);
});

const rowNow = async () => {
  const row = await db.jobs.get(FIRST_JOB_ID);
  if (!row) throw new Error('the job is gone');
  return row;
};
const jobNow = async () => (await rowNow()).job;
const refuse = (error: Error) => {
  throw error;
};

/** A tab that has the job on its screen. */
async function tab(of = db) {
  const writer = new JobWriter(of);
  const read = async () => {
    const row = await rowNow();
    writer.saw(FIRST_JOB_ID, { job: row.job, rev: row.rev ?? 0 });
  };
  await read();
  const edit = (recipe: Recipe, mergeKey?: string, refused: (error: Error) => void = refuse) =>
    writer.edit(FIRST_JOB_ID, 'Title', recipe, mergeKey ? { mergeKey } : {}, refused);
  const type = (text: string) => edit((draft) => void (draft.title = text), 'title');
  return { writer, read, edit, type, settled: () => writer.settled(FIRST_JOB_ID) };
}

/** Only the notes of what was done: what a browser that was killed right after the taps leaves behind. */
async function killedAfter(...recipes: Recipe[]): Promise<void> {
  let job = await jobNow();
  for (const [index, recipe] of recipes.entries()) {
    const [next, patches] = actOf('Title', recipe).change(job);
    const id = `note-${index}`;
    await noteAct({ id, jobId: FIRST_JOB_ID, label: 'Title', mergeKey: '', at: index, ...patches }, db);
    job = next;
  }
}

const retitle =
  (title: string): Recipe =>
  (draft) =>
    void (draft.title = title);

const clue =
  (id: string): Recipe =>
  (draft) =>
    void draft.evidence.push({
      ...SIGNED,
      kind: 'clue',
      id,
      at: '2026-11-20T10:00:00.000Z',
      clue: 'wiggle',
      lampId: null,
    });

describe('what a tab does', () => {
  it('is noted before it is stored, stored once, and the note is struck out', async () => {
    const { type, settled } = await tab();
    type('typed');
    await settled();
    expect((await jobNow()).title).toBe('typed');
    expect(await db.atOnce.notes.count()).toBe(0);
    expect(await historyOf(FIRST_JOB_ID, db)).toEqual({ undo: 'Title', redo: null });
  });

  it('is one edit of few writes where keys come faster than they are stored, and one undo takes it back', async () => {
    const before = await jobNow();
    const { type, settled } = await tab();
    const text = 'Mobile library, route 3, second van of the two';
    for (let length = 1; length <= text.length; length += 1) type(text.slice(0, length));
    await settled();
    const row = await rowNow();
    expect(row.job.title).toBe(text);
    expect(row.rev ?? 0).toBeLessThan(text.length / 4);
    expect(await undoJob(FIRST_JOB_ID, db)).toBe('Title');
    expect((await jobNow()).title).toBe(before.title);
  });

  it('does not keep a paragraph once for each of its letters', async () => {
    const { edit, settled } = await tab();
    const text = 'x'.repeat(3000);
    for (let length = 10; length <= text.length; length += 10)
      edit((draft) => void (draft.lookOver.warnings = text.slice(0, length)), 'warnings');
    await settled();
    const [row] = await db.edits.toArray();
    expect(JSON.stringify(row).length).toBeLessThan(8000);
  });

  it('is refused alone: what was done before and after it is stored, and it leaves no note', async () => {
    const { edit, settled } = await tab();
    const refused: string[] = [];
    edit(retitle('before'));
    edit(
      (draft) => void (turnFuse(draft.vehicle).ratedAmps = -1),
      undefined,
      (error) => void refused.push(error.name),
    );
    edit((draft) => void (draft.lookOver.warnings = 'after'));
    await settled();
    const job = await jobNow();
    expect([job.title, job.lookOver.warnings]).toEqual(['before', 'after']);
    expect(turnFuse(job.vehicle).ratedAmps).toBe(15);
    expect(refused).toEqual(['ZodError']);
    expect(await db.atOnce.notes.count()).toBe(0);
  });

  it('is undone after it is stored, whatever was still on its way', async () => {
    const before = await jobNow();
    const { writer, type } = await tab();
    type('typed a moment ago');
    expect(await writer.undo(FIRST_JOB_ID)).toBe('Title');
    expect((await jobNow()).title).toBe(before.title);
    expect(await writer.redo(FIRST_JOB_ID)).toBe('Title');
    expect((await jobNow()).title).toBe('typed a moment ago');
  });

  it('in two tabs at once is two edits: one undo takes what one of them typed', async () => {
    const [one, other] = [await tab(), await tab()];
    one.type('of one');
    await one.settled();
    other.type('of the other');
    await other.settled();
    await undoJob(FIRST_JOB_ID, db);
    expect((await jobNow()).title).toBe('of one');
  });

  it('is stored all the same where the note was not taken', async () => {
    const { type, settled } = await tab();
    db.atOnce.backendDB().transaction = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
    type('without a net');
    // Taken off the instance again: the one of its class is there as before.
    delete (db.atOnce.backendDB() as Partial<IDBDatabase>).transaction;
    await settled();
    expect((await jobNow()).title).toBe('without a net');
  });
});

describe('a note', () => {
  // A browser lets one transaction at a time write into a database, whichever tables it names.
  it('waits for nothing that is written into the jobs, however long that takes', async () => {
    const order: string[] = [];
    let noted: Promise<unknown> = Promise.resolve();
    await db.transaction('rw', db.tables, async () => {
      const { title } = await jobNow();
      const [, patches] = actOf('Title', retitle(`${title}!`)).change(await jobNow());
      const note = { id: 'typed', jobId: FIRST_JOB_ID, label: 'Title', mergeKey: '', at: 1, ...patches };
      noted = Dexie.ignoreTransaction(() => noteAct(note, db)).then((is) => order.push(`noted: ${is}`));
      // As long as it takes to check and write a job, many times over.
      for (let step = 0; step < 50; step += 1) await db.jobs.get(FIRST_JOB_ID);
      order.push('written');
    });
    await noted;
    expect(order).toEqual(['noted: true', 'written']);
  });

  it('that is still there after its act was stored is struck out and not done again', async () => {
    await killedAfter(clue('one'));
    const [note] = await db.atOnce.notes.toArray();
    await finishNoted(db);
    const told = (await jobNow()).evidence.length;
    // Killed between the two databases: the act is in its job, and its note still there.
    await db.atOnce.notes.put(note as NoteRow);
    expect((await finishNoted(db)).left).toBe(0);
    expect((await jobNow()).evidence.length).toBe(told);
    expect(await db.atOnce.notes.count()).toBe(0);
  });

  it('is forgotten a day after, and not while somebody may still have it in hand', async () => {
    const day = 24 * 3_600_000;
    await db.storedActs.bulkPut([
      { id: 'long ago', at: Date.now() - day - 1000 },
      { id: 'long ago, noted', at: Date.now() - day - 1000 },
      { id: 'just now', at: Date.now() },
    ]);
    await db.atOnce.notes.add({ id: 'long ago, noted', jobId: FIRST_JOB_ID } as never);
    await forgetStored(db);
    expect(await db.storedActs.toCollection().primaryKeys()).toEqual(['just now', 'long ago, noted']);
  });
});

describe('a browser with no room left', () => {
  const full = () =>
    vi.spyOn(db, 'transaction').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError');
    });

  it('keeps what is done in this tab, takes back there what was done last, and stores it once there is room', async () => {
    const { writer, type, edit, settled } = await tab();
    const first = (await jobNow()).title;
    const heard: (number | null)[] = [];
    writer.subscribe(() => heard.push(writer.held(FIRST_JOB_ID)?.acts ?? null));
    const room = full();
    for (const text of ['n', 'no', 'no room']) type(text);
    await settled();
    edit((draft) => void (draft.lookOver.warnings = 'seen'));
    await settled();
    expect(writer.held(FIRST_JOB_ID)).toMatchObject({
      acts: 4,
      job: { title: 'no room', lookOver: { warnings: 'seen' } },
    });
    expect(writer.allHeld()).toEqual([FIRST_JOB_ID]);
    expect((await jobNow()).title).toBe(first);
    // What is typed into one field is taken back as one.
    expect(await writer.undo(FIRST_JOB_ID)).toBe('Title');
    expect(writer.held(FIRST_JOB_ID)?.job.lookOver.warnings).not.toBe('seen');
    expect(writer.held(FIRST_JOB_ID)?.job.title).toBe('no room');
    type('no room at all');
    await settled();
    await writer.tryAgain(FIRST_JOB_ID);
    expect(writer.held(FIRST_JOB_ID)?.acts).toBe(4);
    room.mockRestore();
    await writer.tryAgain(FIRST_JOB_ID);
    expect(writer.held(FIRST_JOB_ID)).toBeNull();
    expect((await jobNow()).title).toBe('no room at all');
    expect(heard.at(-1)).toBeNull();
    expect(heard).toContain(4);
    expect(await db.atOnce.notes.count()).toBe(0);
    await undoJob(FIRST_JOB_ID, db);
    expect((await jobNow()).title).toBe(first);
  });

  it('holds nothing any more where all of it was taken back', async () => {
    const { writer, type, settled } = await tab();
    const room = full();
    for (const text of ['a', 'ab']) type(text);
    await settled();
    await writer.undo(FIRST_JOB_ID);
    expect(writer.held(FIRST_JOB_ID)).toBeNull();
    room.mockRestore();
    type('there is room');
    await settled();
    expect((await jobNow()).title).toBe('there is room');
  });

  it('keeps the order in which things were done, one that can never be stored and one that came meanwhile among them', async () => {
    const { writer, edit, settled } = await tab();
    let tries = 0;
    const refusals: Error[] = [];
    const add = (word: string) => edit((draft) => void (draft.title += word));
    const real = db.transaction.bind(db);
    const room = vi.spyOn(db, 'transaction').mockImplementation(((...given: never[]) => {
      tries += 1;
      // All together are refused for one of them; tried one by one, there is no room from the second on.
      if (tries === 1) throw new Error('refused together');
      if (tries === 2) return (real as (...all: never[]) => never)(...given);
      if (tries === 3) add(' four');
      throw new DOMException('no room', 'QuotaExceededError');
    }) as never);
    edit(
      (draft) => void (draft.title = 'one'),
      undefined,
      (error) => refusals.push(error),
    );
    add(' two');
    add(' three');
    await settled();
    expect(writer.held(FIRST_JOB_ID)).toMatchObject({ acts: 3, job: { title: 'one two three four' } });
    room.mockRestore();
    await writer.tryAgain(FIRST_JOB_ID);
    expect((await jobNow()).title).toBe('one two three four');
    expect(refusals).toEqual([]);
  });

  it('still refuses what could never be stored, and holds the rest', async () => {
    const { writer, type, edit, settled } = await tab();
    const refusals: Error[] = [];
    const room = full();
    type('kept');
    edit(
      (draft) => void (draft.title = 'x'.repeat(5000)),
      undefined,
      (error) => refusals.push(error),
    );
    await settled();
    expect(writer.held(FIRST_JOB_ID)?.acts).toBe(2);
    room.mockRestore();
    await writer.tryAgain(FIRST_JOB_ID);
    expect(refusals).toHaveLength(1);
    expect(writer.held(FIRST_JOB_ID)).toBeNull();
    expect((await jobNow()).title).toBe('kept');
  });
});

describe('what a killed browser leaves', () => {
  it('is done at the next start, in the order it was made, once', async () => {
    const first = (await jobNow()).title;
    const evidence = (await jobNow()).evidence.length;
    await killedAfter(...['a', 'ab', 'abc'].map(retitle), clue('one'), clue('two'));
    expect(await finishNoted(db)).toEqual({ stored: 5, left: 0 });
    expect(await finishNoted(db)).toEqual({ stored: 0, left: 0 });
    const job = await jobNow();
    expect(job.title).toBe('abc');
    expect(job.evidence.slice(evidence).map(({ id }) => id)).toEqual(['one', 'two']);
    for (let step = 0; step < 5; step += 1) await undoJob(FIRST_JOB_ID, db);
    expect((await jobNow()).title).toBe(first);
  });

  it('is done before what the next page does, and by two pages once', async () => {
    await killedAfter(retitle('typed at the last moment'));
    const other = new VumbleDatabase(`writer-${name}`);
    const [one, two] = [await tab(), await tab(other)];
    one.edit((draft) => void (draft.title += ', and more'));
    two.edit((draft) => void (draft.lookOver.warnings = 'seen'));
    await Promise.all([one.settled(), two.settled()]);
    const job = await jobNow();
    expect([job.title, job.lookOver.warnings]).toEqual(['typed at the last moment, and more', 'seen']);
    expect(await db.edits.count()).toBe(3);
    other.close();
  });

  it('never overwrites what was changed since: it is set aside', async () => {
    await killedAfter(retitle('stale'));
    await editJob(FIRST_JOB_ID, 'Newer', retitle('newer'), {}, db);
    expect((await finishNoted(db)).stored).toBe(0);
    expect((await jobNow()).title).toBe('newer');
    expect(await db.aside.toArray()).toMatchObject([
      { table: 'journal', problem: expect.stringMatching(/elsewhere/) },
    ]);
  });

  it('is set aside where it is broken, of no job, or makes the job impossible, and the others are done', async () => {
    const id = (broken: string) => ({ id: broken, jobId: FIRST_JOB_ID, label: 'x', mergeKey: '', at: 1 });
    await db.atOnce.notes.add({ ...id('malformed'), forward: 'none', backward: 3 } as never);
    await db.atOnce.notes.add({ id: 'no-job-at-all' } as never);
    await db.atOnce.notes.add({ ...id('gone'), jobId: 'gone', forward: [], backward: [] });
    const replace = (value: unknown) => [{ op: 'replace' as const, path: ['title'], value }];
    const { title } = await jobNow();
    await db.atOnce.notes.add({ ...id('impossible'), forward: replace(7), backward: replace(title) });
    await killedAfter(retitle('still done'));
    expect((await finishNoted(db)).stored).toBe(1);
    expect((await jobNow()).title).toBe('still done');
    expect(await db.aside.count()).toBe(4);
    expect(await db.atOnce.notes.count()).toBe(0);
  });

  it('appends to what another page has appended to since', async () => {
    await killedAfter(clue('noted'));
    await editJob(FIRST_JOB_ID, 'Told', clue('meanwhile'), {}, db);
    expect((await finishNoted(db)).stored).toBe(1);
    expect((await jobNow()).evidence.slice(-2).map(({ id }) => id)).toEqual(['meanwhile', 'noted']);
  });
});

describe('a job that is not on the demo’s first screen', () => {
  it('cannot be edited before it was read', () => {
    const writer = new JobWriter(db);
    const other = (demoJobs()[1] as Job).id;
    expect(() => writer.edit(other, 'x', retitle('x'), {}, refuse)).toThrow(/not read/);
  });
});
