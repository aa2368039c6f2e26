import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../../demo/jobs.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import type { Job } from '../../model/job.ts';
import { makeSafeWords } from '../../words/work/makeSafe.ts';
import { fitSteps } from '../fitSteps.ts';
import { makeSafe } from './makeSafe.ts';

const finished = demoJobs()[2] as Job;
const at = '2026-11-26T10:00:00.000Z';
const doing = (fit: Job['fit']): Job => ({ ...structuredClone(finished), fit });
const done = { doneAt: at, note: '' };
const safeOf = (job: Job) => {
  const safe = makeSafe(job, fitSteps(job, DEMO_SHELF));
  return { ...makeSafeWords(safe, job, DEMO_SHELF), minutes: safe.minutes };
};

describe('makeSafe', () => {
  it('lets a vehicle go where nothing is open, and one that is finished', () => {
    expect(safeOf(doing({})).acts.join()).toContain('it can go as it stands');
    expect(safeOf(finished).warnings).toEqual([]);
  });

  it('closes what is open, insulates what is loose, and says what was not seen lit', () => {
    const safe = safeOf(
      doing({
        'open-rear-left': done,
        'swap-rear-left': done,
        'mount-rear-left': done,
        'tap-rear-left': { doneAt: null, note: '', startedAt: at },
      }),
    );
    expect(safe.acts.join(' ')).toMatch(
      /heat shrink or tape over every bare end.*Close rear left.*Walk round it/i,
    );
    expect(safe.warnings.join(' ')).toMatch(
      /Rear left was worked on and not seen lit.*Only some of its lamps/,
    );
    expect(safe.minutes[0]).toBeGreaterThan(4);
    expect(safe.minutes[1]).toBeGreaterThan(safe.minutes[0]);
  });

  it('ties up a resistor that is mounted and joined to nothing', () => {
    const safe = safeOf(doing({ 'open-rear-left': done, 'swap-rear-left': done, 'mount-rear-left': done }));
    expect(safe.acts.join(' ')).toContain('Insulate both its leads');
  });
});
