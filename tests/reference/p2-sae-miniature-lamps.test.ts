/**
 * SAE/ANSI miniature lamp ratings; light in mean spherical candela, lumens = 4π · candela.
 * All values recalled from memory; verify against a current table.
 */
import { describe, expect, it } from 'vitest';
import { bulbById } from '../../core/catalogue/bulbs.ts';
import { Filament } from '../../core/circuit/filament.ts';

const TABLE: readonly [id: string, index: number, volts: number, amps: number, candela: number][] = [
  ['1156', 0, 12.8, 2.1, 32],
  ['1157', 0, 12.8, 2.1, 32],
  ['1157', 1, 14.0, 0.59, 3],
  ['3156', 0, 12.8, 2.1, 32],
  ['3157', 0, 12.8, 2.1, 32],
  ['3157', 1, 14.0, 0.59, 3],
  ['194', 0, 14, 0.27, 2],
  ['168', 0, 14, 0.35, 3],
  ['921', 0, 12.8, 1.4, 21],
  ['912', 0, 12.8, 1.0, 12],
  ['1141', 0, 12.8, 1.44, 21],
  ['67', 0, 13.5, 0.59, 4],
  ['89', 0, 13.0, 0.58, 6],
  ['211-2', 0, 12.8, 0.97, 12],
  ['578', 0, 12.8, 0.78, 9],
  ['37', 0, 14, 0.09, 0.5],
  ['74', 0, 14, 0.1, 0.7],
];

describe('P2: SAE trade numbers', () => {
  it.each(TABLE)('%s filament %i: %f V, %f A, %f cp', (id, index, volts, amps, candela) => {
    const filament = bulbById(id)?.filaments[index];
    if (!filament) throw new Error(`no filament ${index} of ${id}`);
    expect(filament.testVolts).toBe(volts);
    expect(filament.amps).toBe(amps);
    expect(filament.lumens).toBeCloseTo(4 * Math.PI * candela, 6);
    expect(new Filament(filament).operate(volts).amps).toBeCloseTo(amps, 6);
  });

  it('keeps P21W and 1156 apart: they interchange but draw differently', () => {
    const p21w = bulbById('P21W');
    const n1156 = bulbById('1156');
    expect(p21w?.interchange).toBe(n1156?.interchange);
    const at128 = (bulb: typeof p21w) => new Filament(bulb?.filaments[0] ?? never()).operate(12.8).amps;
    expect(at128(n1156) / at128(p21w)).toBeGreaterThan(1.15);
  });
});

function never(): never {
  throw new Error('bulb missing from the catalogue');
}
