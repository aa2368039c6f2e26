import { volts } from '../../../core/formatting/format.ts';
import type { LampEvidence, WatcherTrial } from '../../../core/model/evidence.ts';

/** What a watcher was seen to do. */
export const RESULTS: Record<WatcherTrial['result'], string> = {
  normal: 'flashed normally, no message',
  fast: 'flashed fast',
  slow: 'flashed slow, or stayed on',
  message: 'gave a bulb message',
};

/** `12.6 V`, `11.8 to 12.6 V`: a supply as it was when something was seen. */
export function supplyWords({ fromVolts, toVolts }: NonNullable<LampEvidence['supply']>): string {
  return fromVolts === toVolts ? volts(fromVolts) : `${volts(fromVolts)} to ${volts(toVolts)}`;
}
