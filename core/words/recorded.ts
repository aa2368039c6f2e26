import { percent } from '../formatting/format.ts';
import type { Method, RateReading } from '../model/evidence.ts';

/** How something came on record. */
export const METHOD_WORDS: Record<Method, string> = {
  seen: 'seen',
  told: 'as told',
  tapped: 'measured by taps',
  typed: 'typed in',
  meter: 'measured by a meter',
  probe: 'by a fused probe',
  heard: 'measured by the relay’s clicks',
  filmed: 'measured by camera',
  photographed: 'by photographs',
  logged: 'measured by a logger',
  adapter: 'read by an adapter',
};

/**
 * A flash rate as it stands on record: `88 ± 1 a minute, measured by taps`.
 *
 * @param isStandIn it was read off a simulated vehicle
 */
export function recordedRateWords({ quantity, method, onShare }: RateReading, isStandIn = false): string {
  if (quantity === null) return 'no rate';
  const { value, uncertainty } = quantity;
  const about = uncertainty === null ? '' : ` ± ${Math.max(1, Math.round(uncertainty))}`;
  const lit = onShare === undefined ? '' : `, lit ${percent(onShare)} of the time`;
  return `${Math.round(value)}${about} a minute, ${METHOD_WORDS[method]}${isStandIn ? ', a stand-in on the simulated vehicle' : ''}${lit}`;
}
