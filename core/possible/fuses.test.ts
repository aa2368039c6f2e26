/** A fuse whose rating nobody has read: taken as is usual, and neither "too much" nor "holds" may rest on that. */

import { describe, expect, it } from 'vitest';
import { planOf } from '../../cli/plan.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { jobFileOf } from '../formats/jobFile.ts';
import type { ResistorNetwork } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import { newJob } from '../model/newJob.ts';
import { turnCircuits, turnFuse } from '../model/vehicle/lookUp.ts';
import { layoutEntries, startingVehicle } from '../presets/startingLayout.ts';
import { setFuseRead } from '../vehicle/edit/circuits.ts';
import { unknownWords } from '../words/unknowns.ts';
import { verdictsOf } from './verdicts.ts';

/** A van of 1992 with a relay, stock bulbs in, and so many ohms across each rear turn lamp. */
function van(ohms: number): Job {
  const vehicle = startingVehicle('van', {
    name: 'Van',
    model: 'Van',
    kind: 'van',
    year: 1992,
    region: 'UN',
    systemVolts: 12,
    entries: layoutEntries({ kind: 'van', year: 1992, region: 'UN' }).filter(({ usual }) => usual),
    flasher: 'watching-relay',
  });
  const job = newJob('j', 'j', vehicle, '2026-01-01T00:00:00.000Z');
  for (const lamp of vehicle.lamps) lamp.resistorMount = 'chassis';
  for (const circuit of turnCircuits(vehicle)) {
    const networks = circuit.feeds
      .filter(({ lampId }) => lampId.startsWith('rear-turn'))
      .map(
        ({ lampId }): ResistorNetwork => ({
          lampId,
          connection: 'parallel',
          pieces: [1, 2].map(() => ({ partId: null, ohms: 2 * ohms, watts: 100, tolerance: 0.01 })),
        }),
      );
    job.cures[circuit.id] = { kind: 'load-resistor', networks };
  }
  return job;
}

const fuseOf = (job: Job) =>
  verdictsOf(job, DEMO_SHELF).cured.hazard?.limits.filter(({ kind }) => kind.startsWith('fuse'));
const rated = (job: Job, amps: number): Job => {
  const read = structuredClone(job);
  setFuseRead(read.vehicle, turnFuse(read.vehicle).id, amps);
  return read;
};

describe('a fuse nobody has read', () => {
  it('is taken as is usual, and open between the next sizes', () => {
    const job = van(4);
    expect(turnFuse(job.vehicle)).toMatchObject({ ratedAmps: 15, assumed: true });
    expect(fuseOf(job)?.some(({ open }) => open?.least === 10 && open.most === 20)).toBe(true);
    const { cured } = verdictsOf(job, DEMO_SHELF);
    expect(cured.hazard?.state).toBe('either-way');
    expect(cured.unknowns.map(unknownWords).join()).toMatch(/15 A turn fuse.*read it/);
    const plan = planOf(jobFileOf(job, DEMO_SHELF, '2026-01-01T00:00:00.000Z'));
    expect(plan.verdict?.hazard?.limits.find(({ open }) => open)?.reason).toMatch(
      /Nobody has read that fuse, and between 10.* and 20.* it decides: read it\.$/,
    );
  });

  it('decides once it is read, either way', () => {
    const job = van(4);
    expect(verdictsOf(rated(job, 10), DEMO_SHELF).cured.hazard?.state).toBe('too-much');
    expect(verdictsOf(rated(job, 20), DEMO_SHELF).cured.hazard?.state).toBe('holds');
    for (const amps of [10, 20])
      expect(verdictsOf(rated(job, amps), DEMO_SHELF).cured.unknowns.map(({ what }) => what)).not.toContain(
        'fuse-not-read',
      );
  });

  it('is not asked for where it decides nothing', () => {
    const light = van(100);
    expect(verdictsOf(light, DEMO_SHELF).cured.unknowns.map(({ what }) => what)).not.toContain(
      'fuse-not-read',
    );
    // Past the greatest it may be, it is too much whatever is printed on it.
    expect(verdictsOf(van(1), DEMO_SHELF).cured.hazard?.state).toBe('too-much');
  });
});
