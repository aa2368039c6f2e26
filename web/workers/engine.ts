import { type Remote, wrap } from 'comlink';
import type { EngineWorker } from './engine.worker.ts';

let remote: Remote<EngineWorker> | null = null;

/** The engine in its worker, started when it is first needed. */
export function engine(): Remote<EngineWorker> {
  remote ??= wrap<EngineWorker>(
    new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
