import { expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { saySteps } from '../../words/work/sayStep.ts';
import { fitSteps } from '../fitSteps.ts';
import { settingTicked } from './settingTicks.ts';

it('a setting is written, the key cycled, read back and the codes cleared: each a tick, kept with the setting', () => {
  const job = demoJob('dial-a-ride-2');
  const steps = saySteps(fitSteps(job, DEMO_SHELF), job, DEMO_SHELF).filter(({ id }) =>
    id.startsWith('cure-setting'),
  );
  expect(steps.length).toBe(job.vehicleCures.length);
  for (const step of steps) {
    expect(step.ticks?.map(({ id }) => id)).toEqual(['before', 'keyCycled', 'readBack', 'codesCleared']);
    expect(step.ticks?.find(({ id }) => id === 'readBack')?.label).toMatch(/read back.*LED/i);
    expect(settingTicked(job, step, 'before')).toBeNull();
    const told = settingTicked(job, step, 'readBack');
    expect(`cure-setting-${told?.cure.circuitId}`).toBe(step.id);
  }
  const [swap] = fitSteps(job, DEMO_SHELF).filter(({ kind }) => kind === 'swap');
  expect(swap && settingTicked(job, swap, 'readBack')).toBeNull();
});
