/**
 * Random jobs: whatever an installer may plausibly find, fit or do wrong is traced without a crash and without a
 * figure that is none. `npm run fuzz` tries ten times as many. Counts by kind are printed.
 */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { traceLamps } from '../../core/traces/traceLamps.ts';
import { notNumbers, type RandomCase, randomCase } from './randomJob.ts';

const RUNS = Number(process.env.VUMBLE_FUZZ ?? 500);
const SEED = Number(process.env.VUMBLE_SEED ?? 20261125);
/** What must occur, and so often in five hundred. */
const KINDS = [
  'filament',
  'ballast series-resistor',
  'ballast constant-current',
  'ballast converter',
  'bridge',
  'built-in load',
  'capacitor inside',
  'sequential',
  'switchback',
  'twin own-resistors',
  'twin shared-regulator',
  'twin shared-converter',
  'twin unknown',
  'fault bad-earth',
  'fault reversed',
  'fault leakage',
  'fault bulb-out',
  'dead bulb',
  'fuse too small',
  'cure load resistor',
  'cure relay',
  'cure decoder',
  'cure diodes',
  'cure setting',
  'cure bleed resistor',
  'flashing',
  'steady',
  'configuration stock',
  'configuration leds',
  'configuration cured',
] as const;
const LEAST = 50;

it(`${RUNS} traces of random jobs: no crash, no NaN, no Infinity`, { timeout: 1_800_000 }, () => {
  const counts = new Map<string, number>();
  const run = ({ job, shelf, configuration, controls, emfVolts, faults, kinds }: RandomCase) => {
    for (const kind of new Set(kinds)) counts.set(kind, (counts.get(kind) ?? 0) + 1);
    const result = traceLamps(job, shelf, configuration, controls, emfVolts, faults);
    expect(notNumbers(result)).toEqual([]);
  };
  // Shrinking a case of a whole vehicle takes longer than looking at it.
  fc.assert(fc.property(randomCase, run), { numRuns: RUNS, seed: SEED, endOnFailure: true });
  console.log(
    `traced, by what was in it:\n${[...counts]
      .toSorted(([a], [b]) => a.localeCompare(b))
      .map(([kind, count]) => `  ${kind.padEnd(30)} ${count}`)
      .join('\n')}`,
  );
  for (const kind of KINDS) expect(counts.get(kind) ?? 0, kind).toBeGreaterThanOrEqual(LEAST);
});
