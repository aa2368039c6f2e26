import type { Finding } from '../../../core/model/job.ts';

/** What a watcher was seen to do. */
export const RESULTS: Record<Finding['result'], string> = {
  normal: 'flashed normally, no message',
  fast: 'flashed fast',
  slow: 'flashed slow, or stayed on',
  message: 'gave a bulb message',
};
