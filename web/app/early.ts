import { engine } from '../workers/engine.ts';
import { makeStore } from '../workers/makeStore.ts';

/** What works beside this thread is begun before the app itself is read: the engine, and at a first visit the store. */
export function startEarly(path: string): void {
  if (path === '/' || path === '/quick' || path.startsWith('/jobs/')) engine();
  makeStore();
}
