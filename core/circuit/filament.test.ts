import { describe, expect, it } from 'vitest';
import { bulbById, signalFilament } from '../catalogue/bulbs.ts';
import { Filament } from './filament.ts';

function filamentOf(id: string): Filament {
  const bulb = bulbById(id);
  if (!bulb) throw new Error(id);
  return new Filament(signalFilament(bulb));
}

describe('Filament', () => {
  it('draws its rated current at its test volts', () => {
    expect(filamentOf('1156').operate(12.8).amps).toBeCloseTo(2.1, 6);
    expect(filamentOf('P21W').operate(13.5).amps).toBeCloseTo(25 / 13.5, 6);
  });

  it('gives a slope that agrees with a small change of volts', () => {
    const filament = filamentOf('P21W');
    for (const volts of [2, 6, 12, 14.4]) {
      const numeric = (filament.operate(volts + 1e-4).amps - filament.operate(volts - 1e-4).amps) / 2e-4;
      expect(filament.operate(volts).siemens).toBeCloseTo(numeric, 4);
    }
  });

  it('is about a fourteenth of its hot resistance when cold', () => {
    const filament = filamentOf('P21W');
    const ratio = filament.ratedOhms / filament.ohmsAt(Filament.ambientKelvin);
    expect(ratio).toBeGreaterThan(13.5);
    expect(ratio).toBeLessThan(15);
  });

  it('stays at ambient with no volts and warms without overshoot', () => {
    const filament = filamentOf('W5W');
    expect(filament.settledKelvin(0)).toBeCloseTo(Filament.ambientKelvin, 3);
    const settled = filament.settledKelvin(12);
    expect(filament.heatingRate(12, settled - 50)).toBeGreaterThan(0);
    expect(filament.heatingRate(12, settled + 50)).toBeLessThan(0);
  });

  it('draws the same either way round', () => {
    const filament = filamentOf('P21W');
    for (const volts of [0.1, 3, 12]) {
      expect(filament.operate(-volts).amps).toBeCloseTo(-filament.operate(volts).amps, 9);
      expect(filament.operate(-volts).siemens).toBeCloseTo(filament.operate(volts).siemens, 9);
    }
  });

  it('loses current and light together as volts fall', () => {
    const filament = filamentOf('P21W');
    expect(filament.lightAt(filament.settledKelvin(13.5))).toBeCloseTo(1, 6);
    expect(filament.lightAt(filament.settledKelvin(11.8))).toBeLessThan(0.7);
  });
});
