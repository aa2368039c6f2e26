/** A thermal flasher is exported behaviourally, so its settled RATE can be compared with ngspice's, not just a decision. */
import { Simulation } from 'eecircuit-engine';
import { beforeAll, expect, it } from 'vitest';
import { bulbById, signalFilament } from '../../core/catalogue/bulbs.ts';
import { EARTH, type Netlist } from '../../core/circuit/engine/netlist.ts';
import { spiceText, spiceVector } from '../../core/circuit/engine/spice.ts';
import { Transient } from '../../core/circuit/engine/transient.ts';
import { thermalFlasher } from '../../core/devices/thermal.ts';

const simulation = new Simulation();
beforeAll(() => simulation.start(), 60_000);

function moped(bulbId: string, volts: number): Netlist {
  const bulb = bulbById(bulbId);
  if (!bulb) throw new Error(bulbId);
  const rating = signalFilament(bulb);
  return {
    title: 'two bulbs on a thermal flasher',
    elements: [
      { kind: 'battery', id: 'battery', a: 'plus', b: EARTH, volts, ohms: 0.05 },
      thermalFlasher(
        { ratedAmps: 1.7 * rating.amps, ratePerMinute: 85, onFraction: 0.5, contactOhms: 0.05 },
        'flasher',
        'plus',
        'lamps',
      ),
      { kind: 'resistor', id: 'leak', a: 'lamps', b: EARTH, ohms: 1e6 },
      { kind: 'filament', id: 'front', a: 'lamps', b: EARTH, rating },
      { kind: 'filament', id: 'rear', a: 'lamps', b: EARTH, rating },
    ],
  };
}

/** Period of the last three flashes from moments and voltages. */
function period(times: readonly number[], volts: readonly number[]): number {
  const rises = times.filter((_, index) => (volts[index] ?? 0) > 6 && (volts[index - 1] ?? 12) <= 6);
  const last = rises.slice(-4);
  expect(last.length).toBe(4);
  return ((last.at(-1) ?? 0) - (last[0] ?? 0)) / 3;
}

it.each([
  ['P21W', 12.6],
  ['P21W', 14.4],
  ['R10W', 12.6],
] as const)('two %s at %f V: the settled rate agrees within 1 %%', async (bulb, volts) => {
  const netlist = moped(bulb, volts);
  simulation.setNetList(
    spiceText({
      netlist,
      drives: {},
      analysis: { kind: 'tran', seconds: 6, stepSeconds: 1e-3 },
      volts: [{ name: 'lamps', node: 'lamps' }],
      amps: [],
    }),
  );
  const result = await simulation.runSim();
  const vector = (name: string) =>
    (result.data.find((each) => each.name.toLowerCase() === name)?.values ?? []) as number[];
  const theirs = period(vector('time'), vector(spiceVector(netlist, { node: 'lamps' })));
  const times: number[] = [];
  const seen: number[] = [];
  const run = new Transient(
    netlist,
    {},
    {
      record: (now, circuit) => {
        times.push(now);
        seen.push(circuit.nodeVolts('lamps'));
      },
    },
  );
  run.advanceTo(6);
  const ours = period(times, seen);
  console.log(
    `two ${bulb} at ${volts} V: Vumble ${(60 / ours).toFixed(2)}, ngspice ${(60 / theirs).toFixed(2)} a minute`,
  );
  expect(Math.abs(ours / theirs - 1)).toBeLessThan(0.01);
});
