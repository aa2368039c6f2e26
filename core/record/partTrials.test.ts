import { describe, expect, it } from 'vitest';
import { demoJob, trialAt } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { partTrials, partTrialWords } from './partTrials.ts';

const LED = 'led-tern-3a';
const job = (id: string, ...evidence: ReturnType<typeof trialAt>[]) => ({ ...demoJob(id), evidence });

describe('what a part was seen to do on other jobs', () => {
  it('is found by the part, the newest first, and said in a line', () => {
    const lamps = { 'rear-left': LED };
    const rows = partTrials(
      [
        job(
          'library-route-1',
          trialAt('turn-left', 'fast', 12.6, { lamps }, { at: '2026-11-01T10:00:00.000Z' }),
        ),
        job(
          'courier-moped-7',
          trialAt('turn-left', 'fast', 12.6, { lamps }, { at: '2026-11-03T10:00:00.000Z' }),
        ),
        job('gritter-4', trialAt('turn-left', 'normal', 25.2, { lamps }, { at: '2026-11-02T10:00:00.000Z' })),
      ],
      LED,
    );
    expect(rows.map(({ model }) => model)).toEqual(['Tansy 50', 'Brineholt 18', 'Quillon 75']);
    expect(partTrialWords(rows)).toBe('fast on Tansy 50 and 1 more; normal on Brineholt 18');
  });

  it('is not what was cured, taken over, or made with another part', () => {
    const lamps = { 'rear-left': LED };
    const piece = { partId: null, ohms: 6, watts: 50, tolerance: 0.05 };
    const networks = [{ lampId: 'rear-left', connection: 'parallel' as const, pieces: [piece] }];
    const from = { job: 'another', at: '2026-11-01T10:00:00.000Z' };
    const jobs = [
      job(
        'library-route-1',
        trialAt('turn-left', 'normal', 12.6, { lamps, networks }),
        trialAt('turn-left', 'normal', 12.6, { lamps }, { from }),
        trialAt('turn-left', 'normal', 12.6, { lamps: { 'rear-left': 'led-tern-3y' } }),
      ),
    ];
    expect(partTrials(jobs, LED)).toEqual([]);
    expect(partTrialWords([])).toBe('');
    // The demo's finished van was seen with its LEDs alone.
    expect(partTrials(demoJobs(), LED).length).toBeGreaterThan(0);
  });
});
