/** Speed of the flash meter: a relay heard for twelve seconds, a lamp filmed for ten, a feed logged with its pulses. */
import { readClicks } from '../../core/flashmeter/clicks.ts';
import { readLevels } from '../../core/flashmeter/levels.ts';
import { filmed, heard, logged } from '../../core/flashmeter/recordedForTests.ts';

const sound = heard(1, { perMinute: 90, flashes: 18 }).recording;
const film = filmed(1, { perMinute: 90, fps: 30, flashes: 15 }).recording;
const feed = logged(1, { perMinute: 90, flashes: 10, pulses: { hertz: 200, duty: 0.4 } }).recording;

export const recordingRows: readonly (readonly [what: string, run: () => unknown, calls: number])[] = [
  ['12 s of relay clicks at 8 kHz', () => readClicks(sound), 20],
  ['10 s of film at 30 frames a second', () => readLevels(film, { pulsed: false }), 20],
  ['7 s of a pulsed feed at 5 kHz', () => readLevels(feed, { pulsed: null }), 10],
];
