import { expect, it } from 'vitest';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { turnScope } from '../../core/cures/compare/scope.ts';
import { steadyComplaints } from '../../core/cures/compare/steadyCures.ts';
import { withCure } from '../../core/cures/compare/withCure.ts';
import type { Job } from '../../core/model/job.ts';
import { circuitById, turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import { retuneAssumed } from '../../core/vehicle/edit/assumed.ts';
import { bladeFuse } from '../../core/vehicle/edit/bladeFuse.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { everyTruth, freshJob, type Layout, stateOf } from './freshJob.ts';

const PLAIN = { kind: 'plain', watts: 3, forVolts: null } as const;
const LAYOUTS: readonly Layout[] = [
  { kind: 'car', region: 'UN', year: 2014 },
  { kind: 'van', region: 'UN', year: 1984 },
  { kind: 'minibus', region: 'US', year: 1999 },
  { kind: 'lorry', region: 'UN', year: 2006 },
  { kind: 'trailer', region: 'US', year: 1999 },
  { kind: 'moped', region: 'UN', year: 1992 },
  { kind: 'tractor', region: 'UN', year: 1984 },
];

/** What a vehicle is drawn with and nobody is asked about, as it may be on one that is less kind. */
const OTHERWISE: Readonly<Record<string, (vehicle: Vehicle) => void>> = {
  'all lamps of a rear corner on one earth point of 30 mΩ': (vehicle) => {
    for (const side of ['left', 'right'] as const) {
      vehicle.earthPoints.push({ id: `corner-${side}`, name: `corner ${side}`, ohms: 0.03 });
      for (const lamp of vehicle.lamps)
        if (lamp.end === 'rear' && lamp.side === side) lamp.earthPoint = `corner-${side}`;
    }
  },
  'leads half as long again, of 0.5 mm²': ({ lamps }) => {
    for (const lamp of lamps) lamp.lead = { lengthM: lamp.lead.lengthM * 1.5, areaMm2: 0.5 };
  },
  'everything that is switched on one fuse, as large as its stock bulbs need': (vehicle) => {
    const shared = bladeFuse('shared-fuse', 'shared fuse', 5);
    vehicle.fuses.push(shared);
    for (const circuit of vehicle.circuits)
      if (circuit.from.by === 'switch') circuit.from = { by: 'switch', fuseId: shared.id };
    retuneAssumed(vehicle);
    delete shared.assumed;
  },
};

/** The ends of what a cured job may turn out to be. */
const ends = (job: Job): Job[] => {
  const truths = everyTruth(job);
  return [truths[0], truths.at(-1)].flatMap((each) => each ?? []);
};

it.each(LAYOUTS)(
  'no cure that holds falls by earths, wires and fuses that nobody is asked about: $kind $region $year',
  (layout) => {
    const held: { job: Job; of: 'turn' | { circuitId: string }; name: string; shelf: typeof DEMO_SHELF }[] =
      [];
    const turning = freshJob(layout, 'rear-turn', PLAIN, DEMO_SHELF);
    const [first] = turnCircuits(turning.job.vehicle);
    if (!first) throw new Error('nothing turns');
    for (const { option, state } of compareTurnCures(turning.job, turning.shelf, first))
      if (state === 'holds' && option.change !== null)
        for (const job of ends(withCure(turning.job, option.change, turnScope(turning.job.vehicle))))
          held.push({ job, of: 'turn', name: option.name, shelf: turning.shelf });
    const steady = freshJob(layout, 'stop-tail', PLAIN, DEMO_SHELF);
    for (const { circuitId, cures } of steadyComplaints(steady.job, steady.shelf))
      for (const { option, state } of cures) {
        if (state !== 'holds' || option.change === null) continue;
        for (const truth of ends(steady.job)) {
          const scope = { circuits: [circuitById(truth.vehicle, circuitId)], turning: false };
          held.push({
            job: withCure(truth, option.change, scope),
            of: { circuitId },
            name: option.name,
            shelf: steady.shelf,
          });
        }
      }
    for (const { job, of, name, shelf } of held) {
      if (stateOf(job, shelf, of) !== 'holds') continue;
      for (const [what, change] of Object.entries(OTHERWISE)) {
        const other = structuredClone(job);
        change(other.vehicle);
        expect(stateOf(other, shelf, of), `${name}, ${what}`).toBe('holds');
      }
    }
  },
);
