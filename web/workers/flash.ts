import { type Remote, wrap } from 'comlink';
import type { FlashWorker } from './flash.worker.ts';
import { named } from './named.ts';

let started: { worker: Worker; remote: Remote<FlashWorker> } | null = null;

/** What reads flashes, started when the first is measured. */
export function flashes(): Remote<FlashWorker> {
  if (!started) {
    const worker = new Worker(new URL('./flash.worker.ts', import.meta.url), {
      type: 'module',
      name: named('flash'),
    });
    started = { worker, remote: wrap<FlashWorker>(worker) };
  }
  return started.remote;
}

/** Stops what it is reading, at once; the next wish starts it anew. */
export function stopReadingFlashes(): void {
  started?.worker.terminate();
  started = null;
}
