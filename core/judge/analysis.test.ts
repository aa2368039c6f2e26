import { describe, expect, it } from 'vitest';
import { demoJob, firstTurn, trialAt, withRelay } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { planResistors } from '../cures/loadResistor/plan.ts';
import type { Job } from '../model/job.ts';
import { JobAnalysis } from './analysis.ts';
import { Judge } from './judge.ts';
import { learnedBands } from './learned.ts';
import { HealthyBands } from './outageBand.ts';

const van = demoJob('library-route-3');
const circuit = firstTurn(van.vehicle);
const seen = trialAt(circuit.id, 'normal', 12.6, {
  lamps: { 'front-left': null, 'rear-left': null },
  out: ['repeater-left'],
});
/** One finding, and bulbs nobody has read. */
const unread: Job = { ...van, identified: {}, evidence: [seen] };

describe('what is known of a job', () => {
  it('narrows the band of each possibility by itself: one finding, and bulbs that may be of either kind', () => {
    const { possibilities } = new JobAnalysis(unread, DEMO_SHELF);
    expect(possibilities.length).toBeGreaterThan(1);
    for (const { job, learned } of possibilities) {
      const alone = learnedBands(job, DEMO_SHELF, new HealthyBands(job))?.at(circuit, 12.6);
      expect(learned?.at(circuit, 12.6)).toEqual(alone);
    }
    const highs = possibilities.map(({ learned }) => learned?.at(circuit, 12.6).highAmps);
    expect(new Set(highs).size).toBe(possibilities.length);
  });

  it('says the same of a job whatever was asked before: sizing too', () => {
    const other: Job = {
      ...unread,
      identified: Object.fromEntries(van.vehicle.lamps.map((lamp) => [lamp.id, lamp.stockBulb])),
    };
    const fresh = planResistors(structuredClone(unread), DEMO_SHELF, circuit).interval;
    planResistors(other, DEMO_SHELF, circuit);
    expect(planResistors(unread, DEMO_SHELF, circuit).interval).toEqual(fresh);
  });

  it('takes over its bands when LEDs change, and none when the vehicle does', () => {
    const first = new JobAnalysis(van, DEMO_SHELF);
    const [before] = first.possibilities;
    expect(first.with({ ...van, chosen: {} }).possibilities[0]?.bands).toBe(before?.bands);
    const vehicle = withRelay(van.vehicle, { ratedAmps: 9 });
    expect(first.with({ ...van, vehicle }).possibilities[0]?.bands).not.toBe(before?.bands);
  });

  it('gives the same verdict after an edit as made anew', () => {
    const first = new JobAnalysis(van, DEMO_SHELF);
    new Judge(first, 'leds').verdict();
    const edited: Job = { ...van, chosen: { ...van.chosen, 'rear-left': null }, evidence: [seen] };
    const after = new Judge(first.with(edited), 'leds').verdict();
    const anew = Judge.of(edited, DEMO_SHELF, 'leds').verdict();
    expect(after.circuits.map((each) => each.state)).toEqual(anew.circuits.map((each) => each.state));
    for (const [index, { points }] of after.circuits.entries())
      for (const [at, point] of points.entries()) {
        const other = anew.circuits[index]?.points[at];
        expect(point.amps.low).toBeCloseTo(other?.amps.low ?? 0, 4);
        expect(point.band.highAmps).toBeCloseTo(other?.band.highAmps ?? 0, 4);
      }
  });
});
