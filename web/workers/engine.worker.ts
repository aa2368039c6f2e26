import { expose } from 'comlink';
import { behavioursOf } from '../../core/choose/candidates.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { steadyComplaints } from '../../core/cures/compare/steadyCures.ts';
import { planResistors } from '../../core/cures/loadResistor/plan.ts';
import { jobProgress } from '../../core/order/progress.ts';
import { lampStrips } from '../../core/rehearsal/lampStrips.ts';
import { rehearse } from '../../core/rehearsal/rehearse.ts';

/** What simulates and searches: off the main thread, so that the lamps keep their beat. */
const api = {
  planResistors,
  lampStrips,
  rehearse,
  behavioursOf,
  jobProgress,
  compareTurnCures,
  steadyComplaints,
};
export type EngineWorker = typeof api;
expose(api);
