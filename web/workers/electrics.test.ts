import { describe, expect, it } from 'vitest';
import { ratesOf } from '../../core/model/seen.ts';
import { demoJob, trialAt } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { electrics, revisionOf } from './electrics.ts';

describe('what a simulation is kept under', () => {
  const job = demoJob('library-route-1');
  const key = (of = job, shelf = DEMO_SHELF) => JSON.stringify(electrics(of, shelf));

  it('stays the same while nothing electrical changes', () => {
    expect(key({ ...job, title: 'Another title', handOver: { ...job.handOver, note: 'a note' } })).toBe(
      key(),
    );
  });

  it('stays the same when a rate is recorded, which tells of no watcher', () => {
    const [rate] = ratesOf(job);
    if (!rate) throw new Error('no rate on record');
    expect(key({ ...job, evidence: [...job.evidence, { ...rate, id: 'again' }] })).toBe(key());
  });

  it('stays the same when a screw or the colour of a wire is written down', () => {
    const { openings = [], connectors = [] } = job.vehicle;
    expect(
      key({ ...job, vehicle: { ...job.vehicle, openings: [...openings], connectors: [...connectors] } }),
    ).toBe(key());
  });

  it('changes with the shelf: an LED of other watts under the same id is another simulation', () => {
    const shelf = DEMO_SHELF.map((part) => (part.kind === 'led' ? { ...part, watts: part.watts + 1 } : part));
    expect(key(job, shelf)).not.toBe(key());
  });

  it('changes with each thing the circuit depends on', () => {
    const changed = [
      { ...job, vehicle: { ...job.vehicle, circuits: [...job.vehicle.circuits] } },
      { ...job, vehicle: { ...job.vehicle, internalOhms: 0.02 } },
      { ...job, identified: { ...job.identified } },
      { ...job, chosen: { ...job.chosen } },
      { ...job, lookOver: { ...job.lookOver, lamps: { ...job.lookOver.lamps } } },
      { ...job, cures: { ...job.cures } },
      { ...job, vehicleCures: [...job.vehicleCures] },
      { ...job, evidence: [...job.evidence, trialAt('turn-left', 'normal', 12.6)] },
    ];
    for (const each of changed) expect(key(each)).not.toBe(key());
  });

  it('gives one value one number', () => {
    const [one, other] = [{ a: 1 }, { a: 1 }];
    expect(revisionOf(one)).toBe(revisionOf(one));
    expect(revisionOf(one)).not.toBe(revisionOf(other));
  });
});
