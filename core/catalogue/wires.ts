import { COPPER_OHM_MM2_PER_M } from '../circuit/wire.ts';
import { commonPractice, fromMemory } from '../formatting/source.ts';
import { gaugeMm2 } from '../formatting/units.ts';
import type { Source } from '../model/source.ts';
import type { ColourCode } from '../model/vehicle/connector.ts';

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
      gaugeMm2(gauge),
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
  code: ColourCode;
  name: string;
  /** how it is drawn, sRGB (typical insulation) */
  hex: string;
}

export const COLOUR_SOURCE = fromMemory('IEC 60757');
export const WIRE_COLOURS: readonly WireColour[] = [
  { code: 'BK', name: 'black', hex: '#1b1d20' },
  { code: 'BN', name: 'brown', hex: '#7a4a28' },
  { code: 'RD', name: 'red', hex: '#c8281e' },
  { code: 'OG', name: 'orange', hex: '#ee7d1b' },
  { code: 'YE', name: 'yellow', hex: '#f2c230' },
  { code: 'GN', name: 'green', hex: '#1f9d55' },
  { code: 'BU', name: 'blue', hex: '#2563b8' },
  { code: 'VT', name: 'violet', hex: '#7b4bb0' },
  { code: 'GY', name: 'grey', hex: '#8b949b' },
  { code: 'WH', name: 'white', hex: '#f6f6f2' },
  { code: 'PK', name: 'pink', hex: '#ec9bb4' },
  { code: 'GNYE', name: 'green and yellow', hex: '#7fb23a' },
];

/** How a wire colour is drawn, sRGB hexadecimal. */
export function wireHex(code: ColourCode): string {
  return WIRE_COLOURS.find((colour) => colour.code === code)?.hex ?? 'none';
}

/** What colours often mean on one kind of wiring: a hint, never proof. */
export interface ColourHabit {
  where: string;
  /** the market whose vehicles mostly have it */
  region: 'UN' | 'US';
  colour: string;
  base: ColourCode;
  tracer?: ColourCode;
  means: string;
  does: { kind: 'earth' } | { kind: 'turn' | 'tail'; side?: 'left' | 'right' };
}

const american = { where: 'much North American wiring', region: 'US' } as const;
const german = { where: 'much German wiring', region: 'UN' } as const;
const left = { kind: 'turn', side: 'left' } as const;
const right = { kind: 'turn', side: 'right' } as const;

export const HABIT_SOURCE = commonPractice('common practice; the meter decides, least of all on imports');
export const COLOUR_HABITS: readonly ColourHabit[] = [
  { ...american, colour: 'black', base: 'BK', means: 'earth', does: { kind: 'earth' } },
  { ...american, colour: 'brown', base: 'BN', means: 'tail', does: { kind: 'tail' } },
  { ...american, colour: 'yellow', base: 'YE', means: 'left turn', does: left },
  { ...american, colour: 'green', base: 'GN', means: 'right turn', does: right },
  { ...german, colour: 'brown', base: 'BN', means: 'earth', does: { kind: 'earth' } },
  { ...german, colour: 'black with white', base: 'BK', tracer: 'WH', means: 'left turn', does: left },
  { ...german, colour: 'black with green', base: 'BK', tracer: 'GN', means: 'right turn', does: right },
  { ...german, colour: 'grey', base: 'GY', means: 'tail and position', does: { kind: 'tail' } },
];
