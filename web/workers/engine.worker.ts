import { expose } from 'comlink';
import { behavioursOf } from '../../core/choose/candidates.ts';
import { cureBoard } from '../../core/cures/board/board.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { steadyComplaints } from '../../core/cures/compare/steadyCures.ts';
import { capacitorWindows } from '../../core/cures/decoder/capacitorWindow.ts';
import { whileOff } from '../../core/cures/decoder/whileOff.ts';
import { planResistors } from '../../core/cures/loadResistor/plan.ts';
import { loadGauge } from '../../core/judge/loadGauge.ts';
import { changedVerdicts } from '../../core/possible/changedVerdicts.ts';
import { nextTurnTest } from '../../core/possible/nextTest.ts';
import { quickAnswer } from '../../core/quick/answer.ts';
import { quickCure } from '../../core/quick/cure.ts';
import { quickLook } from '../../core/quick/looks.ts';
import { lampStrips } from '../../core/traces/lampStrips.ts';
import { traceLamps } from '../../core/traces/traceLamps.ts';
import { jobProgress, stageProgress } from '../../core/work/progress.ts';

/** What simulates and searches: off the main thread, so that the lamps keep their beat. */
const api = {
  planResistors,
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
