/**
 * Whoever is asked about the same moment says the same: the judge, the proving cell and the vehicle played in time, on
 * random vehicles, fitments, faults and panels. No two contradict each other, and none is surer of it than another.
 * `npm run fuzz` tries ten times as many. The pairs compared are printed.
 */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { cureBoard } from '../../core/cures/board/board.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { turnScope } from '../../core/cures/compare/scope.ts';
import { withCure } from '../../core/cures/compare/withCure.ts';
import { underloadedPace } from '../../core/devices/flasher.ts';
import { type Fault, isFelt, strikesOf } from '../../core/faults/kinds.ts';
import { possibleFaults } from '../../core/faults/library.ts';
import { JobAnalysis } from '../../core/judge/analysis.ts';
import { Judge } from '../../core/judge/judge.ts';
import { type VerdictState, worstState } from '../../core/judge/states.ts';
import { watchedBy } from '../../core/judge/watchedBy.ts';
import type { Job } from '../../core/model/job.ts';
import type { Circuit, TurnCircuit } from '../../core/model/vehicle/circuit.ts';
import { lampById, lampIdsOf, turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import { type Cell, cellsOf } from '../../core/proving/cells.ts';
import { deviations } from '../../core/proving/deviations.ts';
import type { Outcome } from '../../core/proving/outcome.ts';
import { CellPlayer } from '../../core/proving/player.ts';
import { quickAnswer } from '../../core/quick/answer.ts';
import { quickQuestion } from '../../core/quick/question.ts';
import { circuitsAsked } from '../../core/quick/quickJob.ts';
import { isOn } from '../../core/simulation/bearing.ts';
import { CONTROLS_OFF, type Controls, flashingSides } from '../../core/simulation/controls.ts';
import { healthyStock } from '../../core/simulation/fitment.ts';
import { playVehicle } from '../../core/simulation/vehicleRun.ts';
import { lastFlash, supplyVoltsFor } from '../../core/traces/traceLamps.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { randomFrom } from './hiddenPlug.ts';
import { type RandomCase, randomCase } from './randomJob.ts';
import { TracedVehicle } from './tracedVehicle.ts';

const RUNS = Math.round(Number(process.env.VUMBLE_FUZZ ?? 300));
const SEED = Number(process.env.VUMBLE_SEED ?? 20261128);

/** Cells of each fault that are run in time. */
const CELLS_EACH = process.env.VUMBLE_FUZZ ? 12 : 3;

const counts = new Map<string, number>();
const counted = (what: string) => counts.set(what, (counts.get(what) ?? 0) + 1);

/** What a cell says of how it flashes, as a verdict. */
function flashState({ flash, short }: Outcome): VerdictState {
  if (flash === 'unsure') return 'either-way';
  return flash === short || flash === 'none' ? 'falls-short' : 'holds';
}

function messageState(outcome: Outcome, { id }: Circuit): VerdictState {
  if (outcome.messages.has(id)) return 'falls-short';
  return outcome.maybe.has(id) ? 'either-way' : 'holds';
}

/** Whether two speak of the same moment as one: surely yes against surely no is a contradiction, and so is being surer. */
function together(kind: string, one: VerdictState, other: VerdictState, what: string): void {
  counted(kind);
  counted(`${kind}: ${one}`);
  expect(one, `${kind}, ${what}`).toBe(other);
}

function compare({ job, shelf, configuration, controls, emfVolts, faults }: RandomCase): void {
  const { vehicle } = job;
  const analysis = new JobAnalysis(job, shelf);
  const judge = new Judge(analysis, configuration);
  const more = emfVolts - supplyVoltsFor(vehicle, controls.key);
  const player = new CellPlayer(analysis, configuration, undefined, null, more);
  const cell: Cell = {
    id: 'drawn',
    name: 'drawn',
    of: 'drawn',
    condition: 'alone',
    controls,
    say: '',
    safely: null,
  };
  const outcome = player.asFitted(cell);
  const what = `${job.id} ${configuration} ${JSON.stringify(controls)} ${emfVolts}`;
  // Behind a fuse that melts nothing is watched any more.
  if (outcome.blown.size > 0) {
    counted('a fuse melts');
    return;
  }
  const company = { lights: controls.lights, brake: controls.brake };
  const flasher = player.fitment.flasher;
  const sides = flashingSides(vehicle, controls);
  const turns = turnCircuits(vehicle).filter(({ side }) => sides.includes(side));
  if (turns.length > 0 && flasher.kind !== 'controller') {
    const states = turns.map((circuit) =>
      turns.length > 1
        ? judge.hazardAt(emfVolts, company).state
        : judge.circuitAt(circuit, emfVolts, company).state,
    );
    for (const state of states) together('judge and cell, flash', state, flashState(outcome), what);
  }
  const [alone] = turns;
  if (alone && turns.length === 1 && flasher.kind === 'controller') {
    const state = judge.circuitAt(alone, emfVolts, company).state;
    together('judge and cell, turn output', state, messageState(outcome, alone), what);
  }
  for (const circuit of vehicle.circuits) {
    if (circuit.kind === 'turn' || !isOn(circuit, controls)) continue;
    const { who, open } = watchedBy(job, flasher, circuit);
    if (who === null) continue;
    const asIf = judge.circuitAt(circuit, emfVolts, company).state;
    const state = open && asIf === 'falls-short' ? 'either-way' : asIf;
    together('judge and cell, steady', state, messageState(outcome, circuit), `${what} ${circuit.id}`);
  }
  playedToo({ job, shelf, configuration, controls, emfVolts, faults, kinds: [] }, player, cell, what);
}

/**
 * Between which amps the true threshold lies: with the works' own bulbs the relay is content, with any one main lamp out
 * it is not, alone and with the panel as it is. Read off the play, which knows nothing of bands.
 */
function truthOf(
  job: Job,
  circuit: TurnCircuit,
  controls: Controls,
  emfVolts: number,
): readonly [number, number] | null {
  const { vehicle } = job;
  const fitment = healthyStock(job);
  const one = {
    ...controls,
    hazard: false,
    turn: circuit.side,
    key: controls.key === 'off' ? ('on' as const) : controls.key,
  };
  const panels = [one, { ...CONTROLS_OFF, key: one.key, turn: circuit.side }];
  const sampled = (panel: Controls, faults: readonly Fault[]) =>
    lastFlash(
      playVehicle({
        vehicle,
        fitment,
        controls: panel,
        emfVolts,
        thresholdAmps: 0,
        strikes: strikesOf(vehicle, faults),
        flashes: 3,
      }),
    )?.sampledAmps;
  const mains = lampIdsOf(circuit).filter((id) => lampById(vehicle, id).role === 'main');
  const low = panels.flatMap((panel) =>
    mains.map((lampId) => sampled(panel, [{ kind: 'bulb-out', lampId }])),
  );
  const high = panels.map((panel) => sampled(panel, []));
  if ([...low, ...high].some((each) => each === undefined)) return null;
  // A hair inside: two ways to the same solution agree to a few ten-thousandths while filaments warm.
  return [1.002 * Math.max(...(low as number[])), 0.998 * Math.min(...(high as number[]))];
}

/** With what is wrong, the vehicle played with its threshold at either end of the band may only do what the cell leaves open. */
function playedToo(drawn: RandomCase, player: CellPlayer, cell: Cell, what: string): void {
  const { job, controls, emfVolts, faults } = drawn;
  const { vehicle } = job;
  const { flasher } = player.fitment;
  const sides = flashingSides(vehicle, controls);
  const [side] = turnCircuits(vehicle).filter((each) => sides.includes(each.side));
  if (!side || flasher.kind !== 'watching-relay') return;
  const outcome = player.withFaults(faults).in(cell);
  if (outcome.blown.size > 0 || outcome.flash === null) return;
  const ends = truthOf(job, side, controls, emfVolts);
  if (!ends) return;
  for (const thresholdAmps of ends) {
    const play = playVehicle({
      vehicle,
      fitment: player.fitment,
      controls,
      emfVolts,
      thresholdAmps,
      strikes: strikesOf(job.vehicle, faults),
      flashes: 4,
    });
    const flash = lastFlash(play);
    if (!flash || play.blownFuses.length > 0) continue;
    const fast = flash.missesLamp;
    counted('cell and play, with what is wrong');
    const said = outcome.flash;
    if (said === 'unsure') continue;
    expect(
      said === underloadedPace(flasher) ? 'fast' : 'normal',
      `cell and play at ${thresholdAmps} A, ${what}`,
    ).toBe(fast ? 'fast' : 'normal');
  }
}

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

function printed(): void {
  console.log(
    `compared:\n${[...counts]
      .toSorted(([a], [b]) => a.localeCompare(b))
      .map(([kind, count]) => `  ${kind.padEnd(44)} ${count}`)
      .join('\n')}`,
  );
}

it(`${RUNS} random moments: judge, cell and play agree`, { timeout: 1_800_000 }, () => {
  fc.assert(fc.property(randomCase, compare), { numRuns: RUNS, seed: SEED, endOnFailure: true });
  printed();
  const undecided = [...counts].filter(
    ([kind]) => kind.startsWith('judge and cell') && kind.endsWith('either-way'),
  );
  const all = [...counts].filter(([kind]) => /^judge and cell, [a-z ]+$/.test(kind));
  const sum = (of: typeof all) => of.reduce((total, [, count]) => total + count, 0);
  console.log(`undecided: ${((100 * sum(undecided)) / sum(all)).toFixed(1)} % of ${sum(all)}`);
  for (const kind of ['judge and cell, flash', 'judge and cell, steady', 'cell and play, with what is wrong'])
    expect(counts.get(kind) ?? 0, kind).toBeGreaterThan(RUNS / 8);
});
