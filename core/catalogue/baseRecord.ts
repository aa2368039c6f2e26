import type { BaseId } from '../model/bulb.ts';
import type { Source } from '../model/source.ts';

export interface BaseRecord {
  id: BaseId;
  name: string;
  /** what an installer sees and feels */
  recognise: string;
  /** how it comes out of its holder; common practice */
  release: string;
  /** a bulb that goes in only one way cannot be turned round when an LED stays dark */
  reversible: boolean;
  /** made for two filaments */
  twin?: true;
  /** its sockets are wired in one of two ways, standard or CK, which no look at the bulb tells */
  ck?: true;
  /** a headlamp or fog capsule: its light must sit exactly where the filament did */
  capsule?: true;
  /** signal lamps have it, and some fog lamps too */
  fogToo?: true;
  source: Source;
}

/** How bulbs come out of their holders (common practice). */
export const RELEASE = {
  twist: 'Push in, turn 30 to 90° anticlockwise, draw out.',
  capsule: 'Unplug, ease the spring clip aside, draw out. Never touch the glass.',
  turnFoot: 'Unplug, turn the foot about 45° anticlockwise, draw out. Never touch the glass.',
  turnHolder: 'Unplug, turn the foot about a sixth of a turn anticlockwise, draw out.',
  pull: 'Draw straight out of the holder.',
} as const;
