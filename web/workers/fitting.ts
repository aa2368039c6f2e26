import { type Remote, wrap } from 'comlink';
import ELK from 'elkjs/lib/elk-api.js';
import elkWorker from 'elkjs/lib/elk-worker.min.js?url';
import type { FittingWorker } from './fitting.worker.ts';
import { named } from './named.ts';

let started: Remote<FittingWorker> | undefined;
let laying: InstanceType<typeof ELK> | undefined;

/** The order of work and the pin finder, started when Fit is first opened. */
export function fitting(): Remote<FittingWorker> {
  started ??= wrap<FittingWorker>(
    new Worker(new URL('./fitting.worker.ts', import.meta.url), { type: 'module', name: named('fitting') }),
  );
  return started;
}

/** Who lays drawings out, in a worker of its own. */
export function layouter(): InstanceType<typeof ELK> {
  laying ??= new ELK({ workerUrl: elkWorker, workerFactory: (url) => new Worker(url ?? elkWorker) });
  return laying;
}
