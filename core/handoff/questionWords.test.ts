import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import { changedPlan } from './mergeJobs.ts';
import { changeInWords } from './questionWords.ts';

const job = demoJob('library-route-3');
const said = (change: (job: Job) => Partial<Job>) => {
  const after = { ...job, ...change(job) };
  return changedPlan(job, after).map((each) => changeInWords(each, after, DEMO_SHELF));
};

describe('what a merge changes, in words', () => {
  it('says what is there now and what was', () => {
    expect(said(() => ({ title: 'Route 3, fitted' }))).toEqual([
      'Title of the job: Route 3, fitted, was Mobile library, route 3',
    ]);
    expect(said(({ handOver }) => ({ handOver: { ...handOver, stockBulbsKeptAt: 'Shelf 2' } }))).toEqual([
      'Hand over, where the stock bulbs are kept: Shelf 2, was empty',
    ]);
  });

  it('calls lamps and parts by their names', () => {
    const [lampId = '', partId] = Object.entries(job.chosen).find(([, part]) => part !== null) ?? [];
    const lamp = job.vehicle.lamps.find(({ id }) => id === lampId)?.name;
    const part = DEMO_SHELF.find(({ id }) => id === partId)?.code;
    const kept = { chosen: { ...job.chosen, [lampId]: null } };
    expect(said(() => kept)).toEqual([`LED chosen for ${lamp}: none, on purpose, was ${part}`]);
    const { [lampId]: _, ...without } = job.chosen;
    expect(said(() => ({ chosen: without }))).toEqual([`LED chosen for ${lamp}: taken out, was ${part}`]);
  });

  it('tells an order by what stands in it, and counts nothing of the log', () => {
    const lamps = job.vehicle.lamps.toReversed();
    expect(said(({ vehicle }) => ({ vehicle: { ...vehicle, lamps } }))).toEqual(['Order of: Vehicle, lamps']);
    expect(said(() => ({ evidence: [] }))).toEqual([]);
  });
});
