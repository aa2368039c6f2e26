import type { Doubt, FlashReading, NoRate, Rate } from '../flashmeter/reading.ts';
import { percent, perMinute } from '../formatting/format.ts';

/** A rate with its interval: `88 ± 1 a minute`. */
export function ratedWords({ perMinute: rate, uncertainty }: Rate): string {
  const digits = uncertainty < 0.95 ? 1 : 0;
  return `${rate.toFixed(digits)} ± ${Math.max(0.1, uncertainty).toFixed(digits)} a minute`;
}

/** Why a recording gives no rate, and what to do. */
export function noRateWords(reason: NoRate): string {
  switch (reason.why) {
    case 'too-few':
      return `${reason.flashes === 0 ? 'No flash was' : `Only ${reason.flashes} ${reason.flashes === 1 ? 'flash was' : 'flashes were'}`} found; a rate wants ${reason.wanted} at least. Take ten.`;
    case 'doubled':
      return 'Most taps were doubled. Tap once a flash.';
    case 'missed':
      return 'Too many flashes were missed to count them. Begin again.';
    case 'uneven':
      return 'The flashes found are too uneven to give a rate. Begin again, nearer and with less about.';
    case 'changes':
      return `The rate changes on the way, from about ${perMinute(reason.from)} to ${perMinute(reason.to)}: both are true. Take each by itself.`;
    case 'steady':
      return 'Nothing flashes here: it stays as it is throughout.';
    case 'noise':
      return 'What is recorded is more noise than flash. Come nearer, or choose the patch on the lamp alone.';
    case 'strobe':
      return `It goes on and off ${reason.hertz.toFixed(1)} times a second: that is an LED that strobes or a pulsed feed, and no flash.`;
    case 'too-coarse':
      return `${reason.samplesPerSecond.toFixed(1)} samples a second are too few to see each flash. Record at 24 or more.`;
    case 'no-clicks':
      return 'No clicks stand out. Come nearer to the relay, with the engine off.';
  }
}

/** Why there are several possibilities, and the look that settles it. */
export function doubtWords(doubt: Doubt, rates: readonly (Rate | null)[]): string {
  const said = rates.map((rate) => (rate ? `${Math.round(rate.perMinute)} a minute` : 'no flashing at all'));
  return doubt === 'one-click-a-flash'
    ? `Evenly spread clicks that sound alike: one a flash makes ${said[0]}, two a flash ${said[1]}. Look once: does the lamp light at every click, or at every second?`
    : `A camera or logger this slow shows ${said[0]} also of a steady lamp whose feed pulses: it beats with the frames. Look once whether the lamp goes dark, or record again at another frame rate.`;
}

/** What a rate rests on: `by 12 flashes, 1 bridged, lit 50 % of the time`. */
export function restsOnWords({
  flashes,
  missed,
  dropped,
  onShare,
}: Extract<FlashReading, { kind: 'rate' }>): string {
  const count = flashes.length + missed;
  return [
    `by ${count} ${count === 1 ? 'flash' : 'flashes'}`,
    ...(missed > 0 ? [`${missed} bridged`] : []),
    ...(dropped > 0 ? [`${dropped} dropped`] : []),
    ...(onShare === null ? [] : [`lit ${percent(onShare)} of the time`]),
  ].join(', ');
}

/** What was read, in a sentence or two. */
export function flashReadingWords(reading: FlashReading): string {
  switch (reading.kind) {
    case 'rate':
      return `${ratedWords(reading.rate)}, ${restsOnWords(reading)}`;
    case 'either':
      return doubtWords(reading.doubt, reading.rates);
    case 'not-sure':
      return noRateWords(reading.reason);
  }
}
