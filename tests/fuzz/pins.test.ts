/**
 * The pin finder against plugs whose meter is read by ngspice (its WebAssembly build): what it expects at a cavity, and the
 * maps it finds, with one reading in ten false.
 */
import { afterAll, expect, it } from 'vitest';
import type { Expected } from '../../core/wiring/pinFinder/expected.ts';
import { BRINEHOLT_18 } from '../../demo/vehicles/brineholt18.ts';
import { LARKSPUR_16 } from '../../demo/vehicles/larkspur16.ts';
import { QUILLON_75 } from '../../demo/vehicles/quillon75.ts';
import { SHOWMAN_6 } from '../../demo/vehicles/showman6.ts';
import { TANSY_50 } from '../../demo/vehicles/tansy50.ts';
import { measure, plugsOf, randomFrom } from './hiddenPlug.ts';
import { NgspicePins } from './ngspicePins.ts';

/** Plugs of each vehicle here; `npm run fuzz` takes all. */
const SAMPLE = process.env.VUMBLE_FUZZ ? 100 : 4;

const all = { runs: 0, right: 0 };

afterAll(() => {
  expect(all.runs).toBeGreaterThan(100);
  expect(all.right / all.runs).toBeGreaterThanOrEqual(0.95);
});

/** Whether two readings would be told alike: to 2 % or a twentieth of a volt, an ohm by its logarithm. */
function alike(a: Expected, b: Expected): boolean {
  if (a === null || b === null || a.kind !== b.kind) return a === b;
  if (a.kind === 'volts' && b.kind === 'volts')
    return a.flashes === b.flashes && Math.abs(a.volts - b.volts) <= Math.max(0.05, 0.02 * Math.abs(b.volts));
  if (a.kind === 'ohms' && b.kind === 'ohms')
    return a.ohms === b.ohms || Math.abs(Math.log((a.ohms + 0.2) / (b.ohms + 0.2))) < 0.05;
  return JSON.stringify(a) === JSON.stringify(b);
}

it.each([QUILLON_75, LARKSPUR_16, BRINEHOLT_18, TANSY_50, SHOWMAN_6])(
  '$name: found by a meter that ngspice reads',
  { timeout: 900_000 },
  async (vehicle) => {
    const plugs = plugsOf(vehicle);
    const some = plugs.filter((_, at) => at % Math.ceil(plugs.length / SAMPLE) === 0);
    const pins = new NgspicePins(vehicle, some);
    await pins.start();
    const random = randomFrom(7);
    let cells = 0;
    let runs = 0;
    let right = 0;
    for (const plug of some) {
      const truth = await pins.table(plug);
      const { readings, connector } = plug;
      truth.forEach((row, test) => {
        row.forEach((shown, at) => {
          cells += 1;
          const where = `${connector.id}, ${JSON.stringify(readings.tests[test])}, ${readings.functions[at]?.id}`;
          const expected = readings.table[test]?.[at] ?? null;
          expect(
            alike(expected, shown),
            `${where}: ${JSON.stringify(expected)} by ngspice ${JSON.stringify(shown)}`,
          ).toBe(true);
        });
      });
      const played = { ...plug, readings: { ...readings, table: truth } };
      expect(measure(played, random, 0, 'advised').right, connector.id).toBe(true);
      for (let run = 0; run < 8; run += 1) {
        runs += 1;
        right += Number(measure(played, random, 0.1, 'advised', 120).right);
      }
    }
    console.log(
      `${vehicle.name}: ${cells} readings by ngspice as expected; ${right} of ${runs} maps found, one reading in ten false`,
    );
    all.runs += runs;
    all.right += right;
  },
);
