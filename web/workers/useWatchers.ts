import { useQuery } from '@tanstack/react-query';
import { type Remote, wrap } from 'comlink';
import type { LogWorker } from './log.worker.ts';
import { named } from './named.ts';

let started: Remote<LogWorker> | null = null;

function log(): Remote<LogWorker> {
  started ??= wrap<LogWorker>(
    new Worker(new URL('./log.worker.ts', import.meta.url), { type: 'module', name: named('log') }),
  );
  return started;
}

/**
 * What is known of watchers, laid beside each other.
 *
 * @param state changes whenever a job does
 */
export function useWatchers(by: 'model' | 'watcher', state: string) {
  return useQuery({ queryKey: ['watchers', by, state], queryFn: () => log().watchers(by) });
}
