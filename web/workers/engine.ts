import { type Remote, wrap } from 'comlink';
import type { EngineWorker } from './engine.worker.ts';
import { named } from './named.ts';

const started = new Map<string, Remote<EngineWorker>>();

function worker(name: string): Remote<EngineWorker> {
  let remote = started.get(name);
  if (!remote) {
    const thread = new Worker(new URL('./engine.worker.ts', import.meta.url), {
      type: 'module',
      name: named(name),
    });
    // A script that cannot be fetched was built anew since this page was opened; whoever loads pages again hears of it.
    thread.addEventListener('error', (event) => {
      if (event.message === undefined)
        window.dispatchEvent(new Event('vite:preloadError', { cancelable: true }));
    });
    remote = wrap<EngineWorker>(thread);
    started.set(name, remote);
  }
  return remote;
}

/** The engine for long computations, started when it is first needed. */
export const engine = () => worker('engine');

/** A second one for the driver's panel, so that a switch never waits behind a search. */
export const tracer = () => worker('tracer');
