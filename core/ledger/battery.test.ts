import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import { workPlan } from '../work/fitSteps.ts';
import type { FitStep } from '../work/steps/fitStep.ts';
import { batteryBudget } from './battery.ts';
import { bothSimulations } from './ledger.ts';
import { moneyOf, wholeLedger } from './wholeLedger.ts';

const job = demoJobs().find(({ handOver }) => handOver.filedAt !== null) as Job;
const both = bothSimulations(job, DEMO_SHELF);
const { steps } = workPlan(job, DEMO_SHELF);
const hazard = (minutes: number): FitStep => ({
  id: 'hazard',
  kind: 'run',
  about: { of: 'hazard-run', hazardSwitch: true, resistors: true },
  lampId: null,
  openingId: null,
  timedAs: 'run',
  minutes: [minutes, minutes],
});

describe('the battery as a budget of the work', () => {
  it('counts ampere-hours as amps times hours (by hand)', () => {
    const hour = batteryBudget(job, both, [hazard(60)]);
    const two = batteryBudget(job, both, [hazard(120)]);
    expect(two.tests[1]).toBeCloseTo(2 * hour.tests[1], 9);
    expect(hour.tests[1]).toBeCloseTo(hour.heaviestAmps, 9);
    // Two P21W and a 5 W repeater a side, lit about half of the time: 2 x (2 x 1.9 + 0.4) x 0.5 or so.
    expect(hour.heaviestAmps).toBeGreaterThan(3);
    expect(hour.heaviestAmps).toBeLessThan(6);
  });

  it('says how long the spare third lasts, and warns only where it may not', () => {
    const small = batteryBudget({ ...job, ledger: { batteryAh: 6 } }, both, [hazard(60)]);
    expect(small).toMatchObject({ read: true, spare: [2, 2], state: 'too-little' });
    expect(small.minutesLeft[0]).toBeCloseTo((60 * 2) / small.heaviestAmps, 9);
    expect(batteryBudget({ ...job, ledger: { batteryAh: 200 } }, both, steps).state).toBe('enough');
    expect(batteryBudget(job, both, steps)).toMatchObject({ read: false });
  });

  it('has no lamp on while nothing is switched on', () => {
    const prepare = steps.filter(({ about }) => about.of === 'prepare');
    expect(batteryBudget(job, both, prepare).tests).toEqual([0, 0]);
  });
});

describe('money', () => {
  it('adds parts as used and minutes times the price of an hour', () => {
    const ledger = wholeLedger({ ...job, ledger: { hourPrice: 60 } }, DEMO_SHELF);
    const { money } = ledger;
    expect(money.work?.[0]).toBeCloseTo(money.minutes[0], 9);
    expect(money.total[1]).toBeCloseTo(money.partsUsed + money.minutes[1], 6);
    expect(wholeLedger(job, DEMO_SHELF).money.work).toBeNull();
    expect(
      moneyOf({}, { lines: [], tools: [], knownTotal: 0, boughtTotal: 0, unpriced: 0 }, [1, 2]),
    ).toMatchObject({
      total: [0, 0],
    });
  });
});
