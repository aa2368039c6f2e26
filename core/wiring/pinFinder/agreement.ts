import type { PinReading } from '../../model/evidence.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { OPEN_FROM_OHMS } from '../../simulation/meterAt.ts';
import type { Expected } from './expected.ts';

/** What was read, as far as it tells of a cavity. */
export type Read = Pick<PinReading, 'seen' | 'quantity' | 'lampId'>;

/** How often a reading is false: wrong cavity, slipped probe, wrong switch (assumed; one in ten). */
export const FALSE_SHARE = 0.1;
/** Below this a dial reads nothing, V. */
const NOTHING_VOLTS = 0.6;
/** Volts a false reading may be anywhere between, and the spread of a true one: supply and wires differ. */
const VOLTS_RANGE = 15;
const spreadOf = (volts: number) => 0.5 + 0.07 * Math.abs(volts);
/** Leads and contacts of a hand meter, ohms; spread of the logarithm of a true reading; of a false one its range. */
const LEAD_OHMS = 0.2;
const LOG_SPREAD = 0.3;
const LOG_RANGE = 11;

/**
 * How much better a reading agrees with what one function would give than with a reading that is simply false: above 1
 * speaks for the function, 0 rules it out. The share of readings that are false is put in by whoever joins them.
 */
export function agreement(expected: Expected, read: Read): number {
  if (expected === null) return 1;
  switch (expected.kind) {
    case 'volts':
      return voltsAgree(expected, read);
    case 'ohms':
      return ohmsAgree(expected.ohms, read);
    case 'light':
      return lightAgrees(expected, read);
  }
}

function voltsAgree({ volts, flashes }: Expected & { kind: 'volts' }, { seen, quantity }: Read): number {
  const kinds = 3;
  const shown = quantity?.value;
  if (seen === 'bouncing') return flashes ? kinds : 0;
  if (flashes) return 0;
  const nothing = Math.abs(volts) < NOTHING_VOLTS;
  const figure = shown ?? (seen === 'nothing' ? 0 : undefined);
  if (figure === undefined) return seen === 'steady' && !nothing ? kinds : 0;
  if (Math.abs(figure) < NOTHING_VOLTS)
    return nothing ? kinds : bell(figure - volts, spreadOf(volts)) * kinds;
  return nothing ? 0 : bell(figure - volts, spreadOf(volts)) * VOLTS_RANGE * kinds * 0.5;
}

function ohmsAgree(ohms: number, { seen, quantity }: Read): number {
  const shown = quantity?.value;
  const open = seen === 'open' || (shown !== undefined && shown > OPEN_FROM_OHMS);
  if (open || shown === undefined) return ohms === Number.POSITIVE_INFINITY && open ? 2 : 0;
  if (ohms === Number.POSITIVE_INFINITY) return 0;
  const apart = Math.log(shown + LEAD_OHMS) - Math.log(ohms + LEAD_OHMS);
  return bell(apart, LOG_SPREAD) * LOG_RANGE * 2 * 0.5;
}

function lightAgrees({ bright, dim }: Expected & { kind: 'light' }, { seen, lampId }: Read): number {
  const kinds = 3;
  const lamps = seen === 'lit-bright' ? bright : seen === 'lit-dim' ? dim : [];
  if (seen === 'dark' || seen === 'nothing') return bright.length + dim.length === 0 ? kinds : 0;
  return lamps.length > 0 && (lampId === undefined || lamps.includes(lampId)) ? kinds : 0;
}

/** The reading a function gives when nothing goes wrong; null where nobody can say. */
export function readingOf(expected: Expected): Read | null {
  if (expected === null) return null;
  switch (expected.kind) {
    case 'volts':
      if (expected.flashes) return { seen: 'bouncing' };
      return Math.abs(expected.volts) < NOTHING_VOLTS
        ? { seen: 'nothing' }
        : { seen: 'steady', quantity: { value: expected.volts, unit: 'V', uncertainty: null } };
    case 'ohms':
      return expected.ohms === Number.POSITIVE_INFINITY
        ? { seen: 'open' }
        : { seen: 'steady', quantity: { value: expected.ohms, unit: 'Ω', uncertainty: null } };
    case 'light': {
      const [bright] = expected.bright;
      const [dim] = expected.dim;
      if (bright !== undefined) return { seen: 'lit-bright', lampId: bright };
      return dim !== undefined ? { seen: 'lit-dim', lampId: dim } : { seen: 'dark' };
    }
  }
}

/**
 * `12.3 V`, `bouncing`, `open`: a reading in words.
 *
 * @param vehicle whose lamps are called by their names
 */
export function readWords({ seen, quantity, lampId }: Read, vehicle?: Pick<Vehicle, 'lamps'>): string {
  if (quantity?.unit === 'V') return `${quantity.value.toFixed(1)} V`;
  if (quantity) return `${quantity.value < 10 ? quantity.value.toFixed(1) : Math.round(quantity.value)} Ω`;
  const lamp = vehicle?.lamps.find(({ id }) => id === lampId)?.name ?? lampId ?? 'a lamp';
  const words: Record<Read['seen'], string> = {
    steady: 'steady volts',
    bouncing: 'bouncing with the flash',
    nothing: 'nothing',
    open: 'open, no ohms',
    'lit-bright': `${lamp} lit bright`,
    'lit-dim': `${lamp} lit dim`,
    dark: 'dark',
  };
  return words[seen];
}

/** Height of a bell curve of unit area. */
function bell(apart: number, spread: number): number {
  return Math.exp(-0.5 * (apart / spread) ** 2) / (spread * Math.sqrt(2 * Math.PI));
}
