import { type Remote, wrap } from 'comlink';
import { named } from './named.ts';
import type { PracticeWorker } from './practice.worker.ts';

let started: Remote<PracticeWorker> | null = null;

/** What plays rounds and asks drills, started when Practice is first opened. */
export function practice(): Remote<PracticeWorker> {
  started ??= wrap<PracticeWorker>(
    new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module', name: named('practice') }),
  );
  return started;
}
