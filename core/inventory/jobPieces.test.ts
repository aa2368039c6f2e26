import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { takenKits } from '../kits/jobKits.ts';
import type { Job } from '../model/job.ts';
import { Job as JobSchema } from '../model/job.ts';
import { fitSteps } from '../work/fitSteps.ts';
import { stepsInNoOrder } from '../work/steps/anyOrder.ts';
import { wantedBy } from './consumables.ts';
import {
  fitPieces,
  heldOf,
  piecesOf,
  putBackPieces,
  releasePieces,
  reserveLines,
  unfitPieces,
  type Writing,
} from './jobPieces.ts';
import { orderLine, shelfLine } from './pickLine.ts';
import { pickLines } from './picklist.ts';
import { shoppingList } from './shoppingList.ts';

const finished = () => structuredClone(demoJobs().find(({ handOver }) => handOver.filedAt !== null) as Job);
let count = 0;
const writing: Writing = { id: () => `w-${(count += 1)}`, at: '2026-11-01T10:00:00.000Z' };
const sums = (job: Job) =>
  [...heldOf(job).values()].reduce(
    (sum, each) => [sum[0] + each.reserved, sum[1] + each.fitted] as [number, number],
    [0, 0] as [number, number],
  );

describe('pieces of a job', () => {
  it('are put aside once, however often it is asked for', () => {
    const job = finished();
    const lines = pickLines(job, DEMO_SHELF);
    const reserved = reserveLines(job, lines, writing);
    expect(reserved).toBe(lines.reduce((sum, line) => sum + line.onShelf, 0));
    expect(reserveLines(job, lines, writing)).toBe(0);
    expect(JobSchema.parse(job)).toEqual(job);
    releasePieces(job, writing);
    expect(sums(job)).toEqual([0, 0]);
  });

  it('are fitted with their step, out of what was put aside, and come back with it', () => {
    const job = finished();
    reserveLines(job, pickLines(job, DEMO_SHELF), writing);
    const before = sums(job)[0];
    const step = fitSteps(job, DEMO_SHELF).find(({ kind }) => kind === 'mount');
    if (!step) throw new Error('the finished van has a resistor');
    const pieces = piecesOf(job, DEMO_SHELF, takenKits(job, DEMO_SHELF), step);
    // One resistor, two screws, one tie.
    expect(pieces.map(({ pieces: each }) => each).toSorted()).toEqual([1, 1, 2]);
    fitPieces(job, step, pieces, () => 'order 7', writing);
    fitPieces(job, step, pieces, () => 'order 7', writing);
    expect(sums(job)).toEqual([before - 4, 4]);
    expect(
      job.pieces
        ?.filter(({ kind }) => kind === 'fitted')
        .every(({ batch, place }) => batch === 'order 7' && place === step.id),
    ).toBe(true);
    unfitPieces(job, step, writing);
    unfitPieces(job, step, writing);
    expect(sums(job)[1]).toBe(0);
  });

  it('all come back where a job is put back to stock', () => {
    const job = finished();
    reserveLines(job, pickLines(job, DEMO_SHELF), writing);
    for (const step of fitSteps(job, DEMO_SHELF).slice(0, 12))
      fitPieces(job, step, piecesOf(job, DEMO_SHELF, [], step), () => undefined, writing);
    expect(sums(job)[1]).toBeGreaterThan(0);
    putBackPieces(job, writing);
    expect(sums(job)).toEqual([0, 0]);
  });
});

describe('what is used up', () => {
  it('is the same counted over the plan in its order and over the steps in none', () => {
    for (const job of demoJobs())
      expect(wantedBy(job, DEMO_SHELF, fitSteps(job, DEMO_SHELF)), job.title).toEqual(
        wantedBy(job, DEMO_SHELF, stepsInNoOrder(job, DEMO_SHELF)),
      );
  });
});

describe('the shopping list of all open jobs', () => {
  const joint = DEMO_SHELF.find(({ id }) => id === 'joint-shrink');
  if (!joint) throw new Error('the shelf has joints');
  const [a, b] = demoJobs() as [Job, Job];
  const shelf = [{ ...joint, stock: 10 }];

  it('adds pieces up before they become packs', () => {
    // 18 and 17 wanted, 10 there: 25 are missing, one pack of 25; bought apart it would be two.
    const wanted = new Map([
      [a.id, 18],
      [b.id, 17],
    ]);
    const list = shoppingList([a, b], shelf, ({ id }) => [shelfLine(joint, wanted.get(id) ?? 0, 'x')]);
    expect(list).toMatchObject([
      { quantity: 35, onShelf: 10, toBuy: 25, packs: { count: 1, of: 25 }, spare: 0 },
    ]);
    expect(list[0]?.jobs).toHaveLength(2);
  });

  it('buys one tube for all jobs', () => {
    const grease = DEMO_SHELF.find(({ id }) => id === 'grease');
    if (!grease) throw new Error('the shelf has grease');
    const none = DEMO_SHELF.map((part) => (part.id === grease.id ? { ...part, stock: 0 } : part));
    const open = demoJobs().filter(({ handOver }) => handOver.filedAt === null);
    const list = shoppingList(open, none, (job) =>
      pickLines(job, none).filter(({ code }) => code === grease.code),
    );
    expect(list).toMatchObject([{ quantity: 1, toBuy: 1 }]);
    expect(list[0]?.jobs.length).toBeGreaterThan(1);
  });

  it('leaves out what is there and what is fitted, and joins what is called the same', () => {
    expect(shoppingList([a], shelf, () => [shelfLine(joint, 10, 'x')])).toEqual([]);
    const fitted: Job = {
      ...a,
      pieces: [{ id: 'f', partId: joint.id, at: writing.at, kind: 'fitted', pieces: 12 }],
    };
    expect(shoppingList([fitted], [{ ...joint, stock: 0 }], () => [shelfLine(joint, 20, 'x')])).toMatchObject(
      [{ toBuy: 8 }],
    );
    expect(shoppingList([a, b], shelf, () => [orderLine('k', '', 'P21W', 2, 'x')])).toMatchObject([
      { what: 'P21W', toBuy: 4, boughtTotal: null },
    ]);
  });
});
