import { DATABASE_NAME, db, demoData } from '../store/db.ts';
import { engine } from '../workers/engine.ts';

/** What takes its time beside this thread is begun before anything is drawn: the store opens, the engine starts. */
export function startEarly(path: string): void {
  if (path === '/' || path.startsWith('/jobs/')) engine();
  // At the very first visit the demo data are on their way while the store is still being made.
  indexedDB
    .databases()
    .then(async (all) => {
      if (!all.some(({ name }) => name === DATABASE_NAME)) await demoData();
    })
    .catch(() => {
      // Only sooner than the store itself would ask for them.
    });
  db.open().catch(() => {
    // Whoever asks the store for something is told, and says so on the screen.
  });
}
