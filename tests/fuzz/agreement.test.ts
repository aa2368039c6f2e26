/**
 * Whoever is asked about the same moment says the same: the judge, the proving cell and the vehicle played in time, on
 * random vehicles, fitments, faults and panels. No two contradict each other, and none is surer of it than another.
 * `npm run fuzz` tries ten times as many. The pairs compared are printed.
 */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { underloadedPace } from '../../core/devices/flasher.ts';
import { type Fault, strikesOf } from '../../core/faults/kinds.ts';
import { JobAnalysis } from '../../core/judge/analysis.ts';
import { Judge } from '../../core/judge/judge.ts';
import type { VerdictState } from '../../core/judge/states.ts';
import { watchedBy } from '../../core/judge/watchedBy.ts';
import type { Job } from '../../core/model/job.ts';
import type { Circuit, TurnCircuit } from '../../core/model/vehicle/circuit.ts';
import { lampById, lampIdsOf, turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import type { Cell } from '../../core/proving/cells.ts';
import type { Outcome } from '../../core/proving/outcome.ts';
import { CellPlayer } from '../../core/proving/player.ts';
import { isOn } from '../../core/simulation/bearing.ts';
import { CONTROLS_OFF, type Controls, flashingSides } from '../../core/simulation/controls.ts';
import { healthyStock } from '../../core/simulation/fitment.ts';
import { playVehicle } from '../../core/simulation/vehicleRun.ts';
import { supplyVoltsFor } from '../../core/traces/supply.ts';
import { lastFlash } from '../../core/traces/traceLamps.ts';
import { counted, counts, printed, together } from './compared.ts';
import { type RandomCase, randomCase } from './randomJob.ts';

const RUNS = Math.round(Number(process.env.VUMBLE_FUZZ ?? 300));
const SEED = Number(process.env.VUMBLE_SEED ?? 20261128);

/** What a cell says of how it flashes, as a verdict. */
function flashState({ flash, short }: Outcome): VerdictState {
  if (flash === 'unsure') return 'either-way';
  return flash === short || flash === 'none' ? 'falls-short' : 'holds';
}

function messageState(outcome: Outcome, { id }: Circuit): VerdictState {
  if (outcome.messages.has(id)) return 'falls-short';
  return outcome.maybe.has(id) ? 'either-way' : 'holds';
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
  if (sides.length === 1 && flasher.kind === 'controller')
    for (const alone of turns) {
      const state = judge.circuitAt(alone, emfVolts, company).state;
      together('judge and cell, turn output', state, messageState(outcome, alone), `${what} ${alone.id}`);
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
  const alone = { ...CONTROLS_OFF, key: one.key, turn: circuit.side };
  // A marker between two feeds draws nothing with the lights on: its maker set the relay by that too.
  const between = vehicle.lamps.some(({ returnsTo }) => returnsTo !== undefined);
  const panels = [one, alone, ...(between ? [{ ...alone, lights: true }] : [])];
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
  const ends: [number, number] = [
    1.002 * Math.max(...(low as number[])),
    0.998 * Math.min(...(high as number[])),
  ];
  // Where a small lamp draws less than what the lights take away, no relay could be set to miss it.
  return ends[0] <= ends[1] ? ends : null;
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
