import { expose } from 'comlink';
import { planResistors } from '../../core/cures/loadResistor/plan.ts';

/** The exact search looks at tens of thousands of sets: off the main thread, so that the lamps keep their beat. */
const api = { planResistors };
export type ResistorWorker = typeof api;
expose(api);
