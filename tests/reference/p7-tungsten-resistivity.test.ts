/**
 * Resistivity of tungsten (Jones and Langmuir; CRC Handbook; from memory), µΩ·cm. A filament's resistance must
 * follow it from cold to overrun; one power law stands in for the table, so a tolerance is stated.
 */
import { expect, it } from 'vitest';
import { bulbById, signalFilament } from '../../core/catalogue/bulbs.ts';
import { Filament } from '../../core/circuit/filament.ts';

const TABLE: readonly [kelvin: number, microOhmCm: number][] = [
  [300, 5.65],
  [1000, 24.93],
  [1500, 40.36],
  [2000, 56.67],
  [2500, 73.91],
  [2800, 84.7],
  [3000, 92.04],
];
const TOLERANCE = 0.03;
/** Between its neighbours in the table, by straight line. */
const AT_RATED = 73.91 + ((84.7 - 73.91) * (2750 - 2500)) / 300;

it.each(TABLE)('P7: at %i K resistance stands to that at rated volts as resistivity does', (kelvin, rho) => {
  const bulb = bulbById('P21W');
  if (!bulb) throw new Error('P21W');
  const filament = new Filament(signalFilament(bulb));
  expect(filament.ohmsAt(kelvin) / filament.ratedOhms / (rho / AT_RATED)).toBeGreaterThan(1 - TOLERANCE);
  expect(filament.ohmsAt(kelvin) / filament.ratedOhms / (rho / AT_RATED)).toBeLessThan(1 + TOLERANCE);
});
