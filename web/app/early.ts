import { db } from '../store/db.ts';
import { engine } from '../workers/engine.ts';

/** What takes its time beside this thread is begun before anything is drawn: the store opens, the engine starts. */
export function startEarly(path: string): void {
  db.open().catch(() => {
    // Whoever asks the store for something is told, and says so on the screen.
  });
  if (path === '/' || path.startsWith('/jobs/')) engine();
}
