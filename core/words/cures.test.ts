import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { VehicleCure } from '../model/cures.ts';
import { vehicleCureSteps } from '../work/steps/cureSteps.ts';
import { saySteps } from './work/sayStep.ts';

describe('steps of cures that are not a load on a lamp', () => {
  const piece = { partId: null, ohms: 56, watts: 10, tolerance: 0.05 };
  const setting = { kind: 'controller-setting', setting: 'led', before: 'filament' } as const;
  const vehicleCures: VehicleCure[] = [
    { kind: 'flasher-relay', partId: 'heron-2', position: 0.5 },
    { kind: 'pilot-diodes' },
    { kind: 'bleed-resistor', circuitId: 'stop', piece },
    { ...setting, circuitId: 'turn-left' },
    { ...setting, circuitId: 'tail-left' },
    { kind: 'decoder', lampId: 'rear-left', partId: 'gone' },
  ];
  const job = { ...demoJob('exhibition-trailer'), vehicleCures };
  const steps = vehicleCureSteps(job);

  it('keep the ids that ticks and clocked times stand under', () => {
    expect(steps.map(({ id }) => id)).toEqual([
      'cure-flasher',
      'cure-pilot',
      'cure-bleed-stop',
      'cure-setting-turn-left',
      'cure-setting-tail-left',
      'cure-decoder-rear-left',
    ]);
  });

  it('are timed by their kind: what a relay took says nothing of diodes', () => {
    expect(steps.map(({ timedAs }) => timedAs)).toEqual([
      'cure-flasher',
      'cure-pilot',
      'cure-bleed',
      'cure-setting',
      'cure-setting',
      'cure-decoder',
    ]);
  });

  it('take as long as the comparison of cures says', () => {
    expect(steps.map(({ minutes }) => minutes)).toEqual([
      [5, 20],
      [15, 30],
      [10, 20],
      [10, 20],
      [10, 20],
      [4, 8],
    ]);
  });

  it('name a part that is not on the shelf by its id rather than break', () => {
    expect(saySteps(steps, job, DEMO_SHELF)[0]?.text).toMatch(/click once more after switching off/);
    expect(saySteps(steps, job, DEMO_SHELF).at(-1)?.title).toBe('Plug gone in before the LED');
  });
});
