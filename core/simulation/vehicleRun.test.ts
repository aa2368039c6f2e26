import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { WATCHER_SAMPLE_SECONDS } from '../devices/device.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import { CONTROLS_OFF, type Controls } from './controls.ts';
import { fitmentOf } from './fitment.ts';
import { type PlayRequest, playVehicle } from './vehicleRun.ts';

const van = demoJob('library-route-1');
const minibus = demoJob('dial-a-ride-2');
const LEFT: Partial<Controls> = { key: 'on', turn: 'left' };

function play(
  job: Job,
  configuration: Configuration,
  change: Partial<Controls>,
  more: Partial<PlayRequest> = {},
) {
  return playVehicle({
    vehicle: job.vehicle,
    fitment: fitmentOf(job, DEMO_SHELF, configuration),
    controls: { ...CONTROLS_OFF, ...change },
    emfVolts: 12.6,
    thresholdAmps: 2.9,
    ...more,
  });
}

describe('a relay played on its circuit', () => {
  it('decides each flash by what it sees once the inrush has passed', () => {
    const { flashes } = play(van, 'stock', LEFT, { flashes: 4 });
    expect(flashes.length).toBe(4);
    expect(flashes.every((flash) => !flash.missesLamp)).toBe(true);
    // The first flash starts from cold filaments, which still draw a little more when the relay looks.
    const amps = flashes.map((flash) => flash.sampledAmps);
    expect(amps[0]).toBeGreaterThan(amps[2] ?? 0);
    expect((amps[0] ?? 0) / (amps[2] ?? 1)).toBeLessThan(1.15);
    expect(amps[3]).toBeCloseTo(amps[2] ?? 0, 2);
  });

  it('runs fast from the first flash with LEDs', () => {
    const { flashes } = play(van, 'leds', LEFT, { flashes: 4 });
    for (const [index, flash] of flashes.entries()) {
      expect(flash.missesLamp).toBe(true);
      expect(60 / flash.periodSeconds).toBeCloseTo(176, 6);
      expect(flash.onSeconds).toBeGreaterThanOrEqual(WATCHER_SAMPLE_SECONDS);
      expect(flash.startSeconds).toBeCloseTo(index * flash.periodSeconds, 9);
    }
  });

  it('ends exactly with the flash asked for last, or at the time asked for', () => {
    const whole = play(van, 'stock', LEFT, { flashes: 2 });
    expect(whole.seconds).toBeCloseTo((2 * 60) / 88, 9);
    expect(play(van, 'stock', LEFT, { seconds: 2 }).seconds).toBeCloseTo(2, 9);
    expect(play(van, 'stock', { brake: true }).flashes).toEqual([]);
  });
});

describe('what is played', () => {
  const lit = (job: Job, configuration: Configuration, change: Partial<Controls>) =>
    play(job, configuration, change)
      .emitters.filter((emitter) => emitter.curve.at(1.5) > 0.01)
      .map((emitter) => `${emitter.lampId}:${emitter.input}`);

  it('a twin bulb gives light from the filament that is fed', () => {
    expect(lit(van, 'stock', { lights: true })).toContain('stop-tail-left:dim');
    expect(lit(van, 'stock', { lights: true })).not.toContain('stop-tail-left:main');
    expect(lit(van, 'stock', { brake: true })).toContain('stop-tail-left:main');
  });

  it('an inside lamp fades up over its time', () => {
    const curve = play(minibus, 'leds', { doors: true }).emitters.find(
      (emitter) => emitter.lampId === 'saloon-1',
    )?.curve;
    const light = [0.1, 0.4, 0.7, 1.2].map((seconds) => curve?.at(seconds) ?? 0);
    expect(light).toEqual(light.toSorted((a, b) => a - b));
    expect(light[0]).toBeLessThan(0.3);
    expect(light[3]).toBeGreaterThan(0.8);
  });

  it('an LED on a pulsed feed gives the share of its light that the pulses are long', () => {
    const tail = play(minibus, 'leds', { lights: true }).emitters.find(
      (emitter) => emitter.lampId === 'stop-tail-left',
    );
    expect(tail?.pulsed).toMatchObject({ hertz: 200, modulation: 1, mean: 0.22 });
    expect(tail?.curve.at(1)).toBeGreaterThan(0.19);
    expect(tail?.curve.at(1)).toBeLessThan(0.24);
  });

  it('foresees a fuse that is loaded past what it holds, and says when', () => {
    const weak: Job = {
      ...van,
      vehicle: {
        ...van.vehicle,
        fuses: van.vehicle.fuses.map((fuse) => (fuse.id === 'stop-fuse' ? { ...fuse, ratedAmps: 3 } : fuse)),
      },
    };
    const played = play(weak, 'stock', { brake: true });
    expect(played.events.some((event) => event.kind === 'fuse')).toBe(true);
    expect(play(van, 'stock', { brake: true }).events).toEqual([]);
  });
});
