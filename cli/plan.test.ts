import { writeFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { cureBoard } from '../core/cures/board/board.ts';
import { jobFileOf } from '../core/formats/jobFile.ts';
import { demoJob } from '../demo/forTests.ts';
import { DEMO_SHELF } from '../demo/shelf.ts';
import { call, demoDirectory } from './forTests.ts';
import { EXIT } from './output.ts';

const { path: inDirectory, job: demo } = demoDirectory();

describe('vumble plan', () => {
  it('gives 0 and the reasons when the plan holds', async () => {
    const { code, out } = await call('plan', demo('library-route-1'));
    expect(code).toBe(EXIT.fine);
    expect(out).toContain('With the cure: Holds');
    expect(out).toMatch(/Resistors, turn-left: \d+ sets fit/);
    expect(out).toContain('At most, together');
  });

  it('gives 1 when it falls short or could go either way', async () => {
    expect((await call('plan', demo('library-route-3'))).code).toBe(EXIT.fallsShort);
    const troubled = await call('plan', demo('library-route-2'));
    expect(troubled.code).toBe(EXIT.fallsShort);
    expect(troubled.out).toContain('With the cure: Could go either way');
    expect(troubled.out).toContain('88 or 176 a minute');
  });

  it('judges all the job is about, as the screen does: a sensed third brake falls short though its turn lamps hold', async () => {
    const job = structuredClone(demoJob('library-route-1'));
    delete job.scope;
    const third = job.vehicle.circuits.find(({ sense }) => sense);
    if (!third) throw new Error('no sensed circuit');
    const lampId = third.feeds[0]?.lampId ?? '';
    const led = DEMO_SHELF.find(
      (part) => part.kind === 'led' && part.bases.includes('W2.1x9.5d') && part.watts < 3,
    );
    job.chosen[lampId] = led?.id ?? null;
    const file = inDirectory('sensed.vumble.json');
    writeFileSync(file, JSON.stringify(jobFileOf(job, DEMO_SHELF, '2026-11-28T10:00:00.000Z')));
    const { code, out } = await call('plan', file);
    const row = cureBoard(job, DEMO_SHELF).rows.find(({ circuitIds }) => circuitIds.includes(third.id));
    expect(row?.cured.state).toBe('falls-short');
    expect(code).toBe(EXIT.fallsShort);
    expect(out).toContain('With the cure: Holds');
    expect(out).toContain('The whole plan: Falls short');
    expect(out).toMatch(/Third brake: Falls short\./);
  });

  it('says nothing of flashing for a job that touches no turn lamp, and prints what has to be minded', async () => {
    const job = structuredClone(demoJob('library-route-1'));
    job.scope = { lampIds: ['reading-1', 'reading-2', 'reading-3'], aim: null };
    job.chosen = {};
    job.cures = {};
    const file = inDirectory('reading.vumble.json');
    writeFileSync(file, JSON.stringify(jobFileOf(job, DEMO_SHELF, '2026-11-28T10:00:00.000Z')));
    const { code, out } = await call('plan', file);
    expect(out).not.toMatch(/a minute|turn/);
    expect(out).toMatch(/Reading lamps: Holds/);
    expect(code).toBe(EXIT.fine);
    expect((await call('plan', demo('library-route-1'))).out).toMatch(
      /Mind:\n {2}The resistors keep the flash/,
    );
  });

  it('prints JSON that a program can read', async () => {
    const plan = JSON.parse((await call('plan', demo('library-route-1'), '--json')).out);
    expect(plan.verdict.state).toBe('holds');
    expect(plan.resistors[0].choices[0].ohms).toBeCloseTo(3, 9);
    expect(plan.stock.circuits[0].points).toHaveLength(4);
  });
});
