import { expect, it } from 'vitest';
import { amps, farads, ohms, perMinute, volts, voltsList, watts } from './format.ts';
import { regionWords } from './regionWords.ts';

it.each([
  [amps(3.357), '3.36 A'],
  [amps(0.0469), '47 mA'],
  [amps(0.0996), '0.10 A'],
  [amps(0), '0.00 A'],
  [volts(11.8), '11.8 V'],
  [ohms(6), '6 Ω'],
  [ohms(3.5119), '3.51 Ω'],
  [ohms(25), '25 Ω'],
  [ohms(0.047), '0.047 Ω'],
  [farads(4.7e-3), '4700 µF'],
  [farads(1e-5), '10 µF'],
  [farads(0.22), '0.22 F'],
  [watts(34.56), '34.6 W'],
  [watts(50), '50 W'],
  [watts(109.4), '109 W'],
  [perMinute(87.6), '88 a minute'],
  [voltsList([11.8]), '11.8 V'],
  [voltsList([11.8, 12.6, 14.4]), '11.8, 12.6 and 14.4 V'],
  [voltsList([]), ''],
])('writes %s', (written, expected) => {
  expect(written).toBe(expected);
});

it('what is earth elsewhere is ground in North America', () => {
  const text = 'Earth first: the earths of both lamps, earthed at one earth point; hearth and unearth stay.';
  expect(regionWords('UN', text)).toBe(text);
  expect(regionWords('US', text)).toBe(
    'Ground first: the grounds of both lamps, grounded at one ground point; hearth and unearth stay.',
  );
});
