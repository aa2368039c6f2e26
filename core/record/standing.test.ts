import { describe, expect, it } from 'vitest';
import { demoJob, SIGNED } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { caseNamed } from '../../tests/fixtures/cases/caseNamed.ts';
import { flashRule } from '../judge/flashRule.ts';
import type { DeviationKey } from '../model/deviationKey.ts';
import type { Evidence } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { circuitById } from '../model/vehicle/lookUp.ts';
import { type Cell, cellsOf } from '../proving/cells.ts';
import { provingGrid } from '../proving/grid.ts';
import { cellLook } from '../proving/toldOf.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { handOverPage } from './handOver.ts';
import { circuitsToProve, proofsOf } from './observations.ts';
import { circuitStanding } from './standing.ts';
import { openWords, standingWords } from './standingWords.ts';

const cellsIn = (job: Job) => cellsOf(job, fitmentOf(job, DEMO_SHELF, 'cured'));

/** A job with looks at some of its cells on record, each with what was found. */
function lookedAt(job: Job, looks: readonly [cell: Cell, found: readonly DeviationKey[]][]): Job {
  const evidence = looks.map(
    ([cell, found], index): Evidence => ({
      ...SIGNED,
      ...cellLook(job, cell, found, 'cured'),
      id: `look-${index}`,
      at: '2026-11-28T10:00:00.000Z',
    }),
  );
  return { ...job, evidence };
}

const cellOf = (job: Job, id: string): Cell => {
  const cell = cellsIn(job).find((each) => each.id === id);
  if (!cell) throw new Error(`no cell ${id}`);
  return cell;
};

describe('a circuit that is on steadily', () => {
  it('is not proved by everything at once: its dim level was not seen, nor its lamps dark', () => {
    const { job, shelf } = caseNamed('proof-of-unseen-level');
    const tail = circuitsToProve(job).find(({ id }) => id === 'tail');
    if (!tail) throw new Error('no tail to prove');
    const standing = circuitStanding(job, 'tail');
    expect(standing.proved).toBe(false);
    expect(openWords(job, tail, standing.open)).toEqual([
      expect.stringMatching(/^dim alone \(upper rear left/),
      'dark when off (all lamps)',
    ]);
    expect(standingWords(job, tail, standing)).toMatch(/^good as far as seen; not seen yet: /);
    expect(proofsOf(job, flashRule(job.vehicle.region)).find(({ id }) => id === 'tail')?.proved).toBe(false);
    expect(handOverPage(job, shelf).missing.join(' ')).toMatch(/is not proved: nobody has seen/);
  });

  it.each(['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'])(
    'of %s is proved by the fewest cells that suffice, each seen as it should be, and by no single one of them',
    (id) => {
      const job = { ...demoJob(id), evidence: [] };
      const grid = provingGrid(job, DEMO_SHELF);
      if (!grid) throw new Error('it was ended');
      const chosen = grid.smallest.flatMap((at) => grid.cells[at] ?? []);
      const whole = lookedAt(
        job,
        chosen.map((cell) => [cell, []]),
      );
      for (const circuit of circuitsToProve(job)) {
        expect(openWords(job, circuit, circuitStanding(whole, circuit.id).open), circuit.name).toEqual([]);
        expect(circuitStanding(whole, circuit.id).proved, circuit.name).toBe(true);
        for (const cell of chosen)
          expect(circuitStanding(lookedAt(job, [[cell, []]]), circuit.id).proved, cell.name).toBe(false);
      }
    },
  );

  it('is open again once another LED went in, or another resistor across it', () => {
    const job = { ...demoJob('dial-a-ride-2'), evidence: [] };
    const whole = lookedAt(
      job,
      cellsIn(job).map((cell) => [cell, []]),
    );
    const [circuit] = circuitsToProve(whole);
    if (!circuit) throw new Error('nothing to prove');
    expect(circuitStanding(whole, circuit.id).proved).toBe(true);
    const lampId = circuit.feeds[0]?.lampId ?? '';
    const other: Job = { ...whole, chosen: { ...whole.chosen, [lampId]: 'led-other' } };
    expect(circuitStanding(other, circuit.id)).toMatchObject({ proved: false, looked: false });
    const piece = { partId: null, ohms: 22, watts: 25, tolerance: 0.05 };
    const loaded: Job = {
      ...whole,
      cures: {
        ...whole.cures,
        [circuit.id]: {
          kind: 'load-resistor',
          networks: [{ lampId, connection: 'parallel', pieces: [piece] }],
        },
      },
    };
    expect(circuitStanding(loaded, circuit.id).proved).toBe(false);
  });

  it('is amiss by what was seen of its own lamps last, and good once that was seen well', () => {
    const job = { ...demoJob('exhibition-trailer'), evidence: [] };
    const tail = cellOf(job, 'tail');
    const once = lookedAt(job, [[tail, ['upper-left dark', 'message tail']]]);
    expect(circuitStanding(once, 'tail').amiss).toBe('not-all');
    const twice = lookedAt(job, [
      [tail, ['upper-left dark', 'message tail']],
      [tail, []],
      [cellOf(job, 'off'), ['lower-left glows']],
    ]);
    expect(circuitStanding(twice, 'tail').amiss).toBe('glows');
    const flickering = lookedAt(job, [[tail, ['upper-left flickers']]]);
    expect(standingWords(job, circuitById(job.vehicle, 'tail'), circuitStanding(flickering, 'tail'))).toBe(
      'flickers',
    );
    expect(standingWords(job, circuitById(job.vehicle, 'tail'), circuitStanding(job, 'tail'))).toBeNull();
  });
});
