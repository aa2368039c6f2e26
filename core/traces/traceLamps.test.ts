import { describe, expect, it } from 'vitest';
import { relayOf } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import { supplyVoltsFor } from './supply.ts';
import { traceLamps, WAVEFORM_SAMPLES } from './traceLamps.ts';
import { lightAt } from './waveform.ts';

const [open, troubled, finished] = demoJobs() as [Job, Job, Job];
const LEFT: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left' };

describe('traceLamps', () => {
  it('lights what the panel says: turn needs the key, hazard does not, and hazard wins', () => {
    const lit = (controls: Controls) => traceLamps(open, DEMO_SHELF, 'stock', controls, 12.6).sides;
    expect(lit(CONTROLS_OFF)).toEqual([]);
    expect(lit({ ...LEFT, key: 'off' })).toEqual([]);
    expect(lit(LEFT)).toEqual(['left']);
    expect(lit({ ...CONTROLS_OFF, hazard: true })).toEqual(['left', 'right']);
    expect(lit({ ...LEFT, hazard: true })).toEqual(['left', 'right']);
  });

  it('obeys the true threshold of the simulated vehicle', () => {
    expect(traceLamps(troubled, DEMO_SHELF, 'cured', LEFT, 12.6).ratePerMinute).toBe(176);
    for (const volts of [11.8, 12.6, 13.5, 14.4]) {
      expect(traceLamps(finished, DEMO_SHELF, 'cured', LEFT, volts).ratePerMinute).toBe(88);
    }
  });

  it('takes the middle of the band, and says so, where the threshold is unknown', () => {
    const { simulatedThreshold: _, ...flasher } = relayOf(open.vehicle);
    const played = traceLamps(
      { ...open, vehicle: { ...open.vehicle, flasher } },
      DEMO_SHELF,
      'leds',
      LEFT,
      12.6,
    );
    expect(played.thresholdAssumed).toBe(true);
    expect(played.thresholdAmps).toBeCloseTo((2.12 + 3.86) / 2, 1);
    expect(played.missesLamp).toBe(true);
  });

  it.each([
    ['fixed', 2.9],
    ['proportional', (2.9 * 11.8) / 13.5],
    ['filament', 2.9 * (11.8 / 13.5) ** 0.54],
  ] as const)('a %s threshold follows the supply as it should', (law, amps) => {
    const flasher = { ...relayOf(open.vehicle), simulatedThreshold: { amps: 2.9, atVolts: 13.5, law } };
    const played = traceLamps(
      { ...open, vehicle: { ...open.vehicle, flasher } },
      DEMO_SHELF,
      'stock',
      LEFT,
      11.8,
    );
    expect(played.thresholdAmps).toBeCloseTo(amps, 9);
  });

  it('fades a filament up and down and switches an LED hard', () => {
    const wave = (configuration: 'stock' | 'leds') =>
      traceLamps(open, DEMO_SHELF, configuration, LEFT, 12.6).lamps.find(
        (lamp) => lamp.lampId === 'rear-left',
      )?.waveform ?? [];
    const filament = wave('stock');
    expect(filament.length).toBe(WAVEFORM_SAMPLES);
    const peak = Math.max(...filament);
    const risen = filament.findIndex((light) => light > 0.9 * peak) / WAVEFORM_SAMPLES;
    const riseSeconds = risen * (60 / 88);
    expect(riseSeconds).toBeGreaterThan(0.08);
    expect(riseSeconds).toBeLessThan(0.2);
    const led = wave('leds');
    const full = Math.max(...led);
    const between = led.filter((light) => light > 0.01 * full && light < 0.99 * full);
    expect(between.length).toBeLessThanOrEqual(1);
    expect(led[1]).toBeGreaterThan(0.99 * full);
  });

  it('keeps a dead bulb dark and the rest lit', () => {
    const dead: Job = {
      ...open,
      lookOver: { ...open.lookOver, lamps: { 'rear-left': { condition: 'dead', note: '' } } },
    };
    const played = traceLamps(dead, DEMO_SHELF, 'stock', LEFT, 12.6);
    const steady = (id: string) => played.lamps.find((lamp) => lamp.lampId === id)?.steady;
    expect(steady('rear-left') ?? 0).toBe(0);
    expect(steady('front-left')).toBeGreaterThan(0.5);
    expect(played.ratePerMinute).toBe(176);
  });

  it('shows an amber bulb behind clear glass as amber', () => {
    const lamp = traceLamps(open, DEMO_SHELF, 'stock', LEFT, 12.6).lamps.find(
      (each) => each.lampId === 'front-left',
    );
    expect(lamp?.colour).toBe('amber');
  });

  it('reads a waveform at any moment, before the start too', () => {
    const wave = Array.from({ length: WAVEFORM_SAMPLES }, (_, index) => index);
    expect(lightAt(wave, 1, 0)).toBe(0);
    expect(lightAt(wave, 1, 3.999)).toBe(WAVEFORM_SAMPLES - 1);
    expect(lightAt(wave, 1, -0.001)).toBe(WAVEFORM_SAMPLES - 1);
  });

  it('gives the supply its volts by the key', () => {
    expect(supplyVoltsFor(open.vehicle, 'running')).toBeCloseTo(14.4, 9);
    expect(supplyVoltsFor(open.vehicle, 'off')).toBeCloseTo(12.6, 9);
    expect(supplyVoltsFor({ ...open.vehicle, systemVolts: 24 }, 'running')).toBeCloseTo(28.8, 9);
  });
});
