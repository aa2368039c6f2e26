import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import { fitmentOf } from '../vehicle/fitment.ts';
import { LightCurve, playTurn, WATCHER_SAMPLE_SECONDS } from './playTurn.ts';

const finished = demoJobs()[2] as Job;
const { vehicle } = finished;

function play(stage: 'stock' | 'leds', thresholdAmps: number, flashes = 4) {
  const fitment = fitmentOf(finished, DEMO_SHELF, stage);
  return playTurn({ vehicle, fitment, sides: ['left'], emfVolts: 12.6, thresholdAmps, flashes });
}

describe('playTurn', () => {
  it('decides each flash by what it sees once the inrush has passed', () => {
    const { flashes } = play('stock', 2.9);
    expect(flashes.length).toBe(4);
    expect(flashes.every((flash) => !flash.missesLamp)).toBe(true);
    // The first flash starts from cold filaments, which still draw a little more when the relay looks.
    const amps = flashes.map((flash) => flash.sampledAmps);
    expect(amps[0]).toBeGreaterThan(amps[2] ?? 0);
    expect((amps[0] ?? 0) / (amps[2] ?? 1)).toBeLessThan(1.15);
    expect(amps[3]).toBeCloseTo(amps[2] ?? 0, 2);
  });

  it('runs fast from the first flash with LEDs, and never opens before it has looked', () => {
    const { flashes } = play('leds', 2.9);
    for (const [index, flash] of flashes.entries()) {
      expect(flash.missesLamp).toBe(true);
      expect(60 / flash.periodSeconds).toBeCloseTo(176, 6);
      expect(flash.onSeconds).toBeGreaterThanOrEqual(WATCHER_SAMPLE_SECONDS);
      expect(flash.startSeconds).toBeCloseTo(index * flash.periodSeconds, 9);
    }
  });

  it('plays a given time, whole flashes only', () => {
    const fitment = fitmentOf(finished, DEMO_SHELF, 'stock');
    const { flashes } = playTurn({
      vehicle,
      fitment,
      sides: ['right'],
      emfVolts: 12.6,
      thresholdAmps: 2.9,
      seconds: 2,
    });
    const last = flashes.at(-1);
    expect((last?.startSeconds ?? 0) + (last?.periodSeconds ?? 0)).toBeGreaterThanOrEqual(2);
    expect(last?.startSeconds).toBeLessThan(2);
  });

  it('gives the steady light of a lamp held on', () => {
    const rear = play('stock', 2.9, 1).lamps.find((lamp) => lamp.lampId === 'rear-left');
    expect(rear?.steady).toBeGreaterThan(0.5);
    expect(rear?.steady).toBeLessThan(1);
  });
});

describe('LightCurve', () => {
  it('runs straight between what is known and level outside it', () => {
    const curve = new LightCurve();
    expect(curve.at(1)).toBe(0);
    for (const [seconds, light] of [
      [1, 0],
      [2, 1],
      [4, 0.5],
    ] as const)
      curve.add(seconds, light);
    expect([0, 1, 1.5, 2, 3, 4, 9].map((seconds) => curve.at(seconds))).toEqual([
      0, 0, 0.5, 1, 0.75, 0.5, 0.5,
    ]);
  });
});
