/**
 * Incandescent voltage laws (IES Lighting Handbook, miniature lamps; from memory): current goes with about
 * V^0.55 and light with about V^3.5 near rated volts. They must come out of the filament's physics.
 */
import { expect, it } from 'vitest';
import { BULBS } from '../../core/catalogue/bulbs.ts';
import { Filament } from '../../core/circuit/filament.ts';

const CURRENT_TOLERANCE = 0.03;
const LIGHT_TOLERANCE = 0.25;

it.each(
  BULBS.flatMap((bulb) => bulb.filaments.map((rating) => [`${bulb.id} ${rating.role}`, rating] as const)),
)('P8: %s follows the lamp laws', (_, rating) => {
  const filament = new Filament(rating);
  const [low, high] = [rating.testVolts * 0.95, rating.testVolts * 1.05];
  const slope = (of: (volts: number) => number) => Math.log(of(high) / of(low)) / Math.log(high / low);
  expect(Math.abs(slope((volts) => filament.operate(volts).amps) - 0.55)).toBeLessThan(CURRENT_TOLERANCE);
  expect(Math.abs(slope((volts) => filament.lightAt(filament.settledKelvin(volts))) - 3.5)).toBeLessThan(
    LIGHT_TOLERANCE,
  );
});
