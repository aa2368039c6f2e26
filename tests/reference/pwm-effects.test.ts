/**
 * A pulsed feed (PWM) and a capacitor behind a diode, from the simulator. Formula for small ripple:
 * ΔV ≈ I·(1 − D) / (f·C), good only while ΔV is far below what the LED has to spare (hand calculation).
 */
import { describe, expect, it } from 'vitest';
import { ledElements } from '../../core/circuit/engine/ledElements.ts';
import { EARTH, type Element, type Netlist } from '../../core/circuit/engine/netlist.ts';
import { Transient } from '../../core/circuit/engine/transient.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

const HERTZ = 200;
const part = DEMO_SHELF.find((each) => each.id === 'led-tern-3a');
if (part?.kind !== 'led') throw new Error('led-tern-3a');
const LED = ledElements(part, 'lamp', 'held', EARTH);

function decoder(farads: number | null, volts = 13.5): Netlist {
  const elements: Element[] = [
    { kind: 'battery', id: 'battery', a: 'plus', b: EARTH, volts, ohms: 0.05 },
    { kind: 'switch', id: 'output', a: 'plus', b: 'feed', control: 'on', closedOhms: 0.05 },
    { kind: 'resistor', id: 'leak', a: 'feed', b: EARTH, ohms: 1e6 },
    { kind: 'diode', id: 'block', a: 'feed', b: 'held', saturationAmps: 1e-8, emission: 1.2 },
    ...LED,
  ];
  if (farads !== null)
    elements.push({ kind: 'capacitor', id: 'cap', a: 'held', b: EARTH, farads, seriesOhms: 1e-3 });
  return { title: 'PWM', elements };
}

interface Light {
  low: number;
  high: number;
  mean: number;
  heldLow: number;
  heldHigh: number;
  /** highest current of the output, A, and its I²t over the run, A²s */
  inrush: number;
  heating: number;
}

/** Plays PWM until it has settled and gives the last two periods' light (string current) and held voltage. */
function play(netlist: Netlist, duty: number): Light {
  const seen: { at: number; amps: number; held: number; into: number }[] = [];
  const run = new Transient(
    netlist,
    { on: true },
    {
      longestStep: 1 / HERTZ / 40,
      record: (at, circuit) =>
        seen.push({
          at,
          amps: circuit.amps('lamp.led'),
          held: circuit.nodeVolts('held'),
          into: circuit.amps('output'),
        }),
    },
  );
  const period = 1 / HERTZ;
  const periods = 40;
  for (let count = 0; count < periods; count += 1) {
    run.setControls({ on: true });
    run.advanceTo((count + duty) * period);
    run.setControls({ on: false });
    run.advanceTo((count + 1) * period);
  }
  const last = seen.filter(({ at }) => at > (periods - 2) * period);
  const amps = last.map((each) => each.amps);
  let area = 0;
  last.slice(1).forEach((each, index) => {
    const before = last[index];
    if (before) area += ((each.amps + before.amps) / 2) * (each.at - before.at);
  });
  return {
    low: Math.min(...amps),
    high: Math.max(...amps),
    mean: area / ((last.at(-1)?.at ?? 0) - (last[0]?.at ?? 0)),
    heldLow: Math.min(...last.map((each) => each.held)),
    heldHigh: Math.max(...last.map((each) => each.held)),
    inrush: Math.max(...seen.map((each) => each.into)),
    heating: seen
      .slice(1)
      .reduce((sum, each, index) => sum + each.into ** 2 * (each.at - (seen[index]?.at ?? 0)), 0),
  };
}

/** Modulation: (high − low) / (high + low). */
const modulation = ({ low, high }: Light) => (high - low) / (high + low);

describe('an LED on a pulsed feed', () => {
  it('flickers fully without smoothing: dark in every pause', () => {
    const bare = play(decoder(null), 0.8);
    expect(bare.low).toBeLessThan(0.01 * bare.high);
    expect(modulation(bare)).toBeGreaterThan(0.98);
  });

  it('is smoothed by a large enough capacitor on voltage-holding PWM, and the small-ripple formula holds there', () => {
    const smooth = play(decoder(4700e-6), 0.8);
    expect(modulation(smooth)).toBeLessThan(0.05);
    const formula = (smooth.mean * (1 - 0.8)) / (HERTZ * 4700e-6);
    expect((smooth.heldHigh - smooth.heldLow) / formula).toBeGreaterThan(0.7);
    expect((smooth.heldHigh - smooth.heldLow) / formula).toBeLessThan(1.3);
  });

  it('is only half cured by a small one, and the formula then says too much', () => {
    const half = play(decoder(47e-6), 0.5);
    expect(modulation(half)).toBeGreaterThan(0.3);
    const formula = (half.mean * (1 - 0.5)) / (HERTZ * 47e-6);
    expect(half.heldHigh - half.heldLow).toBeLessThan(formula);
  });

  it('pays for smoothing with an inrush that only the wiring limits, and that heats the output by its size', () => {
    const small = play(decoder(220e-6), 0.8);
    const large = play(decoder(4700e-6), 0.8);
    expect(small.inrush).toBeGreaterThan(50);
    expect(large.inrush).toBeGreaterThan(50);
    // Half of C·V² is burnt in the resistance on the way, whatever that is: I²t goes with C.
    expect(large.heating / small.heating).toBeGreaterThan(5);
  });

  it('a capacitor on dimming PWM turns tail level into nearly stop level: that is no cure', () => {
    const stop = play(decoder(4700e-6), 1 - 1e-6).mean;
    const tailBare = play(decoder(null), 0.1).mean;
    const tailSmoothed = play(decoder(4700e-6), 0.1).mean;
    // FMVSS 108 asks for at least 5 to 1 between stop and tail at H-V (from memory).
    expect(stop / tailBare).toBeGreaterThan(5);
    expect(stop / tailSmoothed).toBeLessThan(5);
  });
});
