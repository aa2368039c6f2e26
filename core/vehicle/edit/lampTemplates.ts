// Longer than 300 lines: a table of every kind of lamp.
import { bulbById } from '../../catalogue/bulbs.ts';
import type { SystemVolts } from '../../model/fields.ts';
import type { CircuitKind, WorkedBy } from '../../model/vehicle/circuit.ts';
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
  'daytime-running',
  'daytime-position',
  'cornering',
  'rear-marker',
  'end-outline-front',
  'end-outline-rear',
  'work',
  'beacon',
  'interior',
  'map',
  'footwell',
  'door',
  'puddle',
  'boot',
  'glove-box',
  'vanity',
  'load-area',
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
const inside = (workedBy: WorkedBy): LampFunction[] => [
  { kind: 'interior', input: 'main', ...(workedBy === 'door' ? {} : { workedBy }) },
];
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
  'daytime-running': {
    name: 'Daytime running',
    end: 'front',
    role: 'main',
    works: main('daytime-running'),
    at: [0.25, 0.02],
    lead: 1.5,
    areaMm2: 0.75,
    lens: clear,
    bulb: (o) => (us(o) ? (wedges(o) ? '3156' : '1156') : 'P21W'),
  },
  'daytime-position': {
    name: 'Daytime running',
    listed: 'Daytime running, position lamp too',
    end: 'front',
    role: 'main',
    works: [
      { kind: 'daytime-running', input: 'main' },
      { kind: 'tail', input: 'dim' },
    ],
    at: [0.25, 0.02],
    lead: 1.5,
    areaMm2: 0.75,
    lens: clear,
    bulb: (o) => (us(o) ? (wedges(o) ? '3157' : '1157') : o.year >= 2009 ? 'W21-5W' : 'P21-5W'),
  },
  cornering: {
    name: 'Cornering',
    end: 'front',
    role: 'main',
    works: main('cornering'),
    at: [0.1, 0.015],
    lead: 1.5,
    areaMm2: 1,
    lens: clear,
    bulb: (o) => (us(o) ? (wedges(o) ? '3156' : '1156') : o.year >= 2005 ? 'H11' : 'P21W'),
  },
  'rear-marker': {
    name: 'Rear marker',
    end: 'rear',
    role: 'main',
    works: main('marker'),
    at: [0.06, 0.93],
    lead: 4,
    areaMm2: 0.75,
    lens: red,
    bulb: (o) => (us(o) ? '194' : 'R5W'),
  },
  'end-outline-front': {
    name: 'End-outline front',
    end: 'front',
    role: 'main',
    works: main('marker'),
    at: [0.04, 0.015],
    lead: 3,
    areaMm2: 0.75,
    lens: (o) => (us(o) ? 'amber' : 'clear'),
    bulb: (o) => (us(o) ? '194' : 'R5W'),
  },
  'end-outline-rear': {
    name: 'End-outline rear',
    end: 'rear',
    role: 'main',
    works: main('marker'),
    at: [0.04, 0.99],
    lead: 5,
    areaMm2: 0.75,
    lens: red,
    bulb: (o) => (us(o) ? '194' : 'R5W'),
  },
  work: {
    name: 'Work lamp',
    end: 'rear',
    role: 'main',
    works: main('work'),
    at: [0.3, 0.9],
    lead: 3,
    areaMm2: 1.5,
    lens: clear,
    bulb: () => 'H3',
  },
  beacon: {
    name: 'Beacon',
    end: 'side',
    role: 'main',
    works: main('beacon'),
    at: [0.5, 0.35],
    lead: 3,
    areaMm2: 1,
    lens: () => 'amber',
    bulb: () => 'H1',
  },
  map: {
    name: 'Map',
    end: 'inside',
    role: 'main',
    works: inside('lamp-switch'),
    at: [0.42, 0.34],
    lead: 1.5,
    areaMm2: 0.5,
    lens: clear,
    bulb: (o) => (us(o) ? '194' : 'W5W'),
  },
  footwell: {
    name: 'Footwell',
    end: 'inside',
    role: 'main',
    works: inside('door'),
    at: [0.3, 0.27],
    lead: 1.5,
    areaMm2: 0.5,
    lens: clear,
    bulb: (o) => (us(o) ? '194' : 'W5W'),
  },
  door: {
    name: 'Door',
    listed: 'Door, in its edge or pocket',
    end: 'inside',
    role: 'main',
    works: inside('door'),
    at: [0.1, 0.42],
    lead: 2,
    areaMm2: 0.5,
    lens: clear,
    bulb: (o) => (us(o) ? '194' : 'W5W'),
  },
  puddle: {
    name: 'Mirror puddle',
    end: 'side',
    role: 'main',
    works: inside('door'),
    at: [0.01, 0.29],
    lead: 2,
    areaMm2: 0.5,
    lens: clear,
    bulb: (o) => (us(o) ? '194' : 'W5W'),
  },
  boot: {
    name: 'Boot',
    end: 'inside',
    role: 'main',
    works: inside('lid'),
    at: [0.5, 0.86],
    lead: 4,
    areaMm2: 0.5,
    lens: clear,
    bulb: (o) => (us(o) ? '194' : 'C5W'),
  },
  'glove-box': {
    name: 'Glove box',
    end: 'inside',
    role: 'main',
    works: inside('lid'),
    at: [0.68, 0.25],
    lead: 1,
    areaMm2: 0.5,
    lens: clear,
    bulb: (o) => (us(o) ? '194' : 'W5W'),
  },
  vanity: {
    name: 'Vanity',
    end: 'inside',
    role: 'main',
    works: inside('lid'),
    at: [0.34, 0.32],
    lead: 1.5,
    areaMm2: 0.5,
    lens: clear,
    bulb: (o) => (us(o) ? '74' : 'C5W'),
  },
  'load-area': {
    name: 'Load area',
    end: 'inside',
    role: 'main',
    works: inside('lamp-switch'),
    at: [0.5, 0.7],
    lead: 4,
    areaMm2: 0.75,
    lens: clear,
    bulb: (o) => (us(o) ? '578' : 'C5W'),
  },
  interior: {
    name: 'Interior',
    listed: 'Interior, on the door contacts (dome)',
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
  'W21-5W': 'P21-5W-24V',
};
