// Longer than 300 lines: a table of every kind of lamp.
import { bulbById } from '../../catalogue/bulbs.ts';
import type { SystemVolts } from '../../model/fields.ts';
import type { CircuitKind } from '../../model/vehicle/circuit.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import type { LampFunction } from './circuits.ts';

export const LAMP_TEMPLATES = [
  'front-turn',
  'front-turn-position',
  'repeater',
  'rear-turn',
  'stop-tail',
  'stop',
  'tail',
  'third-brake',
  'position',
  'reverse',
  'rear-fog',
  'front-fog',
  'dipped-beam',
  'main-beam',
  'plate',
  'marker',
  'marker-between',
  'interior',
  'turn-pilot',
  'dash',
  'charge',
] as const;
export type LampTemplateId = (typeof LAMP_TEMPLATES)[number];

/** What decides which bulb a lamp left the works with. */
export type Origins = Pick<Vehicle, 'region' | 'year' | 'systemVolts' | 'kind'>;

/** A lamp as vehicles usually have it: where it stands, what it does, what it takes. */
export interface LampTemplate {
  name: string;
  /** how it is offered, where another kind has the same name */
  listed?: string;
  end: Lamp['end'];
  role: Lamp['role'];
  works: readonly LampFunction[];
  /** whose feed its other contact hangs on, in place of earth */
  returnsTo?: CircuitKind;
  /** usual place of the left one, or of the only one */
  at: readonly [across: number, along: number];
  /** metres of lead from the branch of its feed, and its cross-section */
  lead: number;
  areaMm2: number;
  lens(origins: Origins): Lamp['lens'];
  /** catalogue ids at 12 V, the UN bulb and the US one; the same class is sought at 24 and 6 V */
  bulb(origins: Origins): string;
}

const main = (kind: LampFunction['kind']): LampFunction[] => [{ kind, input: 'main' }];
/** From about this year a clear front lens with an amber bulb behind it is usual (common practice). */
const CLEAR_LENS_YEAR = 1995;
/** From about this year US lamps take plastic wedges instead of bayonets (common practice). */
const WEDGE_YEAR = 1990;
const us = ({ region }: Origins) => region === 'US';
const wedges = (origins: Origins) => us(origins) && origins.year >= WEDGE_YEAR && origins.systemVolts === 12;
const clear = () => 'clear' as const;
const red = () => 'red' as const;

export const TEMPLATES: Record<LampTemplateId, LampTemplate> = {
  'front-turn': {
    name: 'Front turn',
    end: 'front',
    role: 'main',
    works: main('turn'),
    at: [0.08, 0.05],
    lead: 1.5,
    areaMm2: 1,
    lens: ({ region, year }) => (region === 'UN' && year >= CLEAR_LENS_YEAR ? 'clear' : 'amber'),
    bulb: (o) => (us(o) ? (wedges(o) ? '3156' : '1156') : o.year >= CLEAR_LENS_YEAR ? 'PY21W' : 'P21W'),
  },
  'front-turn-position': {
    name: 'Front turn',
    listed: 'Front turn, position lamp too',
    end: 'front',
    role: 'main',
    works: [
      { kind: 'turn', input: 'main' },
      { kind: 'tail', input: 'dim' },
    ],
    at: [0.08, 0.05],
    lead: 1.5,
    areaMm2: 1,
    lens: () => 'amber',
    bulb: (o) => (us(o) ? (wedges(o) ? '3157' : '1157') : 'P21-5W'),
  },
  repeater: {
    name: 'Repeater',
    end: 'side',
    role: 'repeater',
    works: main('turn'),
    at: [0.03, 0.22],
    lead: 1.5,
    areaMm2: 0.75,
    lens: () => 'amber',
    bulb: (o) => (us(o) ? '194' : 'W5W'),
  },
  'rear-turn': {
    name: 'Rear turn',
    end: 'rear',
    role: 'main',
    works: main('turn'),
    at: [0.08, 0.965],
    lead: 4,
    areaMm2: 1,
    lens: () => 'amber',
    bulb: (o) => (us(o) ? (wedges(o) ? '3156' : '1156') : 'P21W'),
  },
  'stop-tail': {
    name: 'Stop and tail',
    end: 'rear',
    role: 'main',
    works: [
      { kind: 'stop', input: 'main' },
      { kind: 'tail', input: 'dim' },
    ],
    at: [0.2, 0.975],
    lead: 4,
    areaMm2: 1,
    lens: red,
    bulb: (o) => (us(o) ? (wedges(o) ? '3157' : '1157') : 'P21-5W'),
  },
  stop: {
    name: 'Stop',
    end: 'rear',
    role: 'main',
    works: main('stop'),
    at: [0.2, 0.975],
    lead: 4,
    areaMm2: 1,
    lens: red,
    bulb: (o) => (us(o) ? (wedges(o) ? '3156' : '1156') : 'P21W'),
  },
  tail: {
    name: 'Tail',
    end: 'rear',
    role: 'main',
    works: main('tail'),
    at: [0.3, 0.975],
    lead: 4,
    areaMm2: 0.75,
    lens: red,
    bulb: (o) => (us(o) ? '67' : 'R5W'),
  },
  'third-brake': {
    name: 'Third brake',
    end: 'rear',
    role: 'main',
    works: main('third-brake'),
    at: [0.5, 0.94],
    lead: 3,
    areaMm2: 0.75,
    lens: red,
    bulb: (o) => (us(o) ? '921' : 'W16W'),
  },
  position: {
    name: 'Position',
    end: 'front',
    role: 'main',
    works: main('tail'),
    at: [0.2, 0.03],
    lead: 1.5,
    areaMm2: 0.75,
    lens: clear,
    bulb: (o) => (us(o) ? '194' : o.year < 1985 || o.systemVolts === 24 ? 'T4W' : 'W5W'),
  },
  reverse: {
    name: 'Reverse',
    end: 'rear',
    role: 'main',
    works: main('reverse'),
    at: [0.32, 0.975],
    lead: 4,
    areaMm2: 1,
    lens: clear,
    bulb: (o) => (us(o) ? (wedges(o) ? '3156' : '1156') : 'P21W'),
  },
  'rear-fog': {
    name: 'Rear fog',
    end: 'rear',
    role: 'main',
    works: main('rear-fog'),
    at: [0.42, 0.98],
    lead: 4,
    areaMm2: 1,
    lens: red,
    bulb: (o) => (us(o) ? '1156' : 'P21W'),
  },
  'front-fog': {
    name: 'Front fog',
    end: 'front',
    role: 'main',
    works: main('front-fog'),
    at: [0.28, 0.015],
    lead: 1.5,
    areaMm2: 1.5,
    lens: clear,
    bulb: (o) => (o.year >= 2000 ? 'H11' : 'H3'),
  },
  'dipped-beam': {
    name: 'Dipped beam',
    end: 'front',
    role: 'main',
    works: main('dipped-beam'),
    at: [0.17, 0.04],
    lead: 1.5,
    areaMm2: 1.5,
    lens: clear,
    bulb: (o) => (o.year >= 1993 ? 'H7' : 'H1'),
  },
  'main-beam': {
    name: 'Main beam',
    end: 'front',
    role: 'main',
    works: main('main-beam'),
    at: [0.27, 0.035],
    lead: 1.5,
    areaMm2: 1.5,
    lens: clear,
    bulb: () => 'H1',
  },
  plate: {
    name: 'Plate',
    end: 'rear',
    role: 'main',
    works: main('plate'),
    at: [0.46, 0.95],
    lead: 4,
    areaMm2: 0.75,
    lens: clear,
    bulb: (o) => (us(o) ? '194' : o.kind === 'lorry' || o.kind === 'trailer' ? 'R5W' : 'C5W'),
  },
  marker: {
    name: 'Marker',
    end: 'side',
    role: 'main',
    works: main('marker'),
    at: [0.02, 0.55],
    lead: 2.5,
    areaMm2: 0.75,
    lens: () => 'amber',
    bulb: (o) => (us(o) ? '194' : 'W5W'),
  },
  'marker-between': {
    name: 'Side marker',
    listed: 'Side marker between turn and position feed',
    end: 'side',
    role: 'repeater',
    works: main('turn'),
    returnsTo: 'tail',
    at: [0.02, 0.12],
    lead: 1.5,
    areaMm2: 0.75,
    lens: () => 'amber',
    bulb: (o) => (us(o) ? '194' : 'W5W'),
  },
  interior: {
    name: 'Interior',
    end: 'inside',
    role: 'main',
    works: main('interior'),
    at: [0.5, 0.45],
    lead: 2,
    areaMm2: 0.75,
    lens: clear,
    bulb: (o) => (us(o) ? '578' : 'C5W'),
  },
  'turn-pilot': {
    name: 'Turn pilot',
    end: 'dash',
    role: 'repeater',
    works: main('turn'),
    at: [0.42, 0.24],
    lead: 0.5,
    areaMm2: 0.5,
    lens: () => 'green-film',
    bulb: (o) => (us(o) ? '74' : 'W1.2W'),
  },
  dash: {
    name: 'Dash lighting',
    end: 'dash',
    role: 'main',
    works: main('dash'),
    at: [0.4, 0.2],
    lead: 0.5,
    areaMm2: 0.5,
    lens: clear,
    bulb: (o) => (us(o) ? '74' : 'W1.2W'),
  },
  charge: {
    name: 'Charge lamp',
    end: 'dash',
    role: 'main',
    works: main('charge'),
    at: [0.55, 0.2],
    lead: 0.5,
    areaMm2: 0.5,
    lens: red,
    bulb: (o) => (us(o) ? '74' : 'W1.2W'),
  },
};

/** Bulbs that stand in at 6 V, where the catalogue knows trade numbers only. */
const SIX_VOLTS: Record<string, string> = {
  P21W: '1129',
  PY21W: '1129',
  '1156': '1129',
  'P21-5W': '1154',
  '1157': '1154',
};

/** The bulb a lamp of this kind left the works with, at this vehicle's volts. */
export function stockBulbFor(template: LampTemplateId, origins: Origins): string {
  const listed = TEMPLATES[template].bulb(origins);
  return atVolts(listed, origins.systemVolts);
}

function atVolts(bulbId: string, systemVolts: SystemVolts): string {
  if (systemVolts === 12) return bulbId;
  if (systemVolts === 6) return SIX_VOLTS[bulbId] ?? '63';
  for (const id of [`${bulbId}-24V`, TWENTY_FOUR[bulbId]]) if (id && bulbById(id)) return id;
  return 'R5W-24V';
}

/** What does the work at 24 V of a bulb that exists at 12 V only. */
const TWENTY_FOUR: Record<string, string> = {
  W16W: 'P21W-24V',
  'W1.2W': 'W1.2W-24V',
  '1156': 'P21W-24V',
  '3156': 'P21W-24V',
  '1157': 'P21-5W-24V',
  '3157': 'P21-5W-24V',
  '194': 'W5W-24V',
  '67': 'R5W-24V',
  '921': 'P21W-24V',
  '578': 'C5W-24V',
  '74': 'W1.2W-24V',
};
