import './writesAsHere.ts';
import { expose } from 'comlink';
import { behavioursOf } from '../../core/choose/candidates.ts';
import { cureBoard } from '../../core/cures/board/board.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { steadyComplaints } from '../../core/cures/compare/steadyCures.ts';
import { capacitorWindows } from '../../core/cures/decoder/capacitorWindow.ts';
import { whileOff } from '../../core/cures/decoder/whileOff.ts';
import { judgeKit } from '../../core/cures/kits/judgeKit.ts';
import { planSteps, type ResistorPlan } from '../../core/cures/loadResistor/plan.ts';
import { loadGauge } from '../../core/judge/loadGauge.ts';
import { changedVerdicts } from '../../core/possible/changedVerdicts.ts';
import { type NextTest, nextTurnTest } from '../../core/possible/nextTest.ts';
import { quickAnswer } from '../../core/quick/answer.ts';
import { quickCure } from '../../core/quick/cure.ts';
import { quickLook } from '../../core/quick/looks.ts';
import { lampStrips } from '../../core/traces/lampStrips.ts';
import { traceLamps } from '../../core/traces/traceLamps.ts';
import { type LookWords, wordsOfLook } from '../../core/words/looks.ts';
import { jobProgress, stageProgress } from '../../core/work/progress.ts';
import { SameAsBefore } from './sameAsBefore.ts';

/** A test in words. */
export type SaidTest = NextTest & LookWords;

/** How long a search works before it listens, ms: a wish to stop is heard so soon. */
const AT_A_STRETCH = 24;
const stopped = new Set<number>();

/** Ends a search that nobody waits for any more. */
function stop(run: number): void {
  stopped.add(run);
}

/** The resistor plan of one side; null where it was stopped. */
async function planResistors(
  run: number,
  asked: Parameters<typeof planSteps>,
  told: (share: number) => void,
): Promise<ResistorPlan | null> {
  const steps = planSteps(...(asked.map(same.again) as typeof asked));
  let listened = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - listened < AT_A_STRETCH) continue;
    told(step.value);
    await new Promise((resolve) => setTimeout(resolve, 0));
    if (stopped.delete(run)) return null;
    listened = performance.now();
  }
}

/** What of a vehicle was worked out stands from call to call, though each call brings copies. */
const same = new SameAsBefore();

/** The test that would tell most, with what to do: its words are not for every first visit to load. */
function saidTest(...asked: Parameters<typeof nextTurnTest>): SaidTest | null {
  const test = nextTurnTest(...asked);
  return test && { ...test, ...wordsOfLook(test.id, asked[0].vehicle.region) };
}

/** What simulates and searches: off the main thread, so that the lamps keep their beat. */
const api = {
  planResistors,
  stop,
  lampStrips: same.of(lampStrips),
  traceLamps: same.of(traceLamps),
  behavioursOf: same.of(behavioursOf),
  jobProgress: same.of(jobProgress),
  stageProgress: same.of(stageProgress),
  compareTurnCures: same.of(compareTurnCures),
  cureBoard: same.of(cureBoard),
  loadGauge: same.of(loadGauge),
  steadyComplaints: same.of(steadyComplaints),
  capacitorWindows: same.of(capacitorWindows),
  changedVerdicts: same.of(changedVerdicts),
  whileOff: same.of(whileOff),
  quickAnswer: same.of(quickAnswer),
  quickCure: same.of(quickCure),
  quickLook: same.of(quickLook),
  nextTurnTest: same.of(saidTest),
  judgeKit: same.of(judgeKit),
};
export type EngineWorker = typeof api;
expose(api);
