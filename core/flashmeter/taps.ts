import { evenBeat, FEWEST_FLASHES, withoutDoubled } from './evenBeat.ts';
import type { FlashReading } from './reading.ts';

/** A tap closer to the one before than this share of the usual gap is the same flash tapped twice. */
const DOUBLED_SHARE = 0.4;
/** A finger that bounces does so within this time, s; a longer gap is a flash, not a bounce. */
const DOUBLED_SECONDS = 0.2;
/** No tap is timed better than this, s: keyboard and touch screens report in steps. */
const TIMER_SECONDS = 0.005;

/**
 * Flash rate from the moments somebody tapped, one tap a flash. A doubled tap is dropped, a missed flash
 * is bridged, and the rate is the straight line through what remains: one late tap then costs little.
 *
 * @param seconds moments of the taps on any clock, s
 * @returns the rate with the half-width of its 95 % interval, flashes a minute; or the reason for none. Whether every
 *   second flash was tapped no tap can tell: that is asked where it matters.
 */
export function readTaps(seconds: readonly number[]): FlashReading {
  const sorted = seconds.filter(Number.isFinite).toSorted((a, b) => a - b);
  const flashes = sorted.map((from) => ({ from, until: null }));
  if (sorted.length < FEWEST_FLASHES)
    return {
      kind: 'not-sure',
      reason: { why: 'too-few', flashes: sorted.length, wanted: FEWEST_FLASHES },
      flashes,
      pulses: null,
    };
  const kept = withoutDoubled(sorted, DOUBLED_SHARE, DOUBLED_SECONDS);
  if (kept.length < FEWEST_FLASHES)
    return { kind: 'not-sure', reason: { why: 'doubled' }, flashes, pulses: null };
  const beat = evenBeat(kept, TIMER_SECONDS);
  if ('why' in beat) return { kind: 'not-sure', reason: beat, flashes, pulses: null };
  return {
    kind: 'rate',
    rate: beat.rate,
    flashes: kept.map((from) => ({ from, until: null })),
    onShare: null,
    jitter: beat.jitter,
    missed: beat.missed,
    dropped: sorted.length - kept.length,
    pulses: null,
  };
}
