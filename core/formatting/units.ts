/**
 * Units as somebody reads and types them. Everything is stored in millimetres, square millimetres, metres, degrees Celsius and
 * lux; here alone it is written in another unit, and read back from whichever was typed.
 */
export interface Units {
  length: 'mm' | 'in';
  wire: 'mm2' | 'awg';
  temperature: 'C' | 'F';
  distance: 'm' | 'ft';
  light: 'lx' | 'fc';
}

export const METRIC: Units = { length: 'mm', wire: 'mm2', temperature: 'C', distance: 'm', light: 'lx' };
export const IMPERIAL: Units = { length: 'in', wire: 'awg', temperature: 'F', distance: 'ft', light: 'fc' };

let current: Units = METRIC;

/** Has everything written in these units from now on: like a language, they are those of whoever reads. */
export function setUnits(units: Units): void {
  current = units;
}

/** The units everything is written in now. */
export function unitsNow(): Units {
  return current;
}

/** What a quantity is of. */
export type Quantity = 'length' | 'wire' | 'temperature' | 'distance' | 'light';

export const MM_PER_INCH = 25.4;
const M_PER_FOOT = 0.3048;
export const LUX_PER_FOOT_CANDLE = 10.763_910_4;

/** The name of the unit a quantity is written in now: `mm`, `in`, `AWG`. */
export function unitOf(quantity: Quantity): string {
  switch (quantity) {
    case 'length':
      return current.length;
    case 'wire':
      return current.wire === 'mm2' ? 'mm²' : 'AWG';
    case 'temperature':
      return `°${current.temperature}`;
    case 'distance':
      return current.distance;
    case 'light':
      return current.light;
  }
}

/** A figure without zeros nobody needs. */
function figure(value: number, digits: number): string {
  return String(Number(value.toFixed(digits)));
}

/** A length in mm as `43 mm` or `1.69 in`. */
export function length(mm: number): string {
  return `${lengthFigure(mm)} ${current.length}`;
}

/** The same without its unit, for a row whose unit comes once. */
export function lengthFigure(mm: number): string {
  if (current.length === 'mm') return figure(mm, 1);
  const inches = mm / MM_PER_INCH;
  return figure(inches, Math.abs(inches) < 0.1 ? 3 : 2);
}

/** A distance in m as `2.4 m` or `7.9 ft`. */
export function distance(metres: number, digits = 2): string {
  return current.distance === 'm'
    ? `${figure(metres, digits)} m`
    : `${figure(metres / M_PER_FOOT, Math.max(1, digits - 1))} ft`;
}

/** A temperature in °C as `85 °C` or `185 °F`, to the degree. */
export function temperature(celsius: number): string {
  return `${Math.round(current.temperature === 'C' ? celsius : fahrenheit(celsius))} °${current.temperature}`;
}

/** A temperature in °C as a figure alone, for an axis whose unit stands at its end. */
export function degrees(celsius: number): string {
  return String(Math.round(current.temperature === 'C' ? celsius : fahrenheit(celsius)));
}

/** A speed in km/h as `100 km/h`, or in miles an hour where distances are in feet. */
export function roadSpeed(kilometresPerHour: number): string {
  return current.distance === 'm'
    ? `${kilometresPerHour} km/h`
    : `${Math.round(kilometresPerHour / 1.609344)} mph`;
}

/** A light in lx as `240 lx` or `22.3 fc`, three digits. */
export function illuminance(lux: number): string {
  const value = current.light === 'lx' ? lux : lux / LUX_PER_FOOT_CANDLE;
  return `${Number(value.toPrecision(3))} ${current.light}`;
}

/** A length in cm for what is read off a wall: `7 cm` or `2.8 in`. */
export function centimetres(metres: number): string {
  return current.length === 'mm'
    ? `${(metres * 100).toFixed(0)} cm`
    : `${figure((metres * 1000) / MM_PER_INCH, 1)} in`;
}

/** Gauges a workshop has. */
const GAUGES = [24, 22, 20, 18, 16, 14, 12, 10, 8, 6, 4, 2] as const;
/** A gauge may have so much less copper than the metric size it stands for, share. */
const LESS_COPPER = 0.03;

/** Copper of an American wire gauge, mm² (ASTM B258: 0.127 mm × 92^((36 − n) / 39) across). */
export function gaugeMm2(gauge: number): number {
  return (Math.PI / 4) * (0.127 * 92 ** ((36 - gauge) / 39)) ** 2;
}

/** A wire in mm² as `0.75 mm²`, or as the thinnest gauge that has as much copper: `18 AWG`. */
export function wire(areaMm2: number): string {
  if (current.wire === 'mm2') return `${figure(areaMm2, 2)} mm²`;
  return `${gaugeFor(areaMm2)} AWG`;
}

/** The number of the thinnest gauge with as much copper, a count by AWG; the thickest there is of more. */
export function gaugeFor(areaMm2: number): number {
  return GAUGES.find((gauge) => gaugeMm2(gauge) >= (1 - LESS_COPPER) * areaMm2) ?? 2;
}

function fahrenheit(celsius: number): number {
  return (celsius * 9) / 5 + 32;
}

/** A quantity in its stored unit, as text for a field: without its unit. */
export function fieldText(quantity: Quantity, stored: number): string {
  switch (quantity) {
    case 'length':
      return current.length === 'mm' ? figure(stored, 1) : figure(stored / MM_PER_INCH, 3);
    case 'wire':
      return current.wire === 'mm2' ? figure(stored, 2) : String(gaugeFor(stored));
    case 'temperature':
      return figure(current.temperature === 'C' ? stored : fahrenheit(stored), 1);
    case 'distance':
      return figure(current.distance === 'm' ? stored : stored / M_PER_FOOT, 2);
    case 'light':
      return String(Number((current.light === 'lx' ? stored : stored / LUX_PER_FOOT_CANDLE).toPrecision(4)));
  }
}

/** Units somebody may type behind a figure, and what they come to in the stored one. */
const TYPED: Record<Quantity, Readonly<Record<string, (value: number) => number>>> = {
  length: {
    mm: (value) => value,
    cm: (value) => value * 10,
    m: (value) => value * 1000,
    in: (value) => value * MM_PER_INCH,
    inch: (value) => value * MM_PER_INCH,
    inches: (value) => value * MM_PER_INCH,
    '"': (value) => value * MM_PER_INCH,
    '”': (value) => value * MM_PER_INCH,
    ft: (value) => value * M_PER_FOOT * 1000,
  },
  distance: {
    m: (value) => value,
    cm: (value) => value / 100,
    mm: (value) => value / 1000,
    ft: (value) => value * M_PER_FOOT,
    foot: (value) => value * M_PER_FOOT,
    feet: (value) => value * M_PER_FOOT,
    "'": (value) => value * M_PER_FOOT,
    in: (value) => (value * MM_PER_INCH) / 1000,
    '"': (value) => (value * MM_PER_INCH) / 1000,
  },
  wire: {
    'mm²': (value) => value,
    mm2: (value) => value,
    qmm: (value) => value,
    sqmm: (value) => value,
    awg: gaugeMm2,
    ga: gaugeMm2,
    gauge: gaugeMm2,
  },
  temperature: {
    '°c': (value) => value,
    c: (value) => value,
    '°f': (value) => ((value - 32) * 5) / 9,
    f: (value) => ((value - 32) * 5) / 9,
    k: (value) => value - 273.15,
  },
  light: {
    lx: (value) => value,
    lux: (value) => value,
    fc: (value) => value * LUX_PER_FOOT_CANDLE,
    ftc: (value) => value * LUX_PER_FOOT_CANDLE,
  },
};

/** `12`, `0,75`, `.5`, `3/8`, `1 3/8`, each with a sign before and a unit behind. */
const FIGURE = /^([+-])?\s*(?:(\d+)\s+)?(?:(\d+)\s*\/\s*(\d+)|(\d+[.,]\d*|[.,]?\d+))\s*([^\d\s].*)?$/;

/**
 * What somebody typed for a quantity, in its stored unit (mm, mm², m, °C, lx). A comma is a decimal comma; a figure without a
 * unit is in the unit things are written in now.
 *
 * @returns null where it is no such quantity
 */
export function readQuantity(quantity: Quantity, typed: string): number | null {
  const match = FIGURE.exec(typed.trim().replaceAll('−', '-'));
  if (!match) return null;
  const [, sign, whole, over, under, plain, unit] = match;
  if (whole !== undefined && over === undefined) return null;
  if (under !== undefined && Number(under) === 0) return null;
  const part = over === undefined ? Number(plain?.replace(',', '.')) : Number(over) / Number(under);
  const value = (sign === '-' ? -1 : 1) * (Number(whole ?? 0) + part);
  const named = (unit ?? unitOf(quantity)).trim().toLowerCase().replace(/\.$/, '');
  const inStored = TYPED[quantity][named];
  const stored = Number.isFinite(value) ? inStored?.(value) : undefined;
  return stored === undefined ? null : Number(stored.toPrecision(10));
}

const CHOICES: { readonly [K in keyof Units]: readonly Units[K][] } = {
  length: ['mm', 'in'],
  wire: ['mm2', 'awg'],
  temperature: ['C', 'F'],
  distance: ['m', 'ft'],
  light: ['lx', 'fc'],
};

/** Reads units that were kept, or named on a command line: what is none of the choices is metric. */
export function readUnits(raw: unknown): Units {
  const kept = (typeof raw === 'object' && raw !== null ? raw : {}) as Partial<Record<keyof Units, unknown>>;
  const pick = <K extends keyof Units>(key: K): Units[K] =>
    CHOICES[key].find((each) => each === kept[key]) ?? METRIC[key];
  return {
    length: pick('length'),
    wire: pick('wire'),
    temperature: pick('temperature'),
    distance: pick('distance'),
    light: pick('light'),
  };
}
