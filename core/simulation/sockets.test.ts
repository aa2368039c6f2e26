import { describe, expect, it } from 'vitest';
import { demoJob, firstTurn } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { Judge } from '../judge/judge.ts';
import type { Job } from '../model/job.ts';
import type { LedPart, Part } from '../model/part.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { traceLamps } from '../traces/traceLamps.ts';
import { CONTROLS_OFF, type Controls } from './controls.ts';

const van = demoJob('library-route-1');

/** The van with twin bayonet sockets in front: turn on the bright filament, position on the dim one. */
function twinFront(): Job {
  const vehicle: Vehicle = {
    ...van.vehicle,
    lamps: van.vehicle.lamps.map((lamp) =>
      lamp.id.startsWith('front-left') || lamp.id.startsWith('front-right')
        ? { ...lamp, base: 'BAY15d', stockBulb: 'P21-5W' }
        : lamp,
    ),
    circuits: van.vehicle.circuits.map((circuit) =>
      circuit.kind === 'tail'
        ? { ...circuit, feeds: [...circuit.feeds, { lampId: `front-${circuit.side}`, input: 'dim' }] }
        : circuit,
    ),
  };
  const identified = { ...van.identified, 'front-left': 'P21-5W', 'front-right': 'P21-5W' };
  return { ...van, vehicle, identified };
}

const withFront = (led: string): Job => {
  const job = twinFront();
  return { ...job, chosen: { ...job.chosen, 'front-left': led, 'front-right': led }, cures: {} };
};
const light = (
  job: Job,
  change: Partial<Controls>,
  input: 'main' | 'dim',
  shelf: readonly Part[] = DEMO_SHELF,
) =>
  traceLamps(job, shelf, 'leds', { ...CONTROLS_OFF, key: 'on', ...change }, 12.6).lamps.find(
    (lamp) => lamp.lampId === 'front-left' && lamp.input === input,
  );

describe('a switchback bulb', () => {
  const job = withFront('led-plover-wa');

  it('is white while parked, and hands over to amber while turning', () => {
    const parked = light(job, { lights: true }, 'dim');
    expect(parked?.colour).toBe('white');
    expect(parked?.steady).toBeGreaterThan(0.5);
    expect(light(job, { lights: true }, 'main')?.steady).toBe(0);
    const turning = { lights: true, turn: 'left' as const };
    expect(light(job, turning, 'main')?.colour).toBe('amber');
    expect(light(job, turning, 'main')?.steady).toBeGreaterThan(0.5);
    // White stays off between the flashes too.
    expect(light(job, turning, 'dim')?.steady).toBe(0);
    // The other side, not turning, stays white.
    expect(light(job, { lights: true, turn: 'right' }, 'dim')?.steady).toBeGreaterThan(0.5);
  });
});

describe('a twin-level LED', () => {
  it('gives its dim share from the tail feed and its full light from the turn feed', () => {
    const job = withFront('led-godwit-3r');
    const dim = light(job, { lights: true }, 'main')?.steady ?? 0;
    const bright = light(job, { turn: 'left' }, 'main')?.steady ?? 0;
    expect(dim).toBeGreaterThan(0.05);
    expect(dim).toBeLessThan(0.25);
    expect(bright / dim).toBeGreaterThan(5);
  });

  it('of unknown inside is judged as each of the three it may be', () => {
    const known = DEMO_SHELF.find((part): part is LedPart => part.id === 'led-godwit-3r');
    if (!known?.twin) throw new Error('led-godwit-3r');
    const unknown: Part = { ...known, twin: { ...known.twin, topology: 'unknown' } };
    const shelf = DEMO_SHELF.map((part) => (part.id === unknown.id ? unknown : part));
    const job = withFront('led-godwit-3r');
    const range = (of: readonly Part[]) => {
      const { amps } = Judge.of(job, of, 'leds').circuitAt(firstTurn(job.vehicle), 12.6, {
        lights: true,
        brake: false,
      });
      return amps.high - amps.low;
    };
    expect(range(DEMO_SHELF)).toBe(0);
    // A converter takes from whichever feed stands higher, which the others do not.
    expect(range(shelf)).toBeGreaterThan(0.02);
  });
});

describe('a 6 V vehicle', () => {
  it('is judged at half the volts, and flashes on its own bulbs', () => {
    const job: Job = {
      ...van,
      vehicle: { ...van.vehicle, systemVolts: 6 },
      identified: Object.fromEntries(
        van.vehicle.lamps.map((lamp) => [lamp.id, lamp.role === 'main' ? '1129' : '63']),
      ),
      chosen: {},
      cures: {},
    };
    const verdict = Judge.of(job, DEMO_SHELF, 'stock').verdict();
    expect(verdict.circuits[0]?.points.map((point) => point.volts)).toEqual([5.9, 6.3, 6.75, 7.2]);
    expect(verdict.circuits[0]?.state).toBe('holds');
    const played = traceLamps(job, DEMO_SHELF, 'stock', { ...CONTROLS_OFF, key: 'on', turn: 'left' }, 6.3);
    expect(played.ratePerMinute).toBe(88);
  });
});
