import { describe, expect, it } from 'vitest';
import { demoJob, firstTurn, trialAt } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { hasBegun } from '../fleet/likeJob.ts';
import type { WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import { takePriors } from '../record/takePriors.ts';
import { mark } from '../record/tell.ts';
import { JobAnalysis } from './analysis.ts';
import { HealthyBands } from './outageBand.ts';
import { fittedWords, priorsFor } from './priors.ts';

const mine = structuredClone(demoJob('library-route-3'));
mine.evidence = [];
const left = firstTurn(mine.vehicle);
const LED = mine.chosen['rear-left'] ?? null;

const filaments = Object.fromEntries(lampIdsOf(left).map((lampId) => [lampId, null]));
const found = (
  id: string,
  fitted: Partial<WatcherTrial['fitted']> = {},
  more: Partial<WatcherTrial> = {},
): WatcherTrial => trialAt(left.id, 'normal', 12.6, { lamps: filaments, ...fitted }, { id, ...more });
const other = (id: string, ...evidence: WatcherTrial[]): Job => ({
  ...structuredClone(demoJob('library-route-1')),
  id,
  title: `Job ${id}`,
  evidence,
});
/** One main lamp as an LED: a little over half the stock current. */
const half = { lamps: { ...filaments, 'rear-left': LED } };

describe('findings of others of the same model', () => {
  it('are told with who found them, where, and what was fitted', () => {
    const { rows } = priorsFor(mine, DEMO_SHELF, left, [
      other('a', found('one', { ...half, out: ['front-left'] }, { by: 'bay 2', result: 'fast' })),
    ]);
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatchObject({ foundIn: 'Job a', foundBy: 'bay 2', usable: true });
    expect(rows[0]?.fitted).toMatch(/filament.*front left out/);
  });

  it('change nothing by themselves, and say what the band would be with them', () => {
    const before = JSON.stringify(mine);
    const priors = priorsFor(mine, DEMO_SHELF, left, [other('a', found('one', half))]);
    const bare = new HealthyBands(mine).at(left, 12.6);
    const together = priors.together(left, 12.6);
    expect(together?.highAmps).toBeLessThan(bare.highAmps);
    expect(together?.lowAmps).toBeCloseTo(bare.lowAmps, 2);
    expect(JSON.stringify(mine)).toBe(before);
  });

  it('taken over narrow the band to what was said, tell of themselves that they are from elsewhere, and go with a mark', () => {
    const others = [other('a', found('one', half))];
    const before = new HealthyBands(mine);
    const { rows, together } = priorsFor(mine, DEMO_SHELF, left, others);
    const told = together(left, 12.6);
    const job = structuredClone(mine);
    const signed = (id: string) => ({ id, at: '2026-11-30T10:00:00.000Z', device: 'desk' });
    takePriors(job, rows, [signed('taken')]);
    expect(job.evidence).toMatchObject([{ id: 'one', from: { job: 'Job a' } }]);
    const bandNow = () => JobAnalysis.of(structuredClone(job), DEMO_SHELF).likeliest.learned?.at(left, 12.6);
    expect(bandNow()?.highAmps).toBeCloseTo(told?.highAmps ?? 0, 6);
    expect(bandNow()?.highAmps).toBeLessThan(before.at(left, 12.6).highAmps);
    // It is no work on this vehicle: the first's changes are offered on.
    expect(hasBegun(job)).toBe(false);
    expect(hasBegun({ ...job, evidence: [...job.evidence, found('own')] })).toBe(true);
    // Refused it widens again; taken anew it is the same record.
    job.evidence.push(mark(job, 'one', false, signed('refused')));
    expect(bandNow()?.highAmps ?? before.at(left, 12.6).highAmps).toBeCloseTo(
      before.at(left, 12.6).highAmps,
      6,
    );
    takePriors(job, priorsFor(job, DEMO_SHELF, left, others).rows, [signed('again')]);
    expect(job.evidence).toHaveLength(3);
    expect(bandNow()?.highAmps).toBeCloseTo(told?.highAmps ?? 0, 6);
  });

  it('that contradict each other stand side by side, and no band is drawn from them', () => {
    const priors = priorsFor(mine, DEMO_SHELF, left, [
      other('a', found('one', half)),
      other('b', found('two', {}, { result: 'fast' })),
    ]);
    expect(priors.rows).toHaveLength(2);
    expect(priors.conflict).toMatch(/One watcher cannot do both/);
    expect(priors.together(left, 12.6)).toBeNull();
  });

  it('are left out where they were taken over themselves, are mine already, or speak of another circuit', () => {
    const known: Job = { ...mine, evidence: [found('mine')] };
    const { rows } = priorsFor(known, DEMO_SHELF, left, [
      other(
        'a',
        found('mine'),
        found('taken', {}, { from: { job: 'Job z', at: '2026-09-01T09:00:00.000Z' } }),
        found('right', {}, { circuitId: 'turn-right' }),
      ),
    ]);
    expect(rows).toEqual([]);
  });

  it('cannot be used where a part of them is not on this shelf, and then narrow nothing', () => {
    const priors = priorsFor(mine, [], left, [other('a', found('one', half))]);
    expect(priors.rows[0]?.usable).toBe(false);
    expect(priors.together(left, 12.6)).toBeNull();
    expect(fittedWords(mine, [], found('x', half))).toContain('a part no longer known');
  });
});
