import { type Remote, wrap } from 'comlink';
import type { FilesWorker } from './files.worker.ts';
import { named } from './named.ts';

let started: Remote<FilesWorker> | null = null;

/** What reads files, started when the first one is chosen. */
export function files(): Remote<FilesWorker> {
  started ??= wrap<FilesWorker>(
    new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module', name: named('files') }),
  );
  return started;
}
