import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { type Pack, readPack, writePack } from '../../../core/formats/pack.ts';
import type { Part } from '../../../core/model/part.ts';
import { demoJobs } from '../../../demo/jobs.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { VumbleDatabase } from '../db.ts';
import { editJob, redoJob, undoJob } from '../edits.ts';
import { binJob } from '../jobs.ts';
import { keptValues } from '../kept.ts';
import { packOf, type Wanted } from './packing.ts';
import { previewPack } from './preview.ts';
import { OpenQuestionsError, takePack } from './take.ts';

let count = 0;
const JOB = 'library-route-3';

async function browser(withDemo = true): Promise<VumbleDatabase> {
  const db = new VumbleDatabase(`hand-off-${count++}`);
  await db.open();
  if (!withDemo) await Promise.all([db.jobs.clear(), db.parts.clear(), db.movements.clear()]);
  return db;
}

/** As it goes over a wire: bytes. */
async function sent(db: VumbleDatabase, wanted: Wanted = { content: 'jobs', ids: [JOB] }): Promise<Pack> {
  const read = readPack(writePack(await packOf(wanted, db)));
  if (!read.ok) throw new Error(read.problems.join());
  return read.pack;
}

const job = async (db: VumbleDatabase) => {
  const row = await db.jobs.get(JOB);
  if (!row) throw new Error('the job is gone');
  return row.job;
};

const note = (db: VumbleDatabase, text: string) =>
  editJob(JOB, 'Note', (draft) => void (draft.handOver.note = text), {}, db);

describe('a job handed on', () => {
  it('is added with its parts, history and photographs where there is none', async () => {
    const [desk, phone] = [await browser(), await browser(false)];
    await desk.photos.add({
      id: 'photo-1',
      jobId: JOB,
      lampId: null,
      takenAt: '2026-11-30T10:00:00.000Z',
      name: 'rear.png',
      image: new Blob([new Uint8Array([1, 2, 3])], { type: 'image/png' }),
      deleted: 0,
    });
    const pack = await sent(desk);
    expect((await previewPack(pack, {}, phone)).jobs.map(({ what }) => what)).toEqual(['added']);
    const { undo } = await takePack(pack, {}, phone);
    expect(await job(phone)).toEqual(await job(desk));
    expect((await phone.photos.get('photo-1'))?.image.size).toBe(3);
    expect(await phone.histories.get(`job ${JOB}`)).toEqual(await desk.histories.get(`job ${JOB}`));
    await undo();
    expect(await phone.jobs.count()).toBe(0);
    expect(await phone.photos.count()).toBe(0);
    expect(await phone.parts.count()).toBe(0);
  });

  it('comes back with what was done elsewhere, and asks what both changed', async () => {
    const [desk, phone] = [await browser(), await browser(false)];
    await takePack(await sent(desk), {}, phone);
    await note(phone, 'Done on the phone');
    await editJob(JOB, 'Title', (draft) => void (draft.title = 'Route 3, fitted'), {}, phone);
    await note(desk, 'Done at the desk');
    await editJob(JOB, 'Hour', (draft) => void (draft.ledger = { hourPrice: 48 }), {}, desk);
    const back = await sent(phone);
    const [preview] = (await previewPack(back, {}, desk)).jobs;
    expect(preview?.what).toBe('together');
    expect(preview?.questions.map(({ path }) => path)).toEqual(['handOver/note']);
    await expect(takePack(back, {}, desk)).rejects.toThrow(OpenQuestionsError);
    const { undo } = await takePack(back, { [`job ${JOB}`]: { 'handOver/note': 'theirs' } }, desk);
    expect(await job(desk)).toMatchObject({
      title: 'Route 3, fitted',
      ledger: { hourPrice: 48 },
      handOver: { note: 'Done on the phone' },
    });
    // One undo takes all of it back, as the list of edits does.
    await undo();
    expect(await job(desk)).toMatchObject({
      ledger: { hourPrice: 48 },
      handOver: { note: 'Done at the desk' },
    });
    await redoJob(JOB, desk);
    expect((await job(desk)).title).toBe('Route 3, fitted');
  });

  it('brings an answer home: it is asked nowhere again', async () => {
    const [desk, phone] = [await browser(), await browser(false)];
    await takePack(await sent(desk), {}, phone);
    await note(phone, 'phone');
    await note(desk, 'desk');
    await takePack(await sent(phone), { [`job ${JOB}`]: { 'handOver/note': 'mine' } }, desk);
    const answered = await sent(desk);
    expect((await previewPack(answered, {}, phone)).jobs[0]?.questions).toEqual([]);
    await takePack(answered, {}, phone);
    expect((await job(phone)).handOver.note).toBe('desk');
    // The same once more changes nothing.
    expect((await previewPack(answered, {}, phone)).jobs[0]?.what).toBe('mine-newer');
  });

  it('unites what was told, and one undo takes that back too, on this device alone', async () => {
    const [desk, phone] = [await browser(), await browser(false)];
    await takePack(await sent(desk), {}, phone);
    const clue = { kind: 'clue' as const, clue: 'wiggle' as const, lampId: null };
    await editJob(
      JOB,
      'Told',
      (draft) => {
        draft.evidence.push({
          ...clue,
          id: 'seen-here',
          at: '2026-11-30T10:00:00.000Z',
          vehicleId: draft.vehicle.id,
          visit: 'visit-x',
          device: { id: 'phone', count: 900 },
          method: 'told',
        });
      },
      {},
      phone,
    );
    const before = (await job(desk)).evidence.length;
    const back = await sent(phone);
    await takePack(back, {}, desk);
    expect((await job(desk)).evidence).toHaveLength(before + 1);
    await undoJob(JOB, desk);
    expect((await job(desk)).evidence).toHaveLength(before);
    await redoJob(JOB, desk);
    expect((await job(desk)).evidence.at(-1)?.id).toBe('seen-here');
    // Handed on since, it is withdrawn like anything else: others have heard of it.
    await editJob(JOB, 'Title', (draft) => void (draft.title = 'Later'), {}, desk);
    await sent(desk);
    await undoJob(JOB, desk);
    await undoJob(JOB, desk);
    expect((await job(desk)).evidence.at(-1)).toMatchObject({ kind: 'mark', of: 'seen-here', stands: false });
  });

  it('keeps a price of this shelf, and takes one that was changed there alone', async () => {
    const [desk, phone] = [await browser(), await browser()];
    const [part] = await desk.parts.toArray();
    if (!part) throw new Error('an empty shelf');
    await takePack(await sent(desk), {}, phone);
    await phone.parts.update(part.id, { price: 99 });
    const back = await sent(phone);
    expect((await previewPack(back, {}, desk)).parts.merged).toEqual([part.code]);
    await takePack(back, {}, desk);
    expect((await desk.parts.get(part.id))?.price).toBe(99);
    await desk.parts.update(part.id, { price: 12 });
    await phone.parts.update(part.id, { price: 13 });
    const asked = await previewPack(await sent(phone), {}, desk);
    expect(asked.parts.asked.map(({ questions }) => questions.map(({ path }) => path))).toEqual([['price']]);
  });

  it('of a stranger, with a part of ours that is another, comes with its own beside', async () => {
    const [desk, phone] = [await browser(), await browser()];
    const led = DEMO_SHELF.find(
      ({ id, kind }) => kind === 'led' && Object.values(demoJobs()[0]?.chosen ?? {}).includes(id),
    );
    if (!led) throw new Error('the job has no LED');
    const id = demoJobs()[0]?.id ?? '';
    if (led.kind !== 'led') throw new Error('no LED');
    await desk.parts.put({ ...led, watts: 1.23 } as Part);
    await phone.jobs.delete(id);
    const pack = await sent(desk, { content: 'jobs', ids: [id] });
    await takePack({ ...pack, partHistories: {} }, {}, phone);
    const taken = (await phone.jobs.get(id))?.job;
    expect(Object.values(taken?.chosen ?? {})).toContain(`${led.id}-of-${id}`);
    expect(await phone.parts.get(led.id)).toEqual(led);
  });
});

describe('a backup', () => {
  it('of everything is the same again out of an empty browser, byte for byte but for its time', async () => {
    const desk = await browser();
    await note(desk, 'Something of my own');
    await binJob(demoJobs()[1]?.id ?? '', desk);
    const bytes = writePack({
      ...(await packOf({ content: 'everything' }, desk)),
      exportedAt: '2026-11-30T10:00:00.000Z',
    });
    const read = readPack(bytes);
    if (!read.ok) throw new Error(read.problems.join());
    const empty = await browser();
    expect((await previewPack(read.pack, {}, empty)).whole).toBe(true);
    const { undo } = await takePack(read.pack, {}, empty);
    const again = writePack({
      ...(await packOf({ content: 'everything' }, empty)),
      exportedAt: '2026-11-30T10:00:00.000Z',
    });
    expect(Buffer.from(again).equals(Buffer.from(bytes))).toBe(true);
    await undo();
    expect(await empty.jobs.count()).toBe(demoJobs().length);
    expect((await empty.jobs.get(JOB))?.job.handOver.note).not.toBe('Something of my own');
  });

  it('brings what is kept beside the jobs, but no half-typed form, and undo gives back what was there', async () => {
    await keptValues.loaded();
    const desk = await browser();
    keptValues.put('seen-by', 'Ada');
    keptValues.put('view', 'wide');
    keptValues.put('draft-later', 'the seal');
    const pack = await sent(desk, { content: 'everything' });
    expect(pack.kept).toMatchObject({ 'seen-by': '"Ada"', view: '"wide"' });
    expect(Object.keys(pack.kept).filter((key) => key.startsWith('draft'))).toEqual([]);
    keptValues.put('seen-by', 'Bo');
    keptValues.forget('view');
    const { undo } = await takePack(pack, {}, await browser());
    expect([keptValues.text('seen-by'), keptValues.text('view')]).toEqual(['"Ada"', '"wide"']);
    await undo();
    expect([keptValues.text('seen-by'), keptValues.text('view')]).toEqual(['"Bo"', undefined]);
    for (const key of ['seen-by', 'draft-later']) keptValues.forget(key);
  });

  it('in a browser that was used adds what is not there, and lays the rest together', async () => {
    const desk = await browser();
    await note(desk, 'backed up');
    const pack = await sent(desk, { content: 'everything' });
    await editJob(JOB, 'Title', (draft) => void (draft.title = 'after the backup'), {}, desk);
    await desk.jobs.delete(demoJobs()[2]?.id ?? '');
    const preview = await previewPack(pack, {}, desk);
    expect(preview.whole).toBe(false);
    expect(preview.jobs.filter(({ what }) => what === 'added').map(({ id }) => id)).toEqual([
      demoJobs()[2]?.id,
    ]);
    expect(preview.jobs.flatMap(({ questions }) => questions)).toEqual([]);
    await takePack(pack, {}, desk);
    expect(await job(desk)).toMatchObject({ title: 'after the backup', handOver: { note: 'backed up' } });
  });

  it('that the store has no room for changes nothing', async () => {
    const [desk, phone] = [await browser(), await browser(false)];
    const pack = await sent(desk);
    const full = Object.assign(new Error('quota'), { name: 'QuotaExceededError' });
    phone.jobs.hook('creating', () => {
      throw full;
    });
    await expect(takePack(pack, {}, phone)).rejects.toThrow();
    expect(await phone.parts.count()).toBe(0);
    expect(await phone.histories.count()).toBe(0);
  });
});
