// Longer than 300 lines: cases of one store, opened anew for each.
import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import Dexie from 'dexie';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type JobFile, jobFileOf, readJobFile } from '../../core/formats/jobFile.ts';
import { Job } from '../../core/model/job.ts';
import { lampEvidenceOf, ratesOf, standing } from '../../core/model/seen.ts';
import { turnFuse } from '../../core/model/vehicle/lookUp.ts';
import { type QuickQuestion, quickQuestion } from '../../core/quick/question.ts';
import { quickJob } from '../../core/quick/quickJob.ts';
import { becomes } from '../../core/record/tell.ts';
import { trialAt } from '../../demo/forTests.ts';
import { demoJobs, FIRST_JOB_ID } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { rowOf, VumbleDatabase } from './db.ts';
import { editJob, historyOf, JobGoneError, redoJob, undoJob } from './edits.ts';
import { importJob, previewImport } from './importJob.ts';
import { binJob, exportJob, rememberJob, restoreJob, startJob, startJobLike } from './jobs.ts';
import { KeptValues } from './kept.ts';
import { finishNoted } from './notes.ts';
import { keepQuickJob } from './quickJobs.ts';
import { PartInUseError, removeParts } from './shelf.ts';
import { withWholeLog } from './vehicleLog.ts';

let db: VumbleDatabase;
let name = 0;
beforeEach(() => {
  name += 1;
  db = new VumbleDatabase(`test-${name}`);
});
afterEach(async () => {
  db.close();
  await Dexie.delete(`test-${name}`);
  await Dexie.delete(`test-${name}-at-once`);
});

const LEFT_OFF = { at: '2026-11-20T10:00:00.000Z', stepId: 'any', note: '' };

async function jobNow(id = FIRST_JOB_ID): Promise<Job> {
  const row = await db.jobs.get(id);
  if (!row) throw new Error(`no job ${id}`);
  return row.job;
}
const rename = (title: string, mergeKey?: string) =>
  editJob(
    FIRST_JOB_ID,
    `Rename to ${title}`,
    (draft) => void (draft.title = title),
    mergeKey ? { mergeKey } : {},
    db,
  );

describe('a quick check kept as a job', () => {
  it('is a job of its own, its LED on the shelf under a name of its own, with what was seen', async () => {
    const question = {
      ...quickQuestion('rear-turn'),
      trials: [{ result: 'fast', side: 'left', lights: false, engine: false, supplyVolts: null }],
    } satisfies QuickQuestion;
    const asked = quickJob(question, await db.parts.toArray(), 'quick', '2026-11-26T10:00:00.000Z');
    const [first, second] = [await keepQuickJob(asked, db), await keepQuickJob(asked, db)];
    expect(first).not.toBe(second);
    const kept = Job.parse(await jobNow(first));
    const led = kept.chosen['rear-turn-left'];
    expect(await db.parts.get(led ?? '')).toMatchObject({ kind: 'led', open: expect.anything() });
    expect(lampEvidenceOf(kept)[0]?.fitted.lamps['rear-turn-left']).toBe(led);
    expect(kept.vehicle.facts?.flashers?.length).toBeGreaterThan(1);
    const file = readJobFile(await exportJob(first, db));
    expect(file.ok).toBe(true);
  });
});

describe('the first start', () => {
  it('holds the demo jobs and shelf, and knows which job to open', async () => {
    expect(await db.jobs.count()).toBe(demoJobs().length);
    expect(await db.parts.count()).toBe(DEMO_SHELF.length);
    expect((await db.settings.get('last-job'))?.value).toBe(FIRST_JOB_ID);
    expect((await db.settings.get('last-stage'))?.value).toBe('cure');
  });

  it('remembers where a job was left, and forgets it for one that was only looked at', async () => {
    await rememberJob('gritter-4', 'fit', db);
    expect((await db.settings.bulkGet(['last-job', 'last-stage'])).map((row) => row?.value)).toEqual([
      'gritter-4',
      'fit',
    ]);
    await rememberJob('gritter-4', null, db);
    expect(await db.settings.get('last-stage')).toBeUndefined();
  });

  it('opens as schema version 13', async () => {
    await db.open();
    expect(db.verno).toBe(13);
    expect(db.tables.map((table) => table.name).toSorted()).toEqual([
      'aside',
      'edits',
      'histories',
      'jobs',
      'journal',
      'movements',
      'parts',
      'photos',
      'settings',
      'storedActs',
    ]);
    expect(db.atOnce.tables.map((table) => table.name).toSorted()).toEqual(['kept', 'notes']);
  });
});

/** The tables of a store, with their keys and indexes, as the browser has them. */
function shapeOf(store: IDBDatabase) {
  const names = [...store.objectStoreNames];
  const reading = store.transaction(names);
  return names.map((table) => {
    const { keyPath, autoIncrement, indexNames } = reading.objectStore(table);
    return { table, keyPath, autoIncrement, indexes: [...indexNames].toSorted() };
  });
}

describe('a browser that still holds version 1', () => {
  it('brings its jobs up to whole vehicles, keeps what was typed, and gets the new parts', async () => {
    const old = new Dexie(`test-${name}`);
    old.version(1).stores({
      jobs: 'id, deleted, updatedAt',
      edits: '++seq, [jobId+undone]',
      parts: 'id, kind',
      settings: 'key',
    });
    const { job, parts } = JSON.parse(
      readFileSync(new URL('../../tests/fixtures/job-version-1.vumble.json', import.meta.url), 'utf8'),
    );
    const mine = { ...job, id: 'mine', title: 'Typed by hand' };
    await old.table('jobs').add({ id: 'mine', job: mine, updatedAt: job.createdAt, deleted: 0 });
    await old.table('parts').bulkAdd(parts);
    await old.table('settings').add({ key: 'last-job', value: 'mine' });
    old.close();
    const upgraded = await jobNow('mine');
    expect(Job.parse(upgraded).title).toBe('Typed by hand');
    expect(upgraded.evidence).toHaveLength(job.observations.length);
    expect(lampEvidenceOf(upgraded)[0]?.fitted.configuration).toBe(job.observations[0].stage);
    expect(turnFuse(upgraded.vehicle).ratedAmps).toBe(15);
    expect(await db.parts.count()).toBe(DEMO_SHELF.length);
    expect(await db.jobs.count()).toBe(demoJobs().length + 1);
    // It has come to the same store a new browser gets.
    const fresh = new VumbleDatabase(`test-${name}-fresh`);
    await fresh.open();
    expect(shapeOf(db.backendDB())).toEqual(shapeOf(fresh.backendDB()));
    fresh.close();
  });
});

describe('a browser that still holds version 12', () => {
  it('finds what it noted and kept there, where nothing has to wait, and does it', async () => {
    const old = new Dexie(`test-${name}`);
    old.version(12).stores({
      ...{ jobs: 'id, deleted, updatedAt, job.vehicle.id, *held', edits: '++seq, [jobId+undone]' },
      ...{ parts: 'id, kind', settings: 'key', photos: 'id, jobId', journal: '++seq, &id', aside: '++seq' },
      ...{ movements: 'id, partId', histories: 'id' },
    });
    const job = demoJobs().find(({ id }) => id === FIRST_JOB_ID) as Job;
    await old.table('jobs').add(rowOf(job));
    await old.table('settings').add({ key: 'kept-seen-by', value: '"Ada"' });
    const title = { op: 'replace', path: ['title'] };
    await old.table('journal').add({
      ...{ id: 'typed last', jobId: job.id, label: 'Title', mergeKey: '', at: 1 },
      forward: [{ ...title, value: 'Typed last' }],
      backward: [{ ...title, value: job.title }],
    });
    old.close();
    const values = new KeptValues(db, null);
    await values.loaded();
    expect(values.text('seen-by')).toBe('"Ada"');
    expect(await finishNoted(db)).toEqual({ stored: 1, left: 0 });
    expect((await jobNow(job.id)).title).toBe('Typed last');
    expect([await db.journal.count(), await db.atOnce.notes.count()]).toEqual([0, 0]);
    expect(await db.settings.toArray()).toEqual([]);
  });
});

describe('a browser that still holds version 3', () => {
  it('takes back and does again, in the words of today, an observation it wrote down then', async () => {
    const old = new Dexie(`test-${name}`);
    old.version(3).stores({
      jobs: 'id, deleted, updatedAt',
      edits: '++seq, [jobId+undone]',
      parts: 'id, kind',
      settings: 'key',
      photos: 'id, jobId',
    });
    const { job } = JSON.parse(
      readFileSync(new URL('../../tests/fixtures/job-version-4.vumble.json', import.meta.url), 'utf8'),
    );
    const [seen] = job.observations;
    await old
      .table('jobs')
      .add({ id: 'mine', job: { ...job, id: 'mine' }, updatedAt: job.createdAt, deleted: 0 });
    const edit = { jobId: 'mine', ids: [], mergeKey: '', at: 1, undone: 0 };
    await old.table('edits').add({
      ...edit,
      label: 'Write a rate down',
      forward: [
        { op: 'add', path: ['observations', job.observations.length - 1], value: job.observations.at(-1) },
      ],
      backward: [{ op: 'replace', path: ['observations', 'length'], value: job.observations.length - 1 }],
    });
    await old.table('edits').add({
      ...edit,
      label: 'Look again',
      forward: [{ op: 'replace', path: ['observations', 0, 'stage'], value: seen.stage }],
      backward: [{ op: 'replace', path: ['observations', 0, 'stage'], value: 'leds' }],
    });
    old.close();
    const upgraded = await jobNow('mine');
    expect(Job.parse(upgraded)).toEqual(upgraded);
    expect(await undoJob('mine', db)).toBe('Look again');
    expect(lampEvidenceOf(await jobNow('mine'))[0]?.fitted.configuration).toBe('leds');
    expect(await undoJob('mine', db)).toBe('Write a rate down');
    expect(ratesOf(await jobNow('mine'))).toHaveLength(job.observations.length - 1);
    await redoJob('mine', db);
    await redoJob('mine', db);
    expect({ ...(await jobNow('mine')), evidence: [] }).toEqual({ ...upgraded, evidence: [] });
    expect(standing(await jobNow('mine'))).toEqual(standing(upgraded));
  });
});

describe('a browser that still holds version 6', () => {
  it('makes one record of its three, and takes back and does again each thing it wrote down', async () => {
    const old = new Dexie(`test-${name}`);
    old.version(6).stores({
      jobs: 'id, deleted, updatedAt',
      edits: '++seq, [jobId+undone]',
      parts: 'id, kind',
      settings: 'key',
      photos: 'id, jobId',
    });
    const { job, parts } = JSON.parse(
      readFileSync(new URL('../../tests/fixtures/job-version-7.vumble.json', import.meta.url), 'utf8'),
    );
    const found = {
      id: 'found',
      at: '2026-12-30T10:00:00.000Z',
      circuitId: 'turn-left',
      fitted: {},
      networks: [],
      out: [],
      lights: true,
      supplyVolts: 12.4,
      result: 'fast',
    };
    await old.table('jobs').add({
      id: 'mine',
      job: { ...job, id: 'mine', findings: [found] },
      updatedAt: job.createdAt,
      deleted: 0,
    });
    await old.table('parts').bulkAdd(parts);
    const edit = { jobId: 'mine', ids: [], mergeKey: '', at: 1 };
    const [proof] = job.circuitProofs;
    await old.table('edits').bulkAdd([
      {
        ...edit,
        undone: 0,
        label: 'Prove',
        forward: [{ op: 'add', path: ['circuitProofs'], value: [proof] }],
        backward: [{ op: 'remove', path: ['circuitProofs'] }],
      },
      {
        ...edit,
        undone: 0,
        label: 'Found, and named anew',
        forward: [
          { op: 'add', path: ['findings'], value: [found] },
          { op: 'replace', path: ['title'], value: job.title },
        ],
        backward: [
          { op: 'remove', path: ['findings'] },
          { op: 'replace', path: ['title'], value: 'Before' },
        ],
      },
      {
        ...edit,
        undone: 1,
        label: 'Take a rate back',
        forward: [{ op: 'replace', path: ['observations', 'length'], value: 0 }],
        backward: [{ op: 'add', path: ['observations', 0], value: job.observations[0] }],
      },
    ]);
    old.close();
    const upgraded = await jobNow('mine');
    expect(Job.parse(upgraded)).toEqual(upgraded);
    const ids = async () => standing(await jobNow('mine')).map(({ id }) => id);
    const all = [job.observations[0].id, proof.id, 'found'];
    expect(await ids()).toEqual(all);
    expect(upgraded.evidence[2]).toMatchObject({
      on: { lights: true },
      supply: { fromVolts: 12.4, toVolts: 12.4 },
    });
    expect(await redoJob('mine', db)).toBe('Take a rate back');
    expect(await ids()).toEqual(all.slice(1));
    await undoJob('mine', db);
    expect(await undoJob('mine', db)).toBe('Found, and named anew');
    expect(await ids()).toEqual(all.slice(0, 2));
    expect((await jobNow('mine')).title).toBe('Before');
    expect(await undoJob('mine', db)).toBe('Prove');
    expect(await ids()).toEqual(all.slice(0, 1));
    await redoJob('mine', db);
    await redoJob('mine', db);
    expect({ ...(await jobNow('mine')), evidence: [] }).toEqual({ ...upgraded, evidence: [] });
    expect(standing(await jobNow('mine'))).toEqual(standing(upgraded));
  });
});

describe('edits', () => {
  it('undo and redo in order, and survive closing the database', async () => {
    const first = (await jobNow()).title;
    await rename('one');
    await rename('two');
    db.close();
    db = new VumbleDatabase(`test-${name}`);
    expect(await undoJob(FIRST_JOB_ID, db)).toBe('Rename to two');
    expect((await jobNow()).title).toBe('one');
    expect(await undoJob(FIRST_JOB_ID, db)).toBe('Rename to one');
    expect((await jobNow()).title).toBe(first);
    expect(await undoJob(FIRST_JOB_ID, db)).toBeNull();
    expect(await redoJob(FIRST_JOB_ID, db)).toBe('Rename to one');
    expect(await historyOf(FIRST_JOB_ID, db)).toEqual({ undo: 'Rename to one', redo: 'Rename to two' });
    await redoJob(FIRST_JOB_ID, db);
    expect((await jobNow()).title).toBe('two');
  });

  it('forget what was undone once something new is done', async () => {
    await rename('one');
    await undoJob(FIRST_JOB_ID, db);
    await rename('other');
    expect(await redoJob(FIRST_JOB_ID, db)).toBeNull();
    expect((await jobNow()).title).toBe('other');
  });

  it('join keystrokes of one field, and only of that field', async () => {
    const first = (await jobNow()).title;
    for (const title of ['a', 'ab', 'abc']) await rename(title, 'title');
    await editJob(
      FIRST_JOB_ID,
      'Write warnings',
      (draft) => void (draft.lookOver.warnings = 'x'),
      { mergeKey: 'warnings' },
      db,
    );
    await undoJob(FIRST_JOB_ID, db);
    expect((await jobNow()).title).toBe('abc');
    await undoJob(FIRST_JOB_ID, db);
    expect((await jobNow()).title).toBe(first);
    await redoJob(FIRST_JOB_ID, db);
    expect((await jobNow()).title).toBe('abc');
  });

  it('write nothing when nothing changed, or when the job would become invalid', async () => {
    await editJob(FIRST_JOB_ID, 'nothing', () => {}, {}, db);
    await expect(
      editJob(FIRST_JOB_ID, 'bad fuse', (draft) => void (turnFuse(draft.vehicle).ratedAmps = -1), {}, db),
    ).rejects.toThrow();
    expect(turnFuse((await jobNow()).vehicle).ratedAmps).toBe(15);
    expect(await historyOf(FIRST_JOB_ID, db)).toEqual({ undo: null, redo: null });
  });

  it('made at once from two places are both kept', async () => {
    const other = new VumbleDatabase(`test-${name}`);
    await Promise.all([
      editJob(FIRST_JOB_ID, 'left', (draft) => void (draft.chosen['rear-left'] = null), {}, db),
      editJob(FIRST_JOB_ID, 'right', (draft) => void (draft.chosen['rear-right'] = null), {}, other),
    ]);
    const job = await jobNow();
    expect([job.chosen['rear-left'], job.chosen['rear-right']]).toEqual([null, null]);
    other.close();
  });

  it('add to the log alone: what is undone stays in it and stands no longer, what is done again stands', async () => {
    const before = (await jobNow()).evidence;
    const tell = (id: string) =>
      editJob(
        FIRST_JOB_ID,
        'Seen',
        (draft) => void draft.evidence.push({ ...trialAt('turn-left', 'fast', 12.6), id }),
        {},
        db,
      );
    const shown = async () => standing(await jobNow()).map(({ id }) => id);
    const old = standing({ evidence: before }).map(({ id }) => id);
    await tell('one');
    await tell('two');
    await editJob(
      FIRST_JOB_ID,
      'Take back',
      (draft) => void (draft.evidence = draft.evidence.filter(({ id }) => id !== 'one')),
      {},
      db,
    );
    expect(await shown()).toEqual([...old, 'two']);
    await undoJob(FIRST_JOB_ID, db);
    expect(await shown()).toEqual([...old, 'one', 'two']);
    await undoJob(FIRST_JOB_ID, db);
    expect(await shown()).toEqual([...old, 'one']);
    await redoJob(FIRST_JOB_ID, db);
    await redoJob(FIRST_JOB_ID, db);
    expect(await shown()).toEqual([...old, 'two']);
    const { evidence } = await jobNow();
    expect(evidence.slice(0, before.length)).toEqual(before);
    expect(evidence.flatMap(({ id, kind }) => (kind === 'mark' ? [] : [id]))).toEqual([...old, 'one', 'two']);
    expect(new Set(evidence.map(({ id }) => id)).size).toBe(evidence.length);
    // A device counts its own words one by one.
    const counts = evidence.flatMap(({ device }) => (device ? [device.count] : []));
    expect(counts).toEqual(counts.map((_, index) => index + 1));
  });

  it('keep of a message that is typed its last letter’s record alone, and undo takes the whole of it', async () => {
    await editJob(
      FIRST_JOB_ID,
      'Seen',
      (draft) => void draft.evidence.push({ ...trialAt('turn-left', 'fast', 12.6), id: 'one' }),
      {},
      db,
    );
    for (const note of ['b', 'bu', 'bulb'])
      await editJob(
        FIRST_JOB_ID,
        'Message',
        (draft) => {
          const id = becomes(draft.evidence, 'one');
          const found = draft.evidence.find((each) => each.id === id);
          if (found?.kind === 'trial') found.note = note;
        },
        { mergeKey: 'words' },
        db,
      );
    const last = async () => standing(await jobNow()).at(-1);
    expect(await last()).toMatchObject({ note: 'bulb', replaces: 'one' });
    expect((await jobNow()).evidence.filter(({ kind }) => kind === 'trial')).toHaveLength(2);
    await undoJob(FIRST_JOB_ID, db);
    expect(await last()).toMatchObject({ id: 'one' });
    expect((await last())?.note).toBeUndefined();
    await redoJob(FIRST_JOB_ID, db);
    expect(await last()).toMatchObject({ note: 'bulb' });
  });

  it('of one job are read on every job of the same vehicle, and leave with its file', async () => {
    await startJobLike(FIRST_JOB_ID, 'again', 'The same van again', null, db);
    await startJobLike(FIRST_JOB_ID, 'other', 'Another van', 'vehicle-other', db);
    await editJob(
      'again',
      'Seen',
      (draft) =>
        void draft.evidence.push({
          ...trialAt('turn-left', 'fast', 12.6),
          id: 'seen-again',
          vehicleId: draft.vehicle.id,
        }),
      {},
      db,
    );
    const shown = async (id: string) =>
      standing(await withWholeLog(await jobNow(id), db)).map((each) => each.id);
    expect(await shown(FIRST_JOB_ID)).toContain('seen-again');
    expect(await shown('other')).toEqual([]);
    expect(await shown('again')).toEqual(await shown(FIRST_JOB_ID));
    const file = readJobFile(await exportJob(FIRST_JOB_ID, db));
    expect(file.ok && standing(file.file.job).map(({ id }) => id)).toContain('seen-again');
    await binJob('again', db);
    expect(await shown(FIRST_JOB_ID)).not.toContain('seen-again');
  });

  it('say so when the job is gone', async () => {
    await expect(editJob('gone', 'x', () => {}, {}, db)).rejects.toThrow(JobGoneError);
    await expect(exportJob('gone', db)).rejects.toThrow(JobGoneError);
  });

  it('keep the last 500 for undo', async () => {
    for (let index = 0; index < 510; index += 1) await rename(`t${index}`);
    expect(await db.edits.count()).toBe(500);
  }, 60_000);
});

describe('jobs', () => {
  it('go to the bin and come back', async () => {
    await binJob(FIRST_JOB_ID, db);
    expect(await db.jobs.where({ deleted: 1 }).count()).toBe(1);
    await restoreJob(FIRST_JOB_ID, db);
    expect(await db.jobs.where({ deleted: 1 }).count()).toBe(0);
  });

  it('start with everything still to do', async () => {
    const { vehicle } = await jobNow();
    await startJob('new-1', 'Another van', vehicle, db);
    expect(await jobNow('new-1')).toMatchObject({ title: 'Another van', chosen: {}, evidence: [] });
  });
});

describe('a part of the shelf', () => {
  it('that a job bleeds through or found something with is not removed; one that nobody names is', async () => {
    const [bleed, other] = DEMO_SHELF.filter((part) => part.kind === 'resistor');
    if (!bleed || !other) throw new Error('two resistors');
    await db.jobs.clear();
    const { vehicle } = demoJobs()[0] as Job;
    await startJob('bled', 'Bled', vehicle, db);
    const piece = { partId: bleed.id, ohms: bleed.ohms, watts: bleed.watts, tolerance: bleed.tolerance };
    await editJob(
      'bled',
      'Bleed',
      (draft) => void draft.vehicleCures.push({ kind: 'bleed-resistor', circuitId: 'stop', piece }),
      {},
      db,
    );
    await expect(removeParts([bleed], db)).rejects.toThrow(PartInUseError);
    await removeParts([other], db);
    expect(await db.parts.get(other.id)).toBeUndefined();
  });
});

describe('import', () => {
  async function exported(id = FIRST_JOB_ID): Promise<JobFile> {
    const result = readJobFile(await exportJob(id, db));
    if (!result.ok) throw new Error(result.problems.join());
    return result.file;
  }

  it('brings the same job into an empty browser', async () => {
    const file = await exported();
    await db.jobs.clear();
    await db.parts.clear();
    const preview = await previewImport(file, db);
    expect(preview).toMatchObject({ existing: null, differing: [] });
    expect(preview.newParts.length).toBe(file.parts.length);
    expect(await importJob(preview, 'add', 'unused', db)).toBe(FIRST_JOB_ID);
    expect(await jobNow()).toEqual(file.job);
  });

  it('keeps both unless told to replace, and a replacement can be undone', async () => {
    const file = await exported();
    await rename('changed since');
    const preview = await previewImport(file, db);
    expect(preview.existing?.title).toBe('changed since');
    await importJob(preview, 'keep-both', 'copy-1', db);
    expect((await jobNow()).title).toBe('changed since');
    expect((await jobNow('copy-1')).title).toBe(file.job.title);
    await importJob(preview, 'replace', 'unused', db);
    expect(await jobNow()).toEqual(file.job);
    await undoJob(FIRST_JOB_ID, db);
    expect((await jobNow()).title).toBe('changed since');
  });

  it('replaces all of a job that is in the bin, and nothing at all where the file’s job is refused', async () => {
    const file = await exported();
    await editJob(FIRST_JOB_ID, 'Left off', (draft) => void (draft.leftOff = LEFT_OFF), {}, db);
    await binJob(FIRST_JOB_ID, db);
    const bad = { ...file, job: { ...file.job, title: 7 as unknown as string } };
    const parts = await db.parts.count();
    const other: JobFile = { ...bad, parts: bad.parts.map((part) => ({ ...part, id: `other-${part.id}` })) };
    await expect(importJob(await previewImport(other, db), 'replace', 'unused', db)).rejects.toThrow();
    expect(await db.parts.count()).toBe(parts);
    expect((await db.jobs.get(FIRST_JOB_ID))?.deleted).toBe(1);
    await importJob(await previewImport(file, db), 'replace', 'unused', db);
    expect(await db.jobs.get(FIRST_JOB_ID)).toMatchObject({ deleted: 0, job: file.job });
    expect((await jobNow()).leftOff).toBeUndefined();
    await undoJob(FIRST_JOB_ID, db);
    expect((await jobNow()).leftOff).toEqual(LEFT_OFF);
  });

  it('of the same changed part again takes what came in before; with yet other figures it is a third', async () => {
    const file = await exported('library-route-1');
    const withOhms = (value: number): JobFile => ({
      ...file,
      parts: file.parts.map((part) =>
        part.kind === 'resistor' && part.id === 'res-6-50' ? { ...part, ohms: value } : part,
      ),
    });
    const before = await db.parts.count();
    const bring = async (theirs: JobFile, id: string) =>
      importJob(await previewImport(theirs, db), 'keep-both', id, db);
    await bring(withOhms(6.8), 'copy-a');
    await bring(withOhms(6.8), 'copy-b');
    expect(await db.parts.count()).toBe(before + 1);
    await bring(withOhms(8.2), 'copy-c');
    expect(await db.parts.count()).toBe(before + 2);
    const ohmsOf = async (id: string) => {
      const piece = (await jobNow(id)).cures['turn-left']?.networks[0]?.pieces[0];
      const part = await db.parts.get(piece?.partId ?? '');
      return part?.kind === 'resistor' && part.ohms;
    };
    expect([await ohmsOf('copy-a'), await ohmsOf('copy-b'), await ohmsOf('copy-c')]).toEqual([6.8, 6.8, 8.2]);
  });

  it('leaves a part of the same id with other figures alone, and takes the file’s beside it', async () => {
    const file = await exported('library-route-1');
    const theirs: JobFile = {
      ...file,
      parts: file.parts.map((part) =>
        part.kind === 'resistor' && part.id === 'res-6-50' ? { ...part, ohms: 6.8 } : part,
      ),
    };
    const preview = await previewImport(theirs, db);
    expect(preview.differing.map((part) => part.id)).toEqual(['res-6-50']);
    await importJob(preview, 'keep-both', 'copy-2', db);
    expect(await db.parts.get('res-6-50')).toMatchObject({ ohms: 6 });
    const piece = (await jobNow('copy-2')).cures['turn-left']?.networks[0]?.pieces[0];
    expect(await db.parts.get(piece?.partId ?? '')).toMatchObject({ ohms: 6.8 });
  });

  it('a relay and what a trial was made with keep the file’s figures too', async () => {
    const relay = DEMO_SHELF.find((part) => part.kind === 'flasher');
    const led = DEMO_SHELF.find((part) => part.kind === 'led');
    if (!relay || !led) throw new Error('no relay or LED on the shelf');
    const file = await exported();
    const theirs: JobFile = {
      ...file,
      job: {
        ...file.job,
        vehicleCures: [{ kind: 'flasher-relay', partId: relay.id, position: 0.5 }],
        evidence: [trialAt('turn-left', 'fast', 12.6, { lamps: { 'rear-left': led.id } })],
      },
      parts: [{ ...relay, ratedAmps: 7 } as typeof relay, { ...led, watts: 2.22 } as typeof led],
    };
    const preview = await previewImport(theirs, db);
    expect(preview.differing.map((part) => part.id).toSorted()).toEqual([relay.id, led.id].toSorted());
    await importJob(preview, 'keep-both', 'copy-3', db);
    const job = await jobNow('copy-3');
    const [cure] = job.vehicleCures;
    const theirRelay = await db.parts.get(cure?.kind === 'flasher-relay' ? cure.partId : '');
    expect(theirRelay).toMatchObject({ ratedAmps: 7 });
    expect(await db.parts.get(lampEvidenceOf(job)[0]?.fitted.lamps['rear-left'] ?? '')).toMatchObject({
      watts: 2.22,
    });
    expect(await db.parts.get(relay.id)).toEqual(relay);
  });

  it('sees a difference inside a part, such as its ballast', async () => {
    const file = await exported('library-route-1');
    const theirs: JobFile = {
      ...file,
      parts: file.parts.map((part) =>
        part.kind === 'led' ? { ...part, ballast: { kind: 'series-resistor', forwardVolts: 5 } } : part,
      ),
    };
    expect((await previewImport(theirs, db)).differing.length).toBe(3);
  });

  it('does not count another stock or price as another part', async () => {
    const job = demoJobs()[2] as Job;
    const file = jobFileOf(
      job,
      DEMO_SHELF.map((part) => ({ ...part, stock: 99, price: 1 })),
      job.createdAt,
    );
    expect((await previewImport(file, db)).differing).toEqual([]);
  });
});
