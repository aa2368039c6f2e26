/** IEC 60028 annealed copper and ASTM B258 wire gauges, from memory. */
import { expect, it } from 'vitest';
import { wireOhms } from '../../core/circuit/wire.ts';
import { gaugeMm2 } from '../../core/formatting/units.ts';

/** Ω a kilometre of solid annealed copper at 20 °C, as wire tables print it beside the gauge; from memory. */
const TABLE = [
  [18, 20.95],
  [16, 13.17],
  [14, 8.28],
  [12, 5.21],
] as const;

it.each(TABLE)('P10: a kilometre of gauge %i comes to the %f Ω of the tables', (gauge, ohms) => {
  expect(wireOhms({ lengthM: 1000, areaMm2: gaugeMm2(gauge) }) / ohms).toBeCloseTo(1, 2);
});

it('P10: warm copper is that of the factor tables: 1.118 at 50 °C, 1.216 at 75 °C (from memory)', () => {
  const run = { lengthM: 3, areaMm2: 1.5 };
  expect(wireOhms(run, 50) / wireOhms(run)).toBeCloseTo(1.118, 3);
  expect(wireOhms(run, 75) / wireOhms(run)).toBeCloseTo(1.216, 3);
});

it('P10: gauges 18, 16 and 14', () => {
  expect(gaugeMm2(18)).toBeCloseTo(0.823, 3);
  expect(gaugeMm2(16)).toBeCloseTo(1.31, 2);
  expect(gaugeMm2(14)).toBeCloseTo(2.08, 2);
});
