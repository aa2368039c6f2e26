import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { FIRST_JOB_ID } from '../../demo/jobs.ts';
import { asideText, NotMendedError, putBack, removeAside } from './asideRows.ts';
import { binContents, emptyBin } from './bin.ts';
import { checkRows } from './checkRows.ts';
import { VumbleDatabase } from './db.ts';
import { editJob } from './edits.ts';
import { jobSummaries } from './jobSummaries.ts';
import { binJob } from './jobs.ts';

let db: VumbleDatabase;
let name = 0;
beforeEach(async () => {
  name += 1;
  db = new VumbleDatabase(`rows-${name}`);
  await db.open();
});
afterEach(async () => {
  db.close();
  await Dexie.delete(`rows-${name}`);
  await Dexie.delete(`rows-${name}-at-once`);
});

const sound = async () => {
  const row = await db.jobs.get(FIRST_JOB_ID);
  if (!row) throw new Error('the job is gone');
  return row;
};

describe('rows that are not what they should be', () => {
  it('are none in the demo', async () => {
    expect(await checkRows(true, db)).toBe(0);
    expect(await db.aside.count()).toBe(0);
  });

  it('are set aside with what is wrong, and the others stay', async () => {
    const row = await sound();
    const jobs = await db.jobs.count();
    const parts = await db.parts.count();
    const { vehicle, ...without } = row.job;
    const bad: [table: 'jobs' | 'parts' | 'photos', row: object][] = [
      ['jobs', { ...row, id: 'no-vehicle', job: { ...without, id: 'no-vehicle' } }],
      ['jobs', { ...row, id: 'no-job', job: null }],
      ['jobs', { ...row, id: 'other-name' }],
      ['parts', { id: 'no-kind' }],
      ['parts', { id: 'bad-led', kind: 'led', code: 7 }],
      ['photos', { id: 'no-picture', jobId: FIRST_JOB_ID }],
    ];
    for (const [table, each] of bad) await db.table(table).put(each);
    expect(await checkRows(false, db)).toBe(bad.length);
    expect([await db.jobs.count(), await db.parts.count()]).toEqual([jobs, parts]);
    const aside = await db.aside.toArray();
    expect(aside.map(({ key }) => key)).toEqual([
      'no-job',
      'no-vehicle',
      'other-name',
      'bad-led',
      'no-kind',
      'no-picture',
    ]);
    expect(aside[1]?.problem).toMatch(/^job\.vehicle/);
    expect(vehicle.lamps.length).toBeGreaterThan(0);
  });

  it('are mended by themselves where only the frame of a sound job is wrong', async () => {
    const row = await sound();
    const { deleted, updatedAt, ...frameless } = row;
    await db.jobs.put({ ...frameless, deleted: 'yes', updatedAt: 12 } as never);
    expect(await checkRows(false, db)).toBe(0);
    expect(await sound()).toMatchObject({ deleted, updatedAt: row.job.createdAt, job: row.job });
    expect(typeof updatedAt).toBe('string');
  });

  it('that do not hang together are set aside once a screen broke', async () => {
    const row = await sound();
    await db.jobs.put({ ...row, job: { ...row.job, chosen: { 'no-such-lamp': null } } });
    expect(await checkRows(false, db)).toBe(0);
    expect(await checkRows(true, db)).toBe(1);
  });

  it('go back when they are mended, and only then; a removed one comes back', async () => {
    const row = await sound();
    await db.jobs.put({ ...row, job: { ...row.job, title: 7 as unknown as string } });
    await checkRows(false, db);
    const [aside] = await db.aside.toArray();
    if (!aside) throw new Error('nothing set aside');
    expect(JSON.parse(asideText(aside))).toMatchObject({ table: 'jobs', row: { job: { title: 7 } } });
    await expect(putBack(aside, '{', db)).rejects.toThrow(NotMendedError);
    await expect(putBack(aside, JSON.stringify(aside.row), db)).rejects.toThrow(/job\.title/);
    const undo = await removeAside(aside, db);
    expect(await db.aside.count()).toBe(0);
    await undo();
    await putBack(aside, JSON.stringify(row), db);
    expect(await sound()).toEqual(row);
    expect(await db.aside.count()).toBe(0);
    await expect(putBack(aside, JSON.stringify(row), db)).rejects.toThrow(/taken its place/);
  });
});

describe('the list of jobs', () => {
  it('has the newest change first, and believes none that is yet to come', async () => {
    const now = Date.parse('2026-11-28T10:00:00.000Z');
    const put = async (id: string, updatedAt: string) =>
      db.jobs.update(id, { updatedAt } as never).then((changed) => expect(changed).toBe(1));
    await put('gritter-4', '2099-01-01T00:00:00.000Z');
    await put('courier-moped-7', '2026-11-28T09:00:00.000Z');
    await put('library-route-1', '2026-11-28T08:00:00.000Z');
    const { jobs, unreadable } = await jobSummaries(now, db);
    expect(jobs.slice(0, 2).map(({ id }) => id)).toEqual(['courier-moped-7', 'library-route-1']);
    expect(jobs.find(({ id }) => id === 'gritter-4')?.changedMs).toBeLessThan(now);
    expect(unreadable).toBe(0);
  });

  it('counts the rows it cannot list, and shows the others', async () => {
    const jobs = await db.jobs.count();
    await db.jobs.put({ id: 'nothing' } as never);
    const summaries = await jobSummaries(Date.now(), db);
    expect([summaries.jobs.length, summaries.unreadable]).toEqual([jobs, 1]);
  });
});

describe('the bin', () => {
  it('is emptied for good with pictures and history, and touches nothing else', async () => {
    await editJob(FIRST_JOB_ID, 'x', (draft) => void (draft.title = 'x'), {}, db);
    const photo = (id: string, jobId: string, deleted: 0 | 1) => ({
      id,
      jobId,
      lampId: null,
      takenAt: '2026-11-20T10:00:00.000Z',
      name: id,
      image: new Blob(['x']),
      deleted,
    });
    await db.photos.bulkAdd([
      photo('of-binned', FIRST_JOB_ID, 0),
      photo('binned', 'gritter-4', 1),
      photo('kept', 'gritter-4', 0),
    ]);
    const jobs = await db.jobs.count();
    await binJob(FIRST_JOB_ID, db);
    expect(await binContents(db)).toMatchObject({ jobs: [{ id: FIRST_JOB_ID, title: 'x' }], photos: 2 });
    await emptyBin(db);
    expect(await db.jobs.count()).toBe(jobs - 1);
    expect(await db.edits.count()).toBe(0);
    expect(await db.photos.toCollection().primaryKeys()).toEqual(['kept']);
    expect(await binContents(db)).toEqual({ jobs: [], photos: 0 });
  });
});
