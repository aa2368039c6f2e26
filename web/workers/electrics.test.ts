import { describe, expect, it } from 'vitest';
import { cureBoard } from '../../core/cures/board/board.ts';
import type { SteadyProof } from '../../core/model/evidence.ts';
import { Job } from '../../core/model/job.ts';
import { ratesOf } from '../../core/model/seen.ts';
import { demoJob, SIGNED, trialAt } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { electrics, revisionOf } from './electrics.ts';

type Json = string | number | boolean | null | Json[] | { [name: string]: Json };

/** An answer as text: what is found again from another beginning is the same in its first six digits. */
function inSixDigits(answer: unknown): string {
  return JSON.stringify(answer, (_, each) => (typeof each === 'number' ? Number(each.toPrecision(6)) : each));
}

/** A value unlike another of its kind. */
function unlike(value: Json): Json {
  if (typeof value === 'number') return value === 0 ? 1 : value * 1.5;
  if (typeof value === 'boolean') return !value;
  return typeof value === 'string' ? `${value} too` : 'was nothing';
}

/** A job with one of its fields changed, each kind of field once, as far as what comes of it is a job. */
function* eachFieldChanged(job: Job): Generator<{ path: string; changed: Job }> {
  const done = new Set<string>();
  function* within(value: Json, path: string): Generator<{ path: string; at: Json }> {
    if (value === null || typeof value !== 'object') {
      yield { path, at: unlike(value) };
      return;
    }
    for (const [name, each] of Object.entries(value)) {
      // Of a list one stands for all.
      const kind = Array.isArray(value) ? '*' : name;
      for (const { path: further, at } of within(each, path ? `${path}.${kind}` : kind)) {
        const copy: Json = Array.isArray(value) ? [...value] : { ...value };
        (copy as Record<string, Json>)[name] = at;
        yield { path: further, at: copy };
      }
    }
  }
  for (const { path, at } of within(job as unknown as Json, '')) {
    if (done.has(path) || !Job.safeParse(at).success) continue;
    done.add(path);
    yield { path, changed: at as unknown as Job };
  }
}

describe('what a simulation is kept under', () => {
  const job = demoJob('library-route-1');
  const key = (of = job, shelf = DEMO_SHELF) => JSON.stringify(electrics(of, shelf));

  it('stays the same while nothing electrical changes', () => {
    expect(key({ ...job, title: 'Another title', handOver: { ...job.handOver, note: 'a note' } })).toBe(
      key(),
    );
  });

  it('stays the same when a rate is recorded that tells of no watcher, or again what was told', () => {
    const [rate] = ratesOf(job);
    if (!rate) throw new Error('no rate on record');
    const more = (...evidence: Job['evidence']) => key({ ...job, evidence: [...job.evidence, ...evidence] });
    expect(more({ ...rate, id: 'again', function: 'hazard' })).toBe(key());
    expect(more({ ...rate, id: 'again' })).toBe(key());
    expect(more({ ...rate, id: 'fast', quantity: { value: 176, unit: '/min', uncertainty: 2 } })).not.toBe(
      key(),
    );
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

  it('changes with what the job is about, and with a message that was seen of a circuit that is on steadily', () => {
    const { scope: _, ...whole } = job;
    expect(key(whole)).not.toBe(key());
    const message: SteadyProof = {
      ...SIGNED,
      kind: 'proof',
      id: 'message',
      at: '2026-11-28T10:00:00.000Z',
      circuitId: 'stop',
      on: null,
      supply: null,
      fitted: { configuration: 'cured', lamps: {}, networks: [], out: [] },
      result: 'message',
    };
    expect(key({ ...job, evidence: [...job.evidence, message] })).not.toBe(key());
    expect(key({ ...job, evidence: [...job.evidence, { ...message, result: 'works' }] })).toBe(key());
  });

  it.each(['library-route-1', 'courier-moped-7'])(
    'of %s: with any field changed, one at a time, the answer is the same or the key is another',
    (id) => {
      const before = demoJob(id);
      const answer = inSixDigits(cureBoard(before, DEMO_SHELF));
      const same: string[] = [];
      for (const { path, changed } of eachFieldChanged(before)) {
        if (key(changed) !== key(before)) continue;
        same.push(path);
        expect(inSixDigits(cureBoard(changed, DEMO_SHELF)) === answer, path).toBe(true);
      }
      // Names, notes and what was done leave the key as it is.
      expect(same).toEqual(expect.arrayContaining(['title', 'vehicle.name', 'handOver.note']));
      expect(same.length).toBeGreaterThan(3);
    },
  );

  it('leaves prices and stock to whoever weighs them: no circuit draws another current for them', () => {
    const dearer = DEMO_SHELF.map((part) => ({ ...part, price: part.price + 1, stock: part.stock + 1 }));
    expect(key(job, dearer)).toBe(key());
    expect(inSixDigits(cureBoard(job, dearer))).toBe(inSixDigits(cureBoard(job, DEMO_SHELF)));
    expect(revisionOf(dearer)).not.toBe(revisionOf(DEMO_SHELF));
  });

  it('gives one value one number', () => {
    const [one, other] = [{ a: 1 }, { a: 1 }];
    expect(revisionOf(one)).toBe(revisionOf(one));
    expect(revisionOf(one)).not.toBe(revisionOf(other));
  });
});
