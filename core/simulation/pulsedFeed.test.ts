import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls } from './controls.ts';
import { type Fitment, fitmentOf } from './fitment.ts';
import { emittersOf } from './lampLight.ts';
import { afterglowSeconds, playPulses } from './pulsedFeed.ts';
import { VehicleSimulation } from './vehicleSimulation.ts';

const job = demoJob('dial-a-ride-2');
const bare = fitmentOf(job, DEMO_SHELF, 'leds');
const lights: Controls = { ...CONTROLS_OFF, key: 'on', lights: true };
const content = bare.contents.get('position-left');
const emitter = content && emittersOf(lampById(job.vehicle, 'position-left'), content, false)[0];
if (!emitter) throw new Error('the position lamp has an LED');

const smoothed = (capacitorFarads: number): Fitment => ({
  ...bare,
  wired: ['position-left', 'position-right'].map((lampId) => ({
    kind: 'before-lamp' as const,
    lampId,
    part: { kind: 'decoder', id: 'd', code: 'd', name: 'd', price: 0, stock: 0, capacitorFarads },
  })),
});
const played = (fitment: Fitment, duty: number, hertz = 200) =>
  playPulses(
    new VehicleSimulation(job.vehicle, fitment),
    lights,
    14.4,
    'position-left',
    { hertz, duty },
    emitter,
  );

describe('a pulsed feed, played', () => {
  it('without a capacitor is dark in every pause, and its mean is its share of the light in the pulses', () => {
    const full = played(bare, 0.999).high;
    for (const duty of [0.2, 0.5, 0.8]) {
      const light = played(bare, duty);
      expect(light.low).toBeLessThan(1e-3);
      expect(light.modulation).toBeGreaterThan(0.999);
      expect(light.mean / full).toBeGreaterThan(duty - 0.04);
      expect(light.mean / full).toBeLessThan(duty + 0.04);
    }
  });

  it('with one keeps between its own least and most, and follows a quicker pulse less', () => {
    const slow = played(smoothed(1e-4), 0.5, 100);
    const quick = played(smoothed(1e-4), 0.5, 400);
    expect(slow.modulation).toBeGreaterThan(2 * quick.modulation);
    for (const light of [slow, quick]) {
      expect(light.low).toBeLessThanOrEqual(light.mean);
      expect(light.mean).toBeLessThanOrEqual(light.high);
    }
  });

  it('the ripple by hand: I (1 − D) / (f C) off the held volts, while it is small', () => {
    // A series-resistor LED: its current follows the held volts over its own drop in a straight line.
    const light = played(smoothed(1e-3), 0.5);
    const part = content?.kind === 'led' ? content.part : null;
    if (part?.ballast.kind !== 'series-resistor') throw new Error('the position LED has a series resistor');
    const { forwardVolts } = part.ballast;
    // Of the volts over its drop the bridge of one that lights either way round takes 0.8 to 1.6, two junctions.
    expect(part.polarity).toBe('either');
    const expected = (bridgeVolts: number) => {
      const ohms = (part.atVolts - forwardVolts - bridgeVolts) / (part.watts / part.atVolts);
      // ΔV / 2 over R is half the swing of the current; the current itself falls out of the ratio.
      return 0.5 / (200 * 1e-3) / 2 / ohms;
    };
    expect(light.modulation).toBeGreaterThan(expected(0.8));
    expect(light.modulation).toBeLessThan(expected(1.6));
  });
});

describe('an LED whose feed goes off', () => {
  const glow = (fitment: Fitment, onSeconds = 0.3) =>
    afterglowSeconds(new VehicleSimulation(job.vehicle, fitment), lights, 14.4, 'position-left', emitter, {
      onSeconds,
      dark: 0.02,
    });

  it('is dark at once without a capacitor, and glows in proportion to one', () => {
    expect(glow(bare)).toBeLessThanOrEqual(0.002 + 1e-9);
    const ratio = glow(smoothed(2e-3)) / glow(smoothed(1e-3));
    expect(ratio).toBeGreaterThan(1.9);
    expect(ratio).toBeLessThan(2.1);
  });

  it('by hand: one time constant of its resistor and the capacitor to a third of its volts over the drop', () => {
    const part = content?.kind === 'led' ? content.part : null;
    if (part?.ballast.kind !== 'series-resistor') throw new Error('the position LED has a series resistor');
    const ohms = (part.atVolts - part.ballast.forwardVolts) / (part.watts / part.atVolts);
    const half = afterglowSeconds(
      new VehicleSimulation(job.vehicle, smoothed(1e-3)),
      lights,
      14.4,
      'position-left',
      emitter,
      {
        onSeconds: 0.3,
        dark: 1 / Math.E,
      },
    );
    // From the light it has at 14.4 V, somewhat over rated, down to 1/e of rated.
    expect(half).toBeGreaterThan(ohms * 1e-3);
    expect(half).toBeLessThan(2 * ohms * 1e-3);
  });

  it('a short test pulse fills it less', () => {
    expect(glow(smoothed(4.7e-3), 1e-4)).toBeLessThan(glow(smoothed(4.7e-3), 0.1));
  });
});
