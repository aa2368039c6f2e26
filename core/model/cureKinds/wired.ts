import type { DecoderPart } from '../part.ts';

/** What a cure puts into the vehicle's wiring; the simulation knows these and no cure. */
export type Wired =
  /** a block plugged in before what is in a lamp's socket */
  | { kind: 'before-lamp'; lampId: string; part: DecoderPart }
  /** a resistor from a circuit's wire to earth, Ω */
  | { kind: 'feed-to-earth'; circuitId: string; ohms: number }
  /** a diode from each side to the pilot, its other end on earth */
  | { kind: 'diodes-to-pilot' };
