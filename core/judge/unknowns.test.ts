import { describe, expect, it } from 'vitest';
import { demoJob, withRelay } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import { unknownWords } from '../words/unknowns.ts';
import { Judge } from './judge.ts';
import { possibilities } from './unknowns.ts';

const van = (change: Partial<Job> = {}): Job => ({
  ...structuredClone(demoJob('library-route-3')),
  ...change,
});

describe('every way a job may turn out to be', () => {
  it('is one where everything was looked at', () => {
    const { jobs, unknowns } = possibilities(van());
    expect(jobs).toHaveLength(1);
    expect(unknowns).toEqual([]);
  });

  it('is two where nobody knows whether the repeaters are watched, and says what would settle it', () => {
    const job = van();
    const { jobs, unknowns } = possibilities({
      ...job,
      vehicle: withRelay(job.vehicle, { watchesRepeaters: null }),
    });
    expect(
      jobs.map(({ vehicle }) => (vehicle.flasher as { watchesRepeaters?: unknown }).watchesRepeaters),
    ).toEqual([true, false]);
    expect(unknowns.map((each) => each.what)).toEqual(['repeaters-watched']);
    expect(unknowns.map(unknownWords)[0]).toMatch(/pull one repeater bulb/);
  });

  it('asks for the bulb where two that draw differently go into the same socket', () => {
    const { jobs, unknowns } = possibilities(van({ identified: {} }));
    expect(jobs.length).toBeGreaterThan(1);
    expect(unknowns.map((each) => each.what)).toContain('bulbs-not-seen');
    expect(unknowns.map(unknownWords).join()).toMatch(/number on the cap/);
  });

  it('does not ask about repeaters the vehicle does not have', () => {
    const job = van();
    const vehicle = withRelay(job.vehicle, { watchesRepeaters: null });
    const none = {
      ...vehicle,
      lamps: vehicle.lamps.map((lamp) => ({ ...lamp, role: 'main' as const })),
    };
    expect(possibilities({ ...job, vehicle: none }).unknowns).toEqual([]);
  });

  it('widens the verdict, and never makes it surer than any of them', () => {
    const known = van();
    const open = { ...known, vehicle: withRelay(known.vehicle, { watchesRepeaters: null }) };
    const [left] = known.vehicle.circuits.filter((circuit) => circuit.kind === 'turn');
    if (!left || left.side === null) throw new Error('the van turns');
    const at = (job: Job) =>
      Judge.of(job, DEMO_SHELF, 'leds').circuitAt({ ...left, kind: 'turn', side: left.side ?? 'left' }, 12.6);
    const wide = at(open);
    for (const each of possibilities(open).jobs) {
      const one = at({ ...known, ...each });
      if (wide.state !== 'either-way') expect(one.state).toBe(wide.state);
    }
  });
});
