import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bulbById, signalFilament } from '../../catalogue/bulbs.ts';
import type { FilamentRating } from '../../model/bulb.ts';
import { Circuit, NoSolutionError } from './circuit.ts';
import { EARTH, type Element, type Netlist, NetlistError } from './netlist.ts';

function rating(id: string): FilamentRating {
  const bulb = bulbById(id);
  if (!bulb) throw new Error(id);
  return signalFilament(bulb);
}

const battery: Element = { kind: 'battery', id: 'battery', a: 'plus', b: EARTH, volts: 12, ohms: 0.02 };
const steady = (...elements: Element[]) => {
  const circuit = new Circuit({ title: 'test', elements: [battery, ...elements] });
  circuit.setControls({ on: true });
  circuit.solveSteady();
  return circuit;
};

describe('Circuit, steady', () => {
  it('solves a divider', () => {
    const circuit = steady(
      { kind: 'resistor', id: 'upper', a: 'plus', b: 'middle', ohms: 1.98 },
      { kind: 'resistor', id: 'lower', a: 'middle', b: EARTH, ohms: 4 },
    );
    expect(circuit.nodeVolts('middle')).toBeCloseTo(8, 9);
    expect(circuit.amps('lower')).toBeCloseTo(2, 9);
    expect(circuit.amps('battery')).toBeCloseTo(-2, 9);
  });

  it('lets a diode pass one way only', () => {
    const forward = steady(
      { kind: 'resistor', id: 'r', a: 'plus', b: 'x', ohms: 100 },
      { kind: 'diode', id: 'd', a: 'x', b: EARTH, saturationAmps: 1e-12, emission: 1 },
    );
    expect(forward.nodeVolts('x')).toBeGreaterThan(0.6);
    expect(forward.nodeVolts('x')).toBeLessThan(0.7);
    const backward = steady(
      { kind: 'resistor', id: 'r', a: 'plus', b: 'x', ohms: 100 },
      { kind: 'diode', id: 'd', a: EARTH, b: 'x', saturationAmps: 1e-12, emission: 1 },
    );
    expect(backward.nodeVolts('x')).toBeCloseTo(12, 6);
  });

  it('regulates a current, and lets go when there is no headroom', () => {
    const across = (ohms: number) =>
      steady(
        { kind: 'regulator', id: 'g', a: 'plus', b: 'x', amps: 0.25, kneeVolts: 0.3 },
        { kind: 'resistor', id: 'r', a: 'x', b: EARTH, ohms },
      ).amps('r');
    expect(across(10)).toBeCloseTo(0.25, 3);
    expect(across(100)).toBeLessThan(0.121);
  });

  it('settles a regulator that pushes against a string that will not take its current', () => {
    const circuit = steady(
      { kind: 'diode', id: 'in', a: 'plus', b: 'x', saturationAmps: 1e-8, emission: 1.6 },
      { kind: 'regulator', id: 'g', a: 'x', b: 'y', amps: 0.39, kneeVolts: 0.3 },
      { kind: 'diode', id: 'string', a: 'y', b: EARTH, saturationAmps: 1e-14, emission: 40 },
      { kind: 'resistor', id: 'leak', a: 'x', b: EARTH, ohms: 1e6 },
    );
    expect(circuit.amps('string')).toBeGreaterThan(0);
    expect(circuit.amps('string')).toBeLessThan(0.01);
    expect(circuit.amps('g')).toBeCloseTo(circuit.amps('string'), 6);
  });

  it('gives a converter constant power, and none below its start', () => {
    const converter = (ohms: number) =>
      steady(
        { kind: 'resistor', id: 'r', a: 'plus', b: 'x', ohms },
        { kind: 'converter', id: 'c', a: 'x', b: EARTH, watts: 3, startVolts: 8 },
      );
    const near = converter(1);
    expect(near.nodeVolts('x') * near.amps('c')).toBeCloseTo(3, 6);
    expect(converter(400).amps('c')).toBeLessThan(0.02);
  });

  it('opens and closes a contact', () => {
    const lamp = (on: boolean) => {
      const circuit = new Circuit({
        title: 'switch',
        elements: [
          battery,
          { kind: 'switch', id: 's', a: 'plus', b: 'lamp', control: 'on', closedOhms: 0.01 },
          { kind: 'filament', id: 'f', a: 'lamp', b: EARTH, rating: rating('P21W') },
        ],
      });
      circuit.setControls({ on });
      circuit.solveSteady();
      return circuit.amps('f');
    };
    expect(lamp(true)).toBeGreaterThan(1.6);
    expect(lamp(false)).toBeLessThan(1e-6);
  });

  it('refuses a netlist that is wrong in itself, naming the element', () => {
    const wrong =
      (...elements: Element[]) =>
      () =>
        new Circuit({ title: 'wrong', elements });
    const r = (id: string, ohms: number, b = EARTH): Element => ({ kind: 'resistor', id, a: 'x', b, ohms });
    expect(wrong(r('twice', 1), r('twice', 2))).toThrow(/"twice".*used twice/);
    expect(wrong(r('short', 1, 'x'))).toThrow(/both ends are on one node/);
    expect(wrong(r('nought', 0))).toThrow(NetlistError);
    expect(wrong(r('odd', Number.NaN))).toThrow(/above 0/);
  });

  it('names a node that nothing ties down, and refuses what is not there', () => {
    const floating: Netlist = {
      title: 'floating',
      elements: [
        battery,
        { kind: 'capacitor', id: 'c', a: 'adrift', b: 'far', farads: 1e-6, seriesOhms: 1e-3 },
      ],
    };
    // SPICE's own way out, a picosiemens across what blocks, keeps even this solvable; the volts mean nothing.
    expect(() => new Circuit(floating).solveSteady()).toThrow(NoSolutionError);
    expect(() => steady().nodeVolts('nowhere')).toThrow(/no node "nowhere"/);
    expect(() => steady().amps('nothing')).toThrow(/no element "nothing"/);
  });
});

describe('random netlists', () => {
  const node = fc.constantFrom('plus', 'n1', 'n2', 'n3', 'n4', EARTH);
  const part: fc.Arbitrary<(a: string, b: string, id: string) => Element> = fc.oneof(
    fc.double({ min: 0.01, max: 1e4, noNaN: true }).map(
      (ohms) =>
        (a: string, b: string, id: string): Element => ({ kind: 'resistor', id, a, b, ohms }),
    ),
    fc.constantFrom('P21W', 'W5W', '1156').map(
      (bulb) =>
        (a: string, b: string, id: string): Element => ({ kind: 'filament', id, a, b, rating: rating(bulb) }),
    ),
    fc.double({ min: 1, max: 8, noNaN: true }).map(
      (emission) =>
        (a: string, b: string, id: string): Element => ({
          kind: 'diode',
          id,
          a,
          b,
          saturationAmps: 1e-12,
          emission,
        }),
    ),
    fc.double({ min: 0.01, max: 0.5, noNaN: true }).map(
      (amps) =>
        (a: string, b: string, id: string): Element => ({
          kind: 'regulator',
          id,
          a,
          b,
          amps,
          kneeVolts: 0.3,
        }),
    ),
  );
  const netlists = fc.array(fc.tuple(part, node, node), { minLength: 1, maxLength: 12 }).map(
    (parts): Netlist => ({
      title: 'random',
      elements: [
        battery,
        // Every node leaks to earth, as the vehicle builder has it.
        ...['n1', 'n2', 'n3', 'n4'].map(
          (each): Element => ({ kind: 'resistor', id: `leak-${each}`, a: each, b: EARTH, ohms: 1e6 }),
        ),
        ...parts.filter(([, a, b]) => a !== b).map(([make, a, b], index) => make(a, b, `e${index}`)),
      ],
    }),
  );

  it('keep Kirchhoff at every node and power in balance, or give the typed error', () => {
    let solved = 0;
    fc.assert(
      fc.property(netlists, (netlist) => {
        const circuit = new Circuit(netlist);
        try {
          circuit.solveSteady();
        } catch (error) {
          expect(error).toBeInstanceOf(NoSolutionError);
          return;
        }
        solved += 1;
        for (const each of circuit.nodes) expect(Math.abs(circuit.imbalance(each))).toBeLessThan(1e-4);
        const power = netlist.elements
          .filter((element) => element.kind !== 'battery')
          .reduce(
            (sum, element) =>
              sum + circuit.amps(element.id) * (circuit.nodeVolts(element.a) - circuit.nodeVolts(element.b)),
            0,
          );
        const given = -circuit.amps('battery') * circuit.nodeVolts('plus');
        expect(Math.abs(power - given)).toBeLessThan(1e-3 + 1e-4 * Math.abs(given));
      }),
      { numRuns: 400, seed: 21 },
    );
    expect(solved).toBeGreaterThan(390);
  });
});
