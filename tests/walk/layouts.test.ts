import { describe, expect, it } from 'vitest';
import { behavioursOf, candidatesFor } from '../../core/choose/candidates.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { turnScope } from '../../core/cures/compare/scope.ts';
import { steadyComplaints } from '../../core/cures/compare/steadyCures.ts';
import { withCure } from '../../core/cures/compare/withCure.ts';
import { circuitById, turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import { VehicleKind } from '../../core/model/vehicle/vehicle.ts';
import { eitherOf } from '../../core/possible/union.ts';
import { ledOf } from '../../core/simulation/fitment.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { everyTruth, freshJob, type Layout, stateOf } from './freshJob.ts';

/** All of them when asked for; otherwise one year of each kind and market, another one for each. */
const ALL = Number(process.env.VUMBLE_FUZZ ?? 0) > 0;
const YEARS = [1975, 1984, 1992, 1999, 2006, 2014, 2024];
const LAYOUTS: Layout[] = VehicleKind.options.flatMap((kind, row) =>
  (['UN', 'US'] as const).flatMap((region, column) =>
    YEARS.filter((_, index) => ALL || index === (row * 2 + column * 3) % YEARS.length).map((year) => ({
      kind,
      region,
      year,
    })),
  ),
);
const PLAIN = { kind: 'plain', watts: 3, forVolts: null } as const;

describe('a fresh job nobody has looked at', () => {
  it.each(LAYOUTS)('takes no part that converts nothing for a conversion: $kind $region $year', (layout) => {
    const { job, shelf } = freshJob(layout, 'none', PLAIN, DEMO_SHELF);
    for (const lamp of job.vehicle.lamps) {
      const fitting = candidatesFor(job, shelf, lamp).filter(({ fit }) => fit.fits);
      for (const behaviour of behavioursOf(job, shelf, lamp, fitting)) {
        const candidate = fitting.find(({ part }) => part.id === behaviour.partId);
        const chosen = Object.fromEntries((candidate?.lampIds ?? []).map((id) => [id, behaviour.partId]));
        const converts = ledOf({ ...job, chosen }, shelf, lamp.id) !== null;
        expect(behaviour.state !== null, `${behaviour.partId} in ${lamp.id}`).toBe(converts);
      }
    }
  });

  it.each(LAYOUTS)('has no cure that holds by what nobody has looked at: $kind $region $year', (layout) => {
    const { job, shelf } = freshJob(layout, 'rear-turn', PLAIN, DEMO_SHELF);
    const [circuit] = turnCircuits(job.vehicle);
    if (!circuit) throw new Error('nothing turns');
    for (const { option, state } of compareTurnCures(job, shelf, circuit)) {
      // Refused for what is not known is refused wrongly: a cure that depends on it is offered with an if.
      if (option.change === null) {
        expect(option.why ?? '', option.name).not.toMatch(/not (been )?looked|nobody|unknown/i);
        continue;
      }
      if (state !== 'holds') continue;
      for (const cured of everyTruth(withCure(job, option.change, turnScope(job.vehicle)))) {
        const outputs = turnCircuits(cured.vehicle).length;
        const where = `${option.name} on a ${cured.vehicle.flasher.name} with ${outputs} turn circuits`;
        expect(stateOf(cured, shelf, 'turn'), where).toBe('holds');
      }
    }
  });

  it.each(LAYOUTS)(
    'has no steady circuit that holds by what nobody has looked at: $kind $region $year',
    (layout) => {
      for (const lamps of ['stop-tail', 'third-brake', 'daytime-running']) walkSteady(layout, lamps);
    },
  );
});

it.each<[string, Layout]>([
  ['a car', { kind: 'car', region: 'UN', year: 2014 }],
  ['a minibus', { kind: 'minibus', region: 'UN', year: 2014 }],
])('%s with daytime running lamps of which nobody knows whether they are dimmed', (_, layout) => {
  const { job } = freshJob(layout, 'daytime-running', PLAIN, DEMO_SHELF);
  expect(Object.keys(job.chosen)).toEqual(['daytime-running-left', 'daytime-running-right']);
  const ways = everyTruth(job).map(({ vehicle }) => {
    const { lights, turning } = vehicle.circuits.find(({ daytime }) => daytime)?.daytime ?? {};
    return `${lights} ${turning}`;
  });
  expect(new Set(ways).size).toBe(9);
  walkSteady(layout, 'daytime-running');
});

function walkSteady(layout: Layout, lamps: string): void {
  const { job, shelf } = freshJob(layout, lamps, PLAIN, DEMO_SHELF);
  const complaints = steadyComplaints(job, shelf);
  const truths = everyTruth(job);
  for (const { id: circuitId, kind, feeds } of job.vehicle.circuits) {
    if (kind === 'turn' || !feeds.some(({ lampId }) => job.chosen[lampId])) continue;
    const told = complaints.find((each) => each.circuitId === circuitId);
    const bare = truths.map((truth) => stateOf(truth, shelf, { circuitId }));
    expect(told?.verdict.state ?? 'holds', circuitId).toBe(eitherOf(bare));
    for (const { option, state } of told?.cures ?? []) {
      if (state !== 'holds' || option.change === null) continue;
      for (const truth of truths) {
        const scope = { circuits: [circuitById(truth.vehicle, circuitId)], turning: false };
        const cured = withCure(truth, option.change, scope);
        const where = `${option.name} for ${circuitId} on a ${truth.vehicle.flasher.name}`;
        expect(stateOf(cured, shelf, { circuitId }), where).toBe('holds');
      }
    }
  }
}
