import { type Remote, wrap } from 'comlink';
import { writer } from '../store/writer.ts';
import type { HandOffWorker } from './handOff.worker.ts';
import { named } from './named.ts';

let started: { worker: Worker; remote: Remote<HandOffWorker> } | null = null;

/** What makes packs and takes them in, once everything done in this tab is stored. */
export async function handOff(): Promise<Remote<HandOffWorker>> {
  await writer.allSettled();
  if (!started) {
    const worker = new Worker(new URL('./handOff.worker.ts', import.meta.url), {
      type: 'module',
      name: named('hand-off'),
    });
    started = { worker, remote: wrap<HandOffWorker>(worker) };
  }
  return started.remote;
}

/** Stops what it is at; nothing is half taken, since a pack is taken in one transaction. */
export function stopHandOff(): void {
  started?.worker.terminate();
  started = null;
}
