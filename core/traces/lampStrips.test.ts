import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import { lampStrips, STRIP_SECONDS, STRIP_STEP } from './lampStrips.ts';

const finished = demoJobs()[2] as Job;
const LEFT: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left' };
const strips = lampStrips(finished, DEMO_SHELF, LEFT, 12.6);
const rear = (configuration: string) => {
  const found = strips
    .find((each) => each.configuration === configuration)
    ?.lamps.find((lamp) => lamp.lampId === 'rear-left');
  if (!found) throw new Error(configuration);
  return found.light;
};
/** Times the light rises through half of its peak. */
function rises(light: readonly number[]): number {
  const half = Math.max(...light) / 2;
  return light.filter((value, index) => value > half && (light[index - 1] ?? 0) <= half).length;
}

describe('lampStrips', () => {
  it('shows the flashes of four seconds, before and after', () => {
    expect(strips.map((each) => Math.round(each.ratePerMinute ?? 0))).toEqual([88, 176, 88]);
    expect(rises(rear('stock'))).toBe(6);
    expect(rises(rear('leds'))).toBe(12);
    expect(rises(rear('cured'))).toBe(6);
  });

  it('shows the filament soft and the LED hard', () => {
    const steepest = (light: readonly number[]) =>
      Math.max(...light.slice(1).map((value, index) => Math.abs(value - (light[index] ?? 0)))) /
      Math.max(...light);
    expect(steepest(rear('stock'))).toBeLessThan(0.45);
    expect(steepest(rear('leds'))).toBeGreaterThan(0.6);
  });

  it('begins dark, covers four seconds, and never goes below dark', () => {
    for (const { lamps } of strips) {
      for (const { light } of lamps) {
        expect(light.length).toBe(STRIP_SECONDS / STRIP_STEP + 1);
        expect(Math.min(...light)).toBeGreaterThanOrEqual(0);
      }
    }
    expect(rear('stock')[0]).toBeLessThan(0.01);
  });

  it('is on about half the time, as the relay is', () => {
    for (const { onFraction } of strips) expect(onFraction).toBeCloseTo(0.5, 1);
  });

  it('is the same every time', () => {
    expect(lampStrips(finished, DEMO_SHELF, LEFT, 12.6)).toEqual(strips);
  });
});
