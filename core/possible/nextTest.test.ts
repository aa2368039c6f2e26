import { describe, expect, it } from 'vitest';
import { demoJob, firstTurn, trialAt } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import { fittedNow } from '../record/fittedNow.ts';
import { nextTurnTest } from './nextTest.ts';
import { waysOf } from './ways.ts';

const van: Job = { ...demoJob('library-route-3'), evidence: [] };
const left = firstTurn(van.vehicle).id;
const open: Job = {
  ...van,
  vehicle: {
    ...van.vehicle,
    facts: {
      ...van.vehicle.facts,
      flasherSeen: false,
      flashers: ['watching-relay', 'controller', 'non-watching-relay'],
    },
  },
};
const next = (job: Job, heard = false) => nextTurnTest(job, DEMO_SHELF, left, heard);

describe('the next test', () => {
  it('is none where everything does the same: two 3 W LEDs on a relay known to watch', () => {
    expect(next(van)).toBeNull();
  });

  it('is to listen for a click first, the cheapest that tells a controller from a relay', () => {
    expect(next(open)).toMatchObject({ id: 'listen', minutes: 1 });
    expect(next(open, true)?.id).toBe('trial');
  });

  it('is never one that was made already with just that', () => {
    const seen = trialAt(left, 'fast', 12.6, fittedNow(open, [left], 'leds'));
    const after: Job = { ...open, evidence: [seen] };
    expect(waysOf(after, DEMO_SHELF).length).toBeGreaterThan(1);
    expect(next(after, true)?.id).not.toBe('trial');
  });

  it('where only the threshold is open, is a trial that puts a current into the band', () => {
    // One LED a side leaves about the current that the relay must call out.
    const one: Job = { ...van, chosen: { ...van.chosen, 'front-left': null, 'front-right': null } };
    const test = next(one, true);
    if (test) expect(['trial', 'trial-lights', 'trial-engine', 'one-filament']).toContain(test.id);
  });
});
