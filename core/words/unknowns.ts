import { inARow } from '../formatting/format.ts';
import type { Unknown } from '../judge/unknowns.ts';
import { LOOK_WORDS } from './looks.ts';

/** What was seen fits no way a vehicle may be. */
export const FITS_NONE =
  'What was seen fits no way this vehicle is likely to be. A dead bulb on that side, a bad earth, or another bulb than the one said would explain it: look again with the stock bulbs in.';

/** One sentence: what nobody has looked at, and what to do about it. */
export function unknownWords(unknown: Unknown): string {
  switch (unknown.what) {
    case 'repeaters-watched':
      return 'Whether the relay watches the side repeaters is not known: pull one repeater bulb and see if the flash changes.';
    case 'bulbs-not-seen':
      return `Nobody has read the bulb in ${inARow(unknown.lamps)}; bulbs that interchange there draw differently. The number on the cap narrows the band.`;
    case 'flasher-not-seen':
      return `Nobody has looked what flashes it; it is drawn with a ${unknown.flasher}. Hazard on: a click under the dash is a relay, silence mostly a controller.`;
    case 'outputs-not-seen':
      return `Nobody has looked whether each corner hangs on an output of its own, where a load at the rear does nothing for the front. ${LOOK_WORDS.outputs.inShort}`;
    case 'daytime-not-seen':
      return 'Nobody has looked whether the daytime running lamps are dimmed by pulses, with the lights on or while their side turns: switch the lights on, then the turn signal, and see whether they go dark, dimmer, or stay.';
    case 'pulses-not-seen':
      return `Nobody has looked whether ${inARow(unknown.circuits)} ${unknown.circuits.length > 1 ? 'are' : 'is'} pulsed, tested while off, or leaked to: an LED may flicker or glow where a filament did not. Fit one, sweep your eyes past it lit, and look at it off in the dark; say it in the watch map.`;
    case 'sockets-not-seen':
      return `Nobody has looked how the twin sockets of ${inARow(unknown.lamps)} are wired: earth contacts on opposite corners are standard, on one side CK, where an LED made for the other shorts the parking feed.`;
    case 'works-not-measured':
      return `Nobody has measured what the LEDs from the works draw at ${inARow(unknown.lamps)}: lay a clamp round the feed with that function on, and say it in Identify.`;
    case 'fault-wire-not-seen':
      return `Nobody has looked whether the LEDs from the works at ${inARow(unknown.lamps)} tell of a failure over a wire of their own: a cavity of the plug that is neither feed nor earth.`;
    case 'repeaters-assumed':
      return 'Whether it has side repeaters nobody has said: look at the wings with hazard on.';
    case 'pilot-assumed':
      return 'Whether one pilot lamp serves both sides nobody has said: one green lamp in the dash, or one for each side?';
    case 'fuse-not-read':
      return `Nobody has read what is printed on the ${inARow(unknown.fuses)}, and it decides: read it, and say it in Identify.`;
    case 'trials-contradict':
      return FITS_NONE;
  }
}
