import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { answerQuestion } from '../lookover/questions.ts';
import type { Job } from '../model/job.ts';
import { upgradeJob } from '../model/upgradeJob.ts';
import { changedVerdicts } from './changedVerdicts.ts';

/** A minibus of before: an LED in its third brake lamp, and nobody had said whether its wire is read. */
function before(): Job {
  const { evidence: _, ...job } = structuredClone(demoJob('dial-a-ride-2'));
  const old = { ...job, observations: [] };
  delete old.vehicle.facts;
  return upgradeJob(old, 7) as Job;
}

describe('what an earlier version took for granted', () => {
  it('is named circuit by circuit where it changes the verdict', () => {
    const job = before();
    expect(job.reopened).toEqual({ settings: [], mounts: [], brakeSense: true, outputs: true });
    expect(changedVerdicts(job, DEMO_SHELF)).toEqual([
      { circuitId: 'third', name: expect.any(String), was: 'holds', is: 'either-way' },
    ]);
  });

  it('says nothing where somebody has looked since, and where nothing was taken for granted', () => {
    const job = before();
    answerQuestion(job, 'brake-sense', 'no');
    expect(changedVerdicts(job, DEMO_SHELF)).toEqual([]);
    expect(changedVerdicts(demoJob('dial-a-ride-2'), DEMO_SHELF)).toEqual([]);
  });

  it('is remembered of settings and metal nobody had looked for, where the layout’s mark was still on them', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    const [lamp, other] = job.vehicle.lamps;
    if (!lamp || !other || job.vehicle.flasher.kind !== 'controller') throw new Error('not that vehicle');
    lamp.resistorMount = 'none';
    lamp.access.how = 'Not looked at yet.';
    const [output] = job.vehicle.flasher.outputs;
    if (!output?.watch?.simulatedFilament) throw new Error('not watched');
    output.watch.canSetLed = true;
    output.watch.simulatedFilament.assumed = true;
    const upgraded = upgradeJob(job, 5) as Job;
    expect(upgraded.reopened?.mounts).toEqual([lamp.id]);
    expect(upgraded.reopened?.settings).toContain(output.circuitId);
    expect(upgraded.vehicle.lamps[0]?.resistorMount).toBe('unknown');
    expect(upgraded.vehicle.lamps[1]).toEqual(other);
    // Set to LED, whether that can be done is open: what held by it may hold.
    expect(changedVerdicts(upgraded, DEMO_SHELF).map(({ was }) => was)).toContain('holds');
  });

  it('of a frozen file of each earlier version is judged without a failure', () => {
    for (const version of [1, 4, 7]) {
      const file = JSON.parse(
        readFileSync(
          new URL(`../../tests/fixtures/job-version-${version}.vumble.json`, import.meta.url),
          'utf8',
        ),
      );
      const job = upgradeJob(file.job, version) as Job;
      expect(Array.isArray(changedVerdicts(job, [...file.parts, ...DEMO_SHELF]))).toBe(true);
    }
  });
});
