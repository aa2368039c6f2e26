import type { Circuit } from '../model/vehicle/circuit.ts';

/** What is drawn of a circuit, and of it by the repeaters, which a relay may not count, A. */
export interface Drawn {
  circuit: Circuit;
  amps: number;
  repeaterAmps: number;
}

/** How what flashes flashes; unsure where the threshold may lie on either side of what is drawn. */
export type FlashSeen = 'normal' | 'fast' | 'slow' | 'none' | 'unsure';

/** What one cell shows of a vehicle. */
export interface Outcome {
  /** light of each lamp while lit, lm */
  lumens: ReadonlyMap<string, number>;
  /** heat of the resistors at each lamp in the mean, W; only where it is waited for */
  watts: ReadonlyMap<string, number>;
  /** what is drawn, by circuit, of those that were asked about */
  drawn: ReadonlyMap<string, Drawn>;
  /** what flashes, with what it draws */
  flashing: readonly Drawn[];
  /** null where nothing flashes */
  flash: FlashSeen | null;
  /** how it flashes where too little is drawn */
  short: 'fast' | 'slow' | 'none';
  /** fuses that melt, and those that may, by a rating nobody has read */
  blown: ReadonlySet<string>;
  mayBlow: ReadonlySet<string>;
  /** circuits of which the dash says something, and those of which it may */
  messages: ReadonlySet<string>;
  maybe: ReadonlySet<string>;
}
