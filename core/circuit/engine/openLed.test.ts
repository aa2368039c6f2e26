import { describe, expect, it } from 'vitest';
import { bulbById } from '../../catalogue/bulbs.ts';
import type { Bulb } from '../../model/bulb.ts';
import type { LedPart } from '../../model/part.ts';
import { genericLed } from '../../quick/genericLed.ts';
import { Circuit } from './circuit.ts';
import { ledElements } from './ledElements.ts';
import { EARTH } from './netlist.ts';
import { isOpen, possibleLeds } from './openLed.ts';
import { twinLedElements } from './twinLedElements.ts';

const P21W = bulbById('P21W') as Bulb;
const TWIN = bulbById('P21-5W') as Bulb;
const unknown = genericLed({ kind: 'unknown', watts: null, forVolts: null }, P21W, 12, 'amber');

/** Current of a bulb at a voltage, all its feeds together. */
function amps(part: LedPart, volts: number): number {
  const inside = part.twin
    ? twinLedElements(part, 'led', 'feed', 'dim', EARTH, 'bright')
    : ledElements(part, 'led', 'feed', EARTH);
  const circuit = new Circuit({
    title: 'bench',
    elements: [
      { kind: 'battery', id: 'bench', a: 'feed', b: EARTH, volts, ohms: 1e-4 },
      { kind: 'resistor', id: 'floating', a: 'dim', b: EARTH, ohms: 1e6 },
      ...inside,
    ],
  });
  circuit.solveSteady();
  return -circuit.amps('bench');
}

describe('an LED of which not all is known', () => {
  it('is itself alone where all is', () => {
    const { open: _, ...known } = unknown;
    expect(isOpen(known)).toBe(false);
    expect(possibleLeds(known)).toEqual([known]);
  });

  it('is every driver, at its least, as listed and at its most', () => {
    const ways = possibleLeds(unknown);
    expect(new Set(ways.map((each) => each.ballast.kind)).size).toBe(3);
    expect(ways).toHaveLength(9);
    expect(ways.every((each) => each.open === undefined)).toBe(true);
    expect(Math.min(...ways.map((each) => each.watts))).toBe(1.5);
    // 8 W of LED and 10 Ω beside it at 12.8 V.
    expect(Math.max(...ways.map((each) => each.watts))).toBeCloseTo(8 + 12.8 ** 2 / 10, 9);
  });

  it.each([11, 12.6, 14.4])('draws no less and no more than those, whatever it is, at %f V', (volts) => {
    const drawn = possibleLeds(unknown).map((each) => amps(each, volts));
    const { open: _, ...plain } = unknown;
    for (const watts of [1.5, 2.7, 5, 8])
      for (const ohms of [undefined, 50, 25, 10]) {
        const load = ohms === undefined ? {} : { builtInLoadOhms: ohms };
        const one = { ...plain, ...load, watts: watts + (ohms ? 12.8 ** 2 / ohms : 0) };
        const now = amps(one, volts);
        expect(now).toBeGreaterThanOrEqual(Math.min(...drawn) - 1e-9);
        expect(now).toBeLessThanOrEqual(Math.max(...drawn) + 1e-9);
      }
  });

  it('is every topology of a twin bulb', () => {
    const twin = genericLed({ kind: 'plain', watts: 3, forVolts: null }, TWIN, 12, 'red');
    expect(new Set(possibleLeds(twin).map((each) => each.twin?.topology)).size).toBe(3);
  });
});

describe('a load inside a twin bulb', () => {
  it('draws its share of the printed watts at the bright feed', () => {
    const base = genericLed({ kind: 'plain', watts: 3, forVolts: null }, TWIN, 12, 'red');
    const { open: _, ...plain } = base;
    const known: LedPart = { ...plain, twin: { topology: 'own-resistors', dimWatts: 0.5 } };
    const loaded = { ...known, watts: 3 + 12.8 ** 2 / 25, builtInLoadOhms: 25 };
    expect(amps(loaded, 12.8) - amps(known, 12.8)).toBeCloseTo(12.8 / 25, 2);
    expect(amps(loaded, 12.8)).toBeCloseTo(loaded.watts / 12.8, 1);
    expect(() => amps({ ...loaded, watts: 6 }, 12.8)).toThrow(/built-in load alone/);
  });
});
