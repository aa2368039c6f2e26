import { describe, expect, it } from 'vitest';
import type { LedPart } from '../../model/part.ts';
import { Circuit } from './circuit.ts';
import { ledElements } from './ledElements.ts';
import { EARTH } from './netlist.ts';

const base: LedPart = {
  id: 'led-1',
  kind: 'led',
  code: 'T-1',
  name: 'test LED',
  price: 1,
  stock: 1,
  bases: ['BA15s'],
  colour: 'amber',
  watts: 3,
  atVolts: 12.8,
  supplyRange: [10, 16],
  polarity: 'either',
  ballast: { kind: 'series-resistor', forwardVolts: 6.6 },
  lumens: 250,
  lengthMm: 40,
  diameterMm: 18,
};

/** Current into an LED bulb at a voltage across its contacts; `reversed` puts it in the wrong way round. */
function amps(part: LedPart, volts: number, reversed = false): number {
  const [plus, minus] = reversed ? [EARTH, 'feed'] : ['feed', EARTH];
  const circuit = new Circuit({
    title: 'bench',
    elements: [
      { kind: 'battery', id: 'bench', a: 'feed', b: EARTH, volts, ohms: 1e-4 },
      ...ledElements(part, 'led', plus, minus),
    ],
  });
  circuit.solveSteady();
  return -circuit.amps('bench');
}

const BALLASTS = [
  { kind: 'series-resistor', forwardVolts: 6.6 },
  { kind: 'constant-current', forwardVolts: 6.6 },
  { kind: 'converter', startVolts: 8 },
] as const;

describe('an LED bulb from the inside', () => {
  it.each(BALLASTS)(
    'draws its printed watts at its printed volts, either polarity kind ($kind)',
    (ballast) => {
      for (const polarity of ['either', 'one-way'] as const) {
        expect(amps({ ...base, ballast, polarity }, 12.8) * 12.8).toBeCloseTo(3, 2);
      }
    },
  );

  it('sags fastest with a series resistor, hardly with constant current, and rises with a converter', () => {
    const ratio = (ballast: LedPart['ballast']) => amps({ ...base, ballast }, 11.8) / (3 / 12.8);
    expect(ratio(BALLASTS[0])).toBeLessThan(0.82);
    expect(ratio(BALLASTS[1])).toBeCloseTo(1, 2);
    expect(ratio(BALLASTS[2])).toBeGreaterThan(1.05);
  });

  it('lights either way round with a bridge, one way round without', () => {
    // But for the microamperes a board leaks to one of its contacts.
    expect(amps(base, 12.8, true)).toBeCloseTo(amps(base, 12.8), 4);
    expect(amps({ ...base, polarity: 'one-way' }, 12.8, true)).toBeLessThan(1e-6);
  });

  it('is dark below its threshold', () => {
    expect(amps(base, 6)).toBeLessThan(2e-3);
    expect(amps({ ...base, ballast: BALLASTS[2] }, 7)).toBeLessThan(2e-3);
  });

  it('counts a built-in load inside the printed watts', () => {
    const packed = { ...base, watts: 18, builtInLoadOhms: 12 };
    expect(amps(packed, 12.8) * 12.8).toBeCloseTo(18, 1);
    expect(amps(packed, 6)).toBeCloseTo(0.5, 2);
  });

  it('refuses printed figures that contradict each other', () => {
    const build = (part: LedPart) => () => ledElements(part, 'led', 'feed', EARTH);
    expect(build({ ...base, builtInLoadOhms: 12 })).toThrow(/built-in load alone/);
    expect(build({ ...base, ballast: { kind: 'series-resistor', forwardVolts: 12.5 } })).toThrow(
      /its string needs 12\.5 V/,
    );
  });
});
