import { type Remote, wrap } from 'comlink';
import type { EngineWorker } from './engine.worker.ts';

const started = new Map<string, Remote<EngineWorker>>();

function worker(name: string): Remote<EngineWorker> {
  let remote = started.get(name);
  if (!remote) {
    remote = wrap<EngineWorker>(
      new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module', name }),
    );
    started.set(name, remote);
  }
  return remote;
}

/** The engine for long computations, started when it is first needed. */
export const engine = () => worker('engine');

/** A second one for the driver's panel, so that a switch never waits behind a search. */
export const tracer = () => worker('tracer');
