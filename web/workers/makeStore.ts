import { STORE_NAME } from '../store/name.ts';

/** At the first visit: lets a thread of its own make the store and put the demo in while this one reads the app. */
export async function makeStore(): Promise<void> {
  try {
    const all = await indexedDB.databases();
    if (all.some(({ name }) => name === STORE_NAME)) return;
    new Worker(new URL('./store.worker.ts', import.meta.url), { type: 'module', name: 'store' });
  } catch {
    // Only sooner than the page would do it itself.
  }
}
