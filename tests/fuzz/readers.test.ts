/**
 * Readers of the judge beside the cells of Prove: the quick check says what Cure says of the job it is, the table of cures what
 * the judge says with each fitted, and the finder expects of a fault what the vehicle shows that is run in time. The pairs
 * compared are printed.
 */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { cureBoard } from '../../core/cures/board/board.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { turnScope } from '../../core/cures/compare/scope.ts';
import { withCure } from '../../core/cures/compare/withCure.ts';
import { isFelt } from '../../core/faults/kinds.ts';
import { possibleFaults } from '../../core/faults/library.ts';
import { JobAnalysis } from '../../core/judge/analysis.ts';
import { Judge } from '../../core/judge/judge.ts';
import { worstState } from '../../core/judge/states.ts';
import { turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import { type Cell, cellsOf } from '../../core/proving/cells.ts';
import { deviations } from '../../core/proving/deviations.ts';
import { CellPlayer } from '../../core/proving/player.ts';
import { quickAnswer } from '../../core/quick/answer.ts';
import { quickQuestion } from '../../core/quick/question.ts';
import { circuitsAsked } from '../../core/quick/quickJob.ts';
import { healthyStock } from '../../core/simulation/fitment.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { counted, counts, printed, together } from './compared.ts';
import { randomFrom } from './hiddenPlug.ts';
import { TracedVehicle } from './tracedVehicle.ts';

const SEED = Number(process.env.VUMBLE_SEED ?? 20261128);
/** Cells of each fault that are run in time. */
const CELLS_EACH = process.env.VUMBLE_FUZZ ? 12 : 3;

/** A quick question as an installer may ask it. */
const quickQuestionDrawn = fc.record({
  lamps: fc.constantFrom('rear-turn', 'front-turn', 'all-turn', 'reverse', 'stop-tail', 'rear-fog', 'plate'),
  vehicle: fc.constantFrom('car', 'van', 'moped', 'lorry'),
  year: fc.constantFrom(1975, 1992, 2004, 2018),
  watts: fc.constantFrom(1, 3, 8, 21),
  kind: fc.constantFrom('plain', 'load'),
  flasher: fc.constantFrom(null, 'watching-relay', 'thermal', 'non-watching-relay'),
} as const);

/** What a quick check says is what the Cure stage says of the job it is kept as. */
function quickAgrees(drawn: typeof quickQuestionDrawn extends fc.Arbitrary<infer T> ? T : never): void {
  const { lamps, vehicle, year, watts, kind, flasher } = drawn;
  const led = { kind, watts, forVolts: null };
  const question = { ...quickQuestion(lamps), vehicle, year, flasher, led };
  const answer = quickAnswer(question, DEMO_SHELF, 'quick', '2026-11-29T10:00:00.000Z');
  if (answer.state === null) return;
  const { job, shelf, lampIds } = answer.asked;
  const ids = circuitsAsked(job.vehicle, lampIds);
  const { rows } = cureBoard(job, shelf);
  const mine = rows.filter(({ circuitIds }) => circuitIds.some((each) => ids.includes(each)));
  const sides = mine.filter(({ circuitIds }) =>
    turnCircuits(job.vehicle).some(({ id: of }) => circuitIds.includes(of)),
  );
  const hazard = rows.filter(({ id: row }) => row === 'hazard' && sides.length > 0);
  const board = worstState([...mine, ...hazard].map(({ leds }) => leds.state));
  counted('quick check and Cure');
  counted(`quick check and Cure: ${board === answer.state ? 'the same' : 'one of them open'}`);
  // The board tells circuit by circuit, the quick check of all its lamps at once: where what is open in one hangs together with
  // what is open in another it may be the surer, never the other.
  if (board !== 'either-way') expect(answer.state, JSON.stringify(drawn)).toBe(board);
}

it('60 random questions: the quick check says what Cure says of the job it is', { timeout: 600_000 }, () => {
  fc.assert(fc.property(quickQuestionDrawn, quickAgrees), { numRuns: 60, seed: SEED, endOnFailure: true });
  printed();
  expect(counts.get('quick check and Cure')).toBeGreaterThan(50);
});

it('the table of cures says of each what the judge says with it fitted', { timeout: 600_000 }, () => {
  for (const id of ['library-route-1', 'library-route-3', 'dial-a-ride-2', 'courier-moped-7']) {
    const job = { ...demoJob(id), cures: {}, vehicleCures: [] };
    const [turn] = turnCircuits(job.vehicle);
    if (!turn) throw new Error(`${id} turns`);
    for (const { option, state } of compareTurnCures(job, DEMO_SHELF, turn)) {
      if (!option.change || state === null || option.supposes?.length) continue;
      const fitted = withCure(job, option.change, turnScope(job.vehicle));
      const judged = Judge.of(fitted, DEMO_SHELF, 'cured').verdict().state;
      together('table of cures and judge', state, judged, `${id} ${option.id}`);
    }
  }
  printed();
  expect(counts.get('table of cures and judge')).toBeGreaterThan(20);
});

/** Of what the finder is sure of, and the vehicle run in time does not show, or the other way round: so many in a hundred. */
const APART = 0.02;

it('what the finder expects of a fault is what the vehicle shows that is run in time', {
  timeout: 600_000,
}, () => {
  const random = randomFrom(SEED);
  const apart: string[] = [];
  for (const id of [
    'library-route-1',
    'dial-a-ride-2',
    'gritter-4',
    'courier-moped-7',
    'exhibition-trailer',
  ]) {
    const job = demoJob(id);
    const player = new CellPlayer(new JobAnalysis(job, DEMO_SHELF), 'cured', undefined, 0.5);
    const traced = new TracedVehicle({
      vehicle: job.vehicle,
      fitment: player.fitment,
      stock: healthyStock(job),
      decided: 0.5,
      moreVolts: 0,
    });
    const felt = possibleFaults(job, player.fitment).filter(({ fault }) => isFelt(fault));
    const oneOfEach = [...new Map(felt.map((each) => [each.fault.kind, each])).values()];
    const cells = cellsOf(job, player.fitment).filter(({ condition }) => condition !== 'minutes');
    for (const wrong of [null, ...oneOfEach]) {
      const faults = wrong ? [wrong.fault] : [];
      const played = player.withFaults(faults);
      for (let count = 0; count < CELLS_EACH; count += 1) {
        const cell = cells[Math.floor(random() * cells.length)] as Cell;
        const should = player.asFitted(cell);
        const expected = deviations(should, played.in(cell));
        const shown = deviations(should, traced.shows(cell, faults));
        counted('finder and trace');
        for (const [one, other] of [
          [expected, shown],
          [shown, expected],
        ] as const)
          for (const key of one.sure)
            if (!other.sure.includes(key) && !other.maybe.includes(key))
              apart.push(`${id} ${wrong?.id ?? 'sound'} ${cell.id}: ${key}`);
      }
    }
  }
  printed();
  const pairs = counts.get('finder and trace') ?? 0;
  const moments = new Set(apart.map((each) => each.split(': ')[0])).size;
  expect(pairs).toBeGreaterThan(150);
  expect(moments / pairs, apart.join('\n')).toBeLessThan(APART);
});
