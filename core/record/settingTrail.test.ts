import { describe, expect, it } from 'vitest';
import type { VehicleCure } from '../model/cures.ts';
import type { SettingStep } from '../model/evidence.ts';
import { settingTrail, tickSetting } from './settingTrail.ts';
import { trailWords } from './settingWords.ts';

type Told = readonly [SettingStep['step'], SettingStep['value']?];
function trailOf(...told: readonly Told[]) {
  const evidence = told.map(
    ([step, value], index): SettingStep => ({
      kind: 'setting',
      id: `s${index}`,
      at: `2026-11-29T10:0${index}:00.000Z`,
      vehicleId: 'v',
      visit: 'visit',
      device: null,
      method: 'adapter',
      circuitId: 'turn-left',
      step,
      ...(value ? { value } : {}),
    }),
  );
  return settingTrail({ evidence }, 'turn-left');
}

describe('the trail of a controller setting', () => {
  it('begins with what is there: without it nobody can go back', () => {
    expect(trailOf()).toMatchObject({ next: 'read', before: null, now: null });
    expect(trailOf(['written', 'led'])).toMatchObject({ next: 'read', now: 'led' });
  });

  it('goes on step by step to its end', () => {
    const all: Told[] = [
      ['read', 'filament'],
      ['written', 'led'],
      ['key-cycled'],
      ['read-back', 'led'],
      ['codes-cleared'],
    ];
    const nexts = all.map((_, index) => trailOf(...all.slice(0, index + 1)).next);
    expect(nexts).toEqual(['written', 'key-cycled', 'read-back', 'codes-cleared', null]);
    expect(trailWords(trailOf(...all))).toMatch(/write filament again/);
  });

  it('has nothing to write where it is LED already', () => {
    const trail = trailOf(['read', 'led']);
    expect(trail).toMatchObject({ alreadySet: true, next: null });
    expect(trailWords(trail)).toMatch(/nothing to write/);
  });

  it('says that it was not taken where it reads otherwise', () => {
    const trail = trailOf(
      ['read', 'filament'],
      ['written', 'led'],
      ['key-cycled'],
      ['read-back', 'filament'],
      ['codes-cleared'],
    );
    expect(trail).toMatchObject({ notTaken: true, next: 'written', now: 'filament' });
    expect(trailWords(trail)).toMatch(/not taken/);
  });

  it('ticks what the planned cure says of itself, and takes it off again', () => {
    const cure: VehicleCure = {
      kind: 'controller-setting',
      circuitId: 'turn-left',
      setting: 'led',
      before: 'filament',
    };
    const tick = (step: SettingStep['step'], value?: SettingStep['value']) =>
      tickSetting([cure], { circuitId: 'turn-left', step, ...(value ? { value } : {}) });
    tick('key-cycled');
    tick('read-back', 'filament');
    tick('codes-cleared');
    expect(cure).toMatchObject({ keyCycled: true, readBack: false, codesCleared: true });
    tick('read-back', 'led');
    expect(cure.readBack).toBe(true);
    tick('put-back', 'filament');
    expect(cure).toEqual({
      kind: 'controller-setting',
      circuitId: 'turn-left',
      setting: 'led',
      before: 'filament',
    });
  });

  it('begins anew once it was put back, and still knows what was there first', () => {
    const trail = trailOf(['read', 'filament'], ['written', 'led'], ['put-back', 'filament']);
    expect(trail).toMatchObject({ next: 'read', now: 'filament', before: 'filament' });
  });
});
