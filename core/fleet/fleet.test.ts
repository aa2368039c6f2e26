import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { jobOwnProblems } from '../formats/jobFile.ts';
import { Job, LIKE_LOOKS } from '../model/job.ts';
import { fleetPlan, fleetPlans, planDifference } from './differences.ts';
import { differenceWords } from './fleetWords.ts';
import { hasBegun, likeJob, looksLeft, setLooked, takeOverPlan } from './likeJob.ts';
import { MOST_VEHICLES, readFleet } from './readFleet.ts';

const first = demoJob('library-route-1');
const AT = '2026-11-30T08:00:00.000Z';
const equal = (fleetNumber: string) =>
  likeJob(first, {
    id: `job-${fleetNumber}`,
    vehicleId: `vehicle-${fleetNumber}`,
    fleetNumber,
    at: AT,
    taken: AT,
  });

describe('fleet numbers', () => {
  const numbers = (text: string, known?: string[]) =>
    readFleet(text, known).entries.map(({ number }) => number);

  it('are read one a line, with commas, and out of a table with its head', () => {
    expect(numbers('V01\nV02\n\n V03 ')).toEqual(['V01', 'V02', 'V03']);
    expect(numbers('V01, V02;V03')).toEqual(['V01', 'V02', 'V03']);
    expect(readFleet('fleet number;depot\nV01;North\nV02;"South, gate 2"').entries).toEqual([
      { number: 'V01', note: 'North' },
      { number: 'V02', note: 'South, gate 2' },
    ]);
    expect(numbers('\uFEFFplate\tdepot\nAB 12\tNorth')).toEqual(['AB 12']);
    expect(numbers('')).toEqual([]);
  });

  it('that stand twice, are there already or are too long are left out, and said', () => {
    const { entries, problems } = readFleet(`V01\nv01\nV02\n${'x'.repeat(61)}`, ['V02']);
    expect(entries.map(({ number }) => number)).toEqual(['V01']);
    expect(problems).toEqual([
      expect.stringMatching(/Line 2, “v01”: stands twice/),
      expect.stringMatching(/Line 3, “V02”: is there already/),
      expect.stringMatching(/Line 4, .*longer than 60/),
    ]);
    const many = readFleet(Array.from({ length: MOST_VEHICLES + 5 }, (_, index) => `V${index}`).join('\n'));
    expect(many.entries).toHaveLength(MOST_VEHICLES);
    expect(many.problems.join()).toMatch(/Only the first 200 of 205/);
  });
});

describe('a job like another', () => {
  it('has its plan and none of its evidence, and is a sound job', () => {
    const job = Job.parse(equal('V02'));
    expect(jobOwnProblems(job)).toEqual([]);
    expect(job).toMatchObject({
      chosen: first.chosen,
      cures: first.cures,
      evidence: [],
      fit: {},
      identified: {},
      like: { jobId: first.id, looked: [] },
      vehicle: { id: 'vehicle-V02', fleetNumber: 'V02', model: first.vehicle.model },
    });
    expect(job.lookOver.lamps).toEqual({});
    expect(job.vehicle.facts?.flasherSeen).toBeUndefined();
    // The wiring is a hint: nobody has proved it on this one.
    const proofs = (each: Job) =>
      (each.vehicle.connectors ?? []).flatMap(({ cavities }) =>
        cavities.flatMap(({ provedBy }) => provedBy ?? []),
      );
    expect(proofs(first).length).toBeGreaterThan(0);
    expect(proofs(job)).toEqual([]);
    expect(looksLeft(job, LIKE_LOOKS)).toEqual([...LIKE_LOOKS]);
    expect(looksLeft({ like: { jobId: 'x', at: AT, taken: AT, looked: ['dead'] } }, LIKE_LOOKS)).toHaveLength(
      4,
    );
    expect(looksLeft({}, LIKE_LOOKS)).toEqual([]);
  });

  it('is no other than the first until something differs, and then says what changes', () => {
    const there = fleetPlan(first, DEMO_SHELF);
    const job = equal('V02');
    // The same but for the bulbs nobody has read on it yet.
    expect(planDifference(fleetPlan(job, DEMO_SHELF), there)?.parts ?? []).toEqual([]);
    const bare = { ...job, cures: { ...job.cures, 'turn-left': null } };
    const difference = planDifference(fleetPlan(bare, DEMO_SHELF), there);
    expect(difference?.verdict).toEqual({ here: 'falls-short', there: 'holds' });
    expect(difference?.parts.find(({ code }) => code === 'OTTER-6/50')).toMatchObject({ here: 2, there: 4 });
    expect(difference?.minutes?.here[1]).toBeLessThan(difference?.minutes?.there[1] ?? 0);
    const words = difference ? differenceWords(difference) : [];
    expect(words.join('\n')).toMatch(/Verdict: falls short, on the first holds/);
    expect(words.join('\n')).toMatch(/OTTER-6\/50: 2 instead of 4/);
    expect(words.join('\n')).toMatch(/Work: \d+ to \d+ min instead of \d+ to \d+ min/);
  });

  it('is as the first once its few looks are ticked off, and open again where one is taken back', () => {
    const read = first;
    expect(Object.keys(read.identified).length).toBeGreaterThan(0);
    const job = Job.parse(equal('V02'));
    job.lookOver.lamps['rear-left'] = { condition: 'dead', note: '' };
    for (const look of LIKE_LOOKS) setLooked(job, read, look, true);
    expect(job.like?.looked).toEqual([...LIKE_LOOKS]);
    expect(job.identified).toEqual(read.identified);
    expect(job.vehicle.facts?.flasherSeen).toBe(true);
    // What was said of a lamp stands.
    expect(job.lookOver.lamps['rear-left']?.condition).toBe('dead');
    expect(job.lookOver.lamps['rear-right']?.condition).toBe('works');
    expect(jobOwnProblems(Job.parse(job))).toEqual([]);
    setLooked(job, read, 'bulbs', false);
    setLooked(job, read, 'dead', false);
    expect(job.identified).toEqual({});
    expect(Object.keys(job.lookOver.lamps)).toEqual(['rear-left']);
    expect(looksLeft(job, LIKE_LOOKS)).toEqual(['dead', 'bulbs']);
  });

  it('of many is worked out once where they are alike, and says so where one cannot be', () => {
    const jobs = Array.from({ length: 12 }, (_, index) => equal(`V${index}`));
    const other = { ...equal('V99'), chosen: { ...first.chosen, 'rear-left': null } };
    const lost = { ...equal('V98'), chosen: { ...first.chosen, 'rear-left': 'no-such-led' } };
    const plans = fleetPlans([...jobs, other, lost], DEMO_SHELF);
    expect(new Set(plans.slice(0, 12)).size).toBe(1);
    expect(plans[0]).toEqual(fleetPlan(jobs[0] as Job, DEMO_SHELF));
    expect(plans[12]).not.toEqual(plans[0]);
    expect(plans[13]).toMatchObject({ problem: expect.stringContaining('no-such-led') });
  });

  it('takes over a change of the first, and keeps what was looked at on it', () => {
    const job = Job.parse(equal('V02'));
    job.vehicle.facts = { ...job.vehicle.facts, flasherSeen: true, inTheWay: { what: 'rack', minutes: 10 } };
    const changed: Job = { ...first, chosen: { ...first.chosen, 'plate-left': 'led-tern-06' } };
    expect(hasBegun(job)).toBe(false);
    takeOverPlan(job, changed, '2026-12-01T08:00:00.000Z');
    expect(job.chosen['plate-left']).toBe('led-tern-06');
    expect(job.vehicle).toMatchObject({ id: 'vehicle-V02', fleetNumber: 'V02' });
    expect(job.vehicle.facts).toMatchObject({ flasherSeen: true, inTheWay: { what: 'rack' } });
    expect(job.like?.taken).toBe('2026-12-01T08:00:00.000Z');
    expect(jobOwnProblems(Job.parse(job))).toEqual([]);
    expect(hasBegun({ ...job, fit: { 'swap-x': { doneAt: AT, note: '' } } })).toBe(true);
  });
});
