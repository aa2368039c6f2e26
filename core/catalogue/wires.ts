import { awgAreaMm2, COPPER_OHM_MM2_PER_M } from '../circuit/wire.ts';
import { commonPractice, fromMemory } from '../formatting/source.ts';
import type { Source } from '../model/source.ts';

/** A conductor size, metric or gauge. */
export interface WireSize {
  name: string;
  areaMm2: number;
  /** resistance of one metre at 20 °C, mΩ */
  milliohmsPerM: number;
  /** usual in lamp circuits for, common practice */
  use: string;
  source: Source;
}

const METRIC = fromMemory('IEC 60228 sizes, copper by IEC 60028');
const GAUGE = fromMemory('ASTM B258, copper by IEC 60028');
const sized = (name: string, areaMm2: number, use: string, source: Source): WireSize => ({
  name,
  areaMm2,
  milliohmsPerM: (1000 * COPPER_OHM_MM2_PER_M) / areaMm2,
  use,
  source,
});

export const WIRE_SIZES: readonly WireSize[] = [
  sized('0.5 mm²', 0.5, 'dash and panel lamps', METRIC),
  sized('0.75 mm²', 0.75, 'tail, plate, marker, repeater', METRIC),
  sized('1 mm²', 1, 'turn, stop and reverse of a car', METRIC),
  sized('1.5 mm²', 1.5, 'the same over longer runs, trailers', METRIC),
  sized('2.5 mm²', 2.5, 'fog lamps, headlamps, supply of a flasher', METRIC),
  ...([22, 20, 18, 16, 14, 12] as const).map((gauge) =>
    sized(
      `${gauge} AWG`,
      awgAreaMm2(gauge),
      {
        22: 'panel lamps',
        20: 'tail, marker',
        18: 'turn, stop, reverse',
        16: 'longer runs, trailers',
        14: 'fog lamps, headlamps',
        12: 'supplies',
      }[gauge],
      GAUGE,
    ),
  ),
];

/** A colour as wiring diagrams write it. */
export interface WireColour {
  code: string;
  name: string;
}

export const COLOUR_SOURCE = fromMemory('IEC 60757');
export const WIRE_COLOURS: readonly WireColour[] = [
  { code: 'BK', name: 'black' },
  { code: 'BN', name: 'brown' },
  { code: 'RD', name: 'red' },
  { code: 'OG', name: 'orange' },
  { code: 'YE', name: 'yellow' },
  { code: 'GN', name: 'green' },
  { code: 'BU', name: 'blue' },
  { code: 'VT', name: 'violet' },
  { code: 'GY', name: 'grey' },
  { code: 'WH', name: 'white' },
  { code: 'PK', name: 'pink' },
  { code: 'GNYE', name: 'green and yellow' },
];

/** What colours often mean on one kind of wiring: a hint, never proof. */
export interface ColourHabit {
  where: string;
  colour: string;
  means: string;
}

export const HABIT_SOURCE = commonPractice('common practice; the meter decides, least of all on imports');
export const COLOUR_HABITS: readonly ColourHabit[] = [
  { where: 'much North American wiring', colour: 'black', means: 'earth' },
  { where: 'much North American wiring', colour: 'brown', means: 'tail' },
  { where: 'much North American wiring', colour: 'yellow', means: 'left turn' },
  { where: 'much North American wiring', colour: 'green', means: 'right turn' },
  { where: 'much German wiring', colour: 'brown', means: 'earth' },
  { where: 'much German wiring', colour: 'black with white', means: 'left turn' },
  { where: 'much German wiring', colour: 'black with green', means: 'right turn' },
  { where: 'much German wiring', colour: 'grey', means: 'tail and position' },
];
