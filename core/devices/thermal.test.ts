import { describe, expect, it } from 'vitest';
import { bulbById, signalFilament } from '../catalogue/bulbs.ts';
import { EARTH, type Element, type Netlist } from '../circuit/engine/netlist.ts';
import { Transient } from '../circuit/engine/transient.ts';
import { thermalFlasher } from './thermal.ts';

const P21W = bulbById('P21W');
if (!P21W) throw new Error('P21W');
const RATING = { ratedAmps: 3.5, ratePerMinute: 85, onFraction: 0.5, contactOhms: 0.05 };

function withLoads(volts: number, ...loads: Element[]): Netlist {
  return {
    title: 'thermal flasher',
    elements: [
      { kind: 'battery', id: 'battery', a: 'plus', b: EARTH, volts, ohms: 0.03 },
      thermalFlasher(RATING, 'flasher', 'plus', 'lamps'),
      { kind: 'resistor', id: 'leak', a: 'lamps', b: EARTH, ohms: 1e6 },
      ...loads,
    ],
  };
}

const bulb = (id: string): Element => ({
  kind: 'filament',
  id,
  a: 'lamps',
  b: EARTH,
  rating: signalFilament(P21W),
});
const resistor = (ohms: number): Element => ({ kind: 'resistor', id: 'r', a: 'lamps', b: EARTH, ohms });

/** Moments at which the contact closes and opens, s. */
function edges(netlist: Netlist, seconds: number): { closes: number[]; opens: number[] } {
  const found = { closes: [] as number[], opens: [] as number[] };
  let closed = true;
  const run = new Transient(
    netlist,
    {},
    {
      record: (now, circuit) => {
        const is = circuit.branch('flasher').closed ?? false;
        if (is !== closed) (is ? found.closes : found.opens).push(now);
        closed = is;
      },
    },
  );
  run.advanceTo(seconds);
  return found;
}

/** Settled flashes a minute, or 0 where it stays on. */
function rate(netlist: Netlist): number {
  const { closes } = edges(netlist, 12);
  if (closes.length < 5) return 0;
  const last = closes.slice(-4);
  return 180 / ((last.at(-1) ?? 0) - (last[0] ?? 0));
}

describe('a thermal flasher', () => {
  it('runs as rated on a steady load of its rated current', () => {
    const netlist = withLoads(12, resistor(12 / 3.5 - 0.08));
    expect(rate(netlist)).toBeGreaterThan(84);
    expect(rate(netlist)).toBeLessThan(86);
    const { closes, opens } = edges(netlist, 12);
    const period = (closes.at(-1) ?? 0) - (closes.at(-2) ?? 0);
    expect((((opens.at(-1) ?? 0) - (closes.at(-2) ?? 0)) / period) % 1).toBeCloseTo(0.5, 1);
  });

  it('slows as the load falls and then stays on: one bulb of two is too little', () => {
    const rates = [2.9, 3.2, 3.5, 4].map((amps) => rate(withLoads(12, resistor(12 / amps - 0.08))));
    expect(rates).toEqual(rates.toSorted((a, b) => a - b));
    expect(rate(withLoads(12.6, bulb('a'), bulb('b')))).toBeGreaterThan(70);
    expect(rate(withLoads(12.6, bulb('a')))).toBe(0);
    expect(edges(withLoads(12.6, bulb('a')), 12).opens.length).toBeLessThanOrEqual(1);
  });

  it('stays on with LEDs alone', () => {
    expect(rate(withLoads(12.6, resistor(50)))).toBe(0);
  });

  it('refuses a rating that cannot be', () => {
    expect(() => thermalFlasher({ ...RATING, onFraction: 1 }, 'f', 'a', 'b')).toThrow(RangeError);
  });
});
