import { expose } from 'comlink';
import { planResistors } from '../../core/cures/loadResistor/plan.ts';
import { lampStrips } from '../../core/rehearsal/lampStrips.ts';

/** The long computations: off the main thread, so that the lamps keep their beat. */
const api = { planResistors, lampStrips };
export type EngineWorker = typeof api;
expose(api);
