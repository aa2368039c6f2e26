import { expose } from 'comlink';
import { behavioursOf } from '../../core/choose/candidates.ts';
import { cureBoard } from '../../core/cures/board/board.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { steadyComplaints } from '../../core/cures/compare/steadyCures.ts';
import { capacitorWindows } from '../../core/cures/decoder/capacitorWindow.ts';
import { whileOff } from '../../core/cures/decoder/whileOff.ts';
import { planSteps, type ResistorPlan } from '../../core/cures/loadResistor/plan.ts';
import { loadGauge } from '../../core/judge/loadGauge.ts';
import { changedVerdicts } from '../../core/possible/changedVerdicts.ts';
import { nextTurnTest } from '../../core/possible/nextTest.ts';
import { quickAnswer } from '../../core/quick/answer.ts';
import { quickCure } from '../../core/quick/cure.ts';
import { quickLook } from '../../core/quick/looks.ts';
import { lampStrips } from '../../core/traces/lampStrips.ts';
import { traceLamps } from '../../core/traces/traceLamps.ts';
import { jobProgress, stageProgress } from '../../core/work/progress.ts';

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
  const steps = planSteps(...asked);
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

/** What simulates and searches: off the main thread, so that the lamps keep their beat. */
const api = {
  planResistors,
  stop,
  lampStrips,
  traceLamps,
  behavioursOf,
  jobProgress,
  stageProgress,
  compareTurnCures,
  cureBoard,
  loadGauge,
  steadyComplaints,
  capacitorWindows,
  changedVerdicts,
  whileOff,
  quickAnswer,
  quickCure,
  quickLook,
  nextTurnTest,
};
export type EngineWorker = typeof api;
expose(api);
