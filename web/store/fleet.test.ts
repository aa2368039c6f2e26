import 'fake-indexeddb/auto';
import { expect, it } from 'vitest';
import { VumbleDatabase } from './db.ts';
import { editJob, undoJob } from './edits.ts';
import { beginEquals, fleetOf, offerChange, offered } from './fleet.ts';
import { jobSummaries } from './jobSummaries.ts';

const FIRST = 'library-route-1';
const NUMBERS = Array.from({ length: 20 }, (_, index) => ({
  number: `V${index + 1}`,
  note: index === 0 ? 'North' : '',
}));

it('twenty vehicles are begun from one job, in the order of their numbers, and taken back together', async () => {
  const db = new VumbleDatabase('fleet-1');
  await db.open();
  const undo = await beginEquals(FIRST, NUMBERS, db);
  const fleet = await fleetOf(FIRST, db);
  expect(fleet?.others.map(({ job }) => job.vehicle.fleetNumber)).toEqual(
    NUMBERS.map(({ number }) => number),
  );
  expect(fleet?.others[0]?.job.handOver.note).toBe('North');
  expect(new Set(fleet?.others.map(({ job }) => job.vehicle.id)).size).toBe(20);
  const { jobs } = await jobSummaries(Date.now(), db);
  expect(jobs.find(({ id }) => id === FIRST)?.equals).toBe(20);
  const [worked] = fleet?.others ?? [];
  await editJob(worked?.id ?? '', 'Title', (draft) => void (draft.title = 'worked on'), {}, db);
  await undo();
  // What somebody has worked on is in the bin, not away.
  expect((await db.jobs.get(worked?.id ?? ''))?.deleted).toBe(1);
  expect((await fleetOf(FIRST, db))?.others).toEqual([]);
  expect(await fleetOf('nowhere', db)).toBeNull();
});

it('a change of the first is offered to those not begun, and each can undo it', async () => {
  const db = new VumbleDatabase('fleet-2');
  await db.open();
  await beginEquals(FIRST, NUMBERS.slice(0, 3), db);
  const now = async () => {
    const fleet = await fleetOf(FIRST, db);
    if (!fleet) throw new Error('no fleet');
    return fleet;
  };
  expect(offered(await now())).toEqual([]);
  const [, begun] = (await now()).others;
  await editJob(
    begun?.id ?? '',
    'Step',
    (draft) => void (draft.fit['swap-rear-left'] = { doneAt: new Date().toISOString(), note: '' }),
    {},
    db,
  );
  await new Promise((resolve) => setTimeout(resolve, 5));
  await editJob(FIRST, 'LED', (draft) => void (draft.chosen['plate-left'] = 'led-tern-06'), {}, db);
  expect(offered(await now()).map(({ job }) => job.vehicle.fleetNumber)).toEqual(['V1', 'V3']);
  expect(await offerChange(await now(), db)).toBe(2);
  const chosen = async () => (await now()).others.map(({ job }) => job.chosen['plate-left']);
  expect(await chosen()).toEqual(['led-tern-06', null, 'led-tern-06']);
  expect(offered(await now())).toEqual([]);
  await undoJob((await now()).others[0]?.id ?? '', db);
  expect(await chosen()).toEqual([null, null, 'led-tern-06']);
});
