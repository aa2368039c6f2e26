import { readClicks } from './clicks.ts';
import { type About, readLevels } from './levels.ts';
import type { Sound } from './onsets.ts';
import type { FlashReading } from './reading.ts';
import type { Series } from './series.ts';
import { readTaps } from './taps.ts';

/** Anything a flash rate is read from, live or from a file. */
export type Recording =
  | { kind: 'taps'; seconds: readonly number[] }
  | { kind: 'sound'; sound: Sound }
  | { kind: 'levels'; series: Series };

/** The one way a flash rate is read, whatever it was recorded with. */
export function readFlash(recording: Recording, about: About): FlashReading {
  switch (recording.kind) {
    case 'taps':
      return readTaps(recording.seconds);
    case 'sound':
      return readClicks(recording.sound);
    case 'levels':
      return readLevels(recording.series, about);
  }
}
