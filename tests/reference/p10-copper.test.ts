/** IEC 60028 annealed copper and ASTM B258 wire gauges, from memory. */
import { expect, it } from 'vitest';
import { awgAreaMm2, wireOhms } from '../../core/circuit/wire.ts';

it('P10: one metre of 1 mm² copper is 1/58 Ω at 20 °C and 0.393 % more a kelvin', () => {
  expect(wireOhms({ lengthM: 1, areaMm2: 1 })).toBeCloseTo(1 / 58, 9);
  expect(wireOhms({ lengthM: 1, areaMm2: 1 }, 30) * 58).toBeCloseTo(1.0393, 6);
});

it('P10: gauges 18, 16 and 14', () => {
  expect(awgAreaMm2(18)).toBeCloseTo(0.823, 3);
  expect(awgAreaMm2(16)).toBeCloseTo(1.31, 2);
  expect(awgAreaMm2(14)).toBeCloseTo(2.08, 2);
});
