import { describe, expect, it } from 'vitest';
import { bulbById, signalFilament } from '../../catalogue/bulbs.ts';
import { Filament } from '../filament.ts';
import { EARTH, type Element, type Netlist } from './netlist.ts';
import { Transient } from './transient.ts';

function filament(bulb: string, a: string, b = EARTH): Element {
  const found = bulbById(bulb);
  if (!found) throw new Error(bulb);
  return { kind: 'filament', id: `${bulb}-${a}`, a, b, rating: signalFilament(found) };
}

const SWITCHED: readonly Element[] = [
  { kind: 'battery', id: 'battery', a: 'plus', b: EARTH, volts: 13.5, ohms: 0.02 },
  { kind: 'switch', id: 's', a: 'plus', b: 'feed', control: 'on', closedOhms: 0.01 },
  { kind: 'resistor', id: 'leak', a: 'feed', b: EARTH, ohms: 1e6 },
];
const circuitOf = (...elements: Element[]): Netlist => ({
  title: 'test',
  elements: [...SWITCHED, ...elements],
});

describe('a capacitor', () => {
  const rc = circuitOf(
    { kind: 'resistor', id: 'r', a: 'feed', b: 'c', ohms: 99.97 },
    { kind: 'capacitor', id: 'cap', a: 'c', b: EARTH, farads: 1e-3, seriesOhms: 1e-3 },
  );

  it('charges along the exponential', () => {
    const run = new Transient(rc, { on: true });
    for (const seconds of [0.02, 0.05, 0.1, 0.2, 0.4]) {
      run.advanceTo(seconds);
      expect(run.circuit.nodeVolts('c')).toBeCloseTo(13.5 * (1 - Math.exp(-seconds / 0.1)), 1);
    }
  });

  it('keeps what it has when the switch opens, and takes few steps to do nothing', () => {
    const run = new Transient(rc, { on: true });
    run.advanceTo(1);
    const before = run.steps;
    run.setControls({ on: false });
    run.advanceTo(3);
    expect(run.circuit.nodeVolts('c')).toBeGreaterThan(13.3);
    expect(run.steps - before).toBeLessThan(450);
  });
});

describe('a filament through real wiring (0.25 Ω of lead, contacts and earth)', () => {
  const lamp = circuitOf(
    { kind: 'resistor', id: 'lead', a: 'feed', b: 'lamp', ohms: 0.25 },
    filament('P21W', 'lamp'),
  );

  it('draws nine to ten times its current cold, and is still a tenth high after 0.1 s (typical)', () => {
    let peak = 0;
    const run = new Transient(
      lamp,
      { on: true },
      {
        record: (_, circuit) => {
          peak = Math.max(peak, circuit.amps('lead'));
        },
      },
    );
    run.advanceTo(0.1);
    const atTenth = run.circuit.amps('lead');
    run.advanceTo(2);
    const settled = run.circuit.amps('lead');
    expect(peak / settled).toBeGreaterThan(8.5);
    expect(peak / settled).toBeLessThan(10.5);
    expect(atTenth / settled).toBeGreaterThan(1.05);
    expect(atTenth / settled).toBeLessThan(1.2);
  });

  it('gives 90 % of its light after 0.1 to 0.2 s', () => {
    const found = bulbById('P21W');
    const heat = new Filament(signalFilament(found ?? never()));
    const lightOf = (volts: number, amps: number) =>
      heat.lightAt(Filament.ratedKelvin * (volts / amps / heat.ratedOhms) ** (1 / Filament.resistancePower));
    const lights: [number, number][] = [];
    const run = new Transient(
      lamp,
      { on: true },
      {
        record: (seconds, circuit) =>
          lights.push([seconds, lightOf(circuit.nodeVolts('lamp'), circuit.amps('lead'))]),
      },
    );
    run.advanceTo(2);
    const final = lights.at(-1)?.[1] ?? 0;
    const risen = lights.find(([, light]) => light >= 0.9 * final)?.[0] ?? 0;
    expect(risen).toBeGreaterThan(0.1);
    expect(risen).toBeLessThan(0.2);
  });

  it('comes to the steady state, and never cools below its surroundings', () => {
    const run = new Transient(lamp, { on: true });
    run.advanceTo(3);
    const settled = run.circuit.amps('lead');
    run.circuit.solveSteady();
    expect(settled).toBeCloseTo(run.circuit.amps('lead'), 4);
    const flashing = new Transient(lamp, { on: true });
    let coldest = Number.POSITIVE_INFINITY;
    for (let flash = 0; flash < 4; flash += 1) {
      flashing.setControls({ on: flash % 2 === 0 });
      flashing.advanceTo((flash + 1) * 0.34);
      coldest = Math.min(coldest, flashing.circuit.branch('P21W-lamp').filamentKelvin ?? Number.NaN);
    }
    expect(coldest).toBeGreaterThan(290);
  });

  it('gives the same answer with steps a tenth as long, within half a percent', () => {
    const fine = new Transient(lamp, { on: true }, { longestStep: 2e-4 });
    const quick = new Transient(lamp, { on: true });
    for (const seconds of [0.01, 0.03, 0.06, 0.12, 0.3]) {
      fine.advanceTo(seconds);
      quick.advanceTo(seconds);
      expect(quick.circuit.amps('lead') / fine.circuit.amps('lead')).toBeCloseTo(1, 2);
    }
    expect(quick.steps * 4).toBeLessThan(fine.steps);
  });
});

function never(): never {
  throw new Error('P21W is in the catalogue');
}
