import { describe, expect, it } from 'vitest';
import { trialAt } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { WatcherTrial } from './evidence.ts';
import { Job } from './job.ts';
import { brokenReferences, partReferences, visitParts } from './partReferences.ts';

/** What every record says of itself. */
function withoutFitted({ id, at, vehicleId, visit, device, method }: WatcherTrial) {
  return { id, at, vehicleId, visit, device, method };
}

const PIECE = { ohms: 6, watts: 50, tolerance: 0.05 };

/** A job that names a part at every place a job can. */
function everywhere(): Job {
  const job = structuredClone(demoJobs()[0]) as Job;
  const network = (partId: string) => ({
    lampId: 'rear-left',
    connection: 'parallel' as const,
    pieces: [{ partId, ...PIECE }],
  });
  job.chosen = { 'rear-left': 'of-lamp', 'rear-right': null };
  job.cures = { 'turn-left': { kind: 'load-resistor', networks: [network('of-resistor')] } };
  job.vehicleCures = [
    { kind: 'flasher-relay', partId: 'of-relay', position: 0.5 },
    { kind: 'decoder', lampId: 'rear-left', partId: 'of-decoder' },
    { kind: 'bleed-resistor', circuitId: 'stop', piece: { partId: 'of-bleed', ...PIECE } },
    { kind: 'pilot-diodes' },
  ];
  const trial = (id: string, fitted: Partial<WatcherTrial['fitted']>) =>
    trialAt('turn-left', 'fast', 12.6, fitted, { id });
  const measured = (id: string) => ({ ...withoutFitted(trial(id, {})), id });
  job.evidence = [
    trial('f1', { lamps: { 'rear-left': 'of-trial' }, networks: [network('of-trial-resistor')] }),
    {
      ...measured('f3'),
      kind: 'light',
      lampId: 'rear-left',
      spot: 'wall',
      when: 'after',
      partId: 'of-light',
      quantity: { value: 9, unit: 'lx', uncertainty: null },
      ambientLux: 1,
      metres: 1,
      lampMillimetres: 40,
    },
    {
      ...measured('f4'),
      kind: 'came-back',
      lampId: null,
      partId: 'of-return',
      part: 'TERN-3',
      fittedAt: null,
      words: 'dark',
    },
    {
      ...measured('f5'),
      kind: 'heat',
      lampId: 'rear-left',
      what: 'resistor',
      circuitId: 'turn-left',
      seconds: 300,
      quantity: { value: 70, unit: '°C', uncertainty: null },
      airCelsius: 18,
      volts: null,
      network: network('of-heat'),
    },
    trial('f2', { vehicleCures: [{ kind: 'flasher-relay', partId: 'of-trial-relay', position: 0.5 }] }),
  ];
  return Job.parse(job);
}
const PLACES = [
  'light',
  'return',
  'heat',
  'lamp',
  'resistor',
  'relay',
  'decoder',
  'bleed',
  'trial',
  'trial-resistor',
  'trial-relay',
];

describe('the walk over the parts a job names', () => {
  it('comes by every place: each string that names one is met', () => {
    const job = everywhere();
    const met = partReferences(job).map(({ partId }) => partId);
    expect(met.toSorted()).toEqual(PLACES.map((place) => `of-${place}`).toSorted());
    const written = [...JSON.stringify(job).matchAll(/"(of-[a-z-]+)"/g)].map((match) => match[1]);
    expect(met.toSorted()).toEqual(written.toSorted());
  });

  it('remaps each', () => {
    const job = everywhere();
    visitParts(job, ({ partId }) => partId.replace('of-', 'new-'));
    expect(partReferences(job).every(({ partId }) => partId.startsWith('new-'))).toBe(true);
    expect(partReferences(job)).toHaveLength(PLACES.length);
  });

  it('drops each: the lamp is open, the resistor still to be bought, the relay and the trial gone', () => {
    const job = everywhere();
    visitParts(job, () => null);
    expect(partReferences(job)).toEqual([]);
    expect(job.chosen).toEqual({ 'rear-right': null });
    expect(job.cures['turn-left']?.networks[0]?.pieces[0]).toEqual({ partId: null, ...PIECE });
    expect(job.vehicleCures.map(({ kind }) => kind)).toEqual(['bleed-resistor', 'pilot-diodes']);
    expect(job.evidence.map(({ kind }) => kind)).toEqual(['light', 'came-back', 'heat']);
  });

  it('finds what the shelf does not have, or has as another kind', () => {
    const job = everywhere();
    job.chosen = { 'rear-left': 'res-6-50' };
    const broken = brokenReferences(job, DEMO_SHELF).map(({ partId }) => partId);
    expect(broken).toContain('res-6-50');
    expect(broken).toContain('of-relay');
    for (const demo of demoJobs()) expect(brokenReferences(Job.parse(demo), DEMO_SHELF)).toEqual([]);
  });
});
