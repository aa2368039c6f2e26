import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { manyLampJob } from '../../tests/bench/large.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { traceLamps } from '../traces/traceLamps.ts';
import { faultName } from '../words/faults.ts';
import { fittedVehicle } from './faultKind.ts';
import { FAULT_KINDS, type Fault, kindOf, strikesOf } from './kinds.ts';
import { FEW_PLACES, faultsInScope, possibleFaults } from './library.ts';

const FLEET = ['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'];
const van = demoJob('library-route-1');
const LEFT: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left' };

const play = (job: Job, configuration: Configuration, controls: Controls, faults: readonly Fault[]) =>
  traceLamps(job, DEMO_SHELF, configuration, controls, 12.6, faults);
const rate = (...faults: Fault[]) => play(van, 'cured', LEFT, faults).ratePerMinute;
const lit = (
  job: Job,
  controls: Controls,
  faults: readonly Fault[],
  configuration: Configuration = 'cured',
) =>
  play(job, configuration, controls, faults)
    .lamps.filter(({ steady, lampId }) => steady > 0.05 && lampId !== 'charge-lamp')
    .map(({ lampId }) => lampId);

describe('the faults a vehicle may have', () => {
  it('have names of their own, and the kind’s prior shared among its places', () => {
    for (const id of FLEET) {
      const job = demoJob(id);
      for (const configuration of ['stock', 'leds', 'cured'] as const) {
        const faults = possibleFaults(job, fitmentOf(job, DEMO_SHELF, configuration));
        expect(new Set(faults.map((each) => each.id)).size, id).toBe(faults.length);
        // A kind is listed under the name its faults bear.
        for (const each of faults) expect(each.id.split(':')[0]).toBe(each.fault.kind);
        for (const [name, kind] of Object.entries(FAULT_KINDS))
          for (const fault of kind.of(fittedVehicle(job.vehicle, fitmentOf(job, DEMO_SHELF, configuration))))
            expect(fault.kind).toBe(name);
        expect(new Set(faults.map((each) => faultName(each.fault, job.vehicle))).size, id).toBe(
          faults.length,
        );
        const kinds = new Set(faults.map(({ fault }) => fault.kind));
        for (const kind of kinds) {
          const those = faults.filter(({ fault }) => fault.kind === kind);
          const sum = those.reduce((total, { prior }) => total + prior, 0);
          const places = those.reduce(
            (sum, { fault }) => sum + (kindOf(fault).weight?.(fault, job.vehicle) ?? 1),
            0,
          );
          const share = Math.min(1, places / FEW_PLACES);
          expect(sum, kind).toBeCloseTo(share * FAULT_KINDS[kind].prior, 6);
        }
      }
    }
  });

  it('are simulated on every demo vehicle without a failure, two places of each kind', () => {
    for (const id of FLEET) {
      const job = demoJob(id);
      const fitment = fitmentOf(job, DEMO_SHELF, 'cured');
      const faults = possibleFaults(job, fitment);
      expect(faults.length).toBeGreaterThan(30);
      const controls: Controls = { ...CONTROLS_OFF, key: 'on', lights: true, brake: true };
      const counted = new Map<string, number>();
      for (const { fault, id: name } of faults) {
        counted.set(fault.kind, (counted.get(fault.kind) ?? 0) + 1);
        if ((counted.get(fault.kind) ?? 0) > 2) continue;
        const solved = new VehicleSimulation(job.vehicle, fitment, strikesOf(job.vehicle, [fault])).resting(
          controls,
          12.6,
        );
        for (const node of solved.nodes)
          expect(Number.isFinite(solved.nodeVolts(node)), `${id} ${name}`).toBe(true);
      }
    }
  });
});

describe('what may be wrong of what is fitted', () => {
  const names = (configuration: Configuration) =>
    faultsInScope(van, fitmentOf(van, DEMO_SHELF, configuration)).map(({ fault }) =>
      faultName(fault, van.vehicle),
    );

  it('is what the bulbs allow: only a one-way LED can be the wrong way round', () => {
    expect(names('leds')).toContain('Repeater left: LED the wrong way round');
    expect(names('leds')).not.toContain('Rear left: LED the wrong way round');
    expect(names('stock').some((name) => name.includes('way round'))).toBe(false);
    expect(names('cured')).toContain('Rear left: resistor makes no contact, or lies on earth');
    expect(names('leds').some((name) => name.includes('resistor'))).toBe(false);
  });

  it('names leaks only where an LED would show them, and only what the job may disturb', () => {
    expect(names('leds')).toContain('Left turn: its feed leaks while off');
    expect(names('stock').some((name) => name.includes('leaks'))).toBe(false);
    expect(names('cured').some((name) => /reading|dash|plate/i.test(name))).toBe(false);
  });

  it('says nothing of flashers where nothing flashes', () => {
    const dome = {
      ...van,
      cures: {},
      scope: { lampIds: ['reading-1'], aim: null },
      chosen: { 'reading-1': 'led-snipe-1' },
    };
    const found = faultsInScope(dome, fitmentOf(dome, DEMO_SHELF, 'leds'));
    expect(found.length).toBeGreaterThan(3);
    expect(found.some(({ fault }) => /turn|relay|flash/i.test(faultName(fault, dome.vehicle)))).toBe(false);
  });
});

// Rows of the trade's table of symptoms, each from the cause it is usually put down to.
describe('what a fault does is what the trade says of it', () => {
  it('fast on one side: a resistor whose tap is open, or a lamp that is dead', () => {
    expect(rate()).toBeLessThan(100);
    expect(rate({ kind: 'tap-open', lampId: 'rear-left', index: 0 })).toBeGreaterThan(150);
    expect(rate({ kind: 'resistor-value', lampId: 'rear-left', index: 0, factor: 40 })).toBeGreaterThan(150);
  });

  it('never flashes: the relay’s earth is missing; stays on: supply and lamps crossed', () => {
    expect(rate({ kind: 'relay-stuck', closed: false })).toBeNull();
    expect(lit(van, LEFT, [{ kind: 'relay-stuck', closed: false }])).toEqual([]);
    expect(rate({ kind: 'relay-stuck', closed: true })).toBeNull();
    expect(lit(van, LEFT, [{ kind: 'relay-stuck', closed: true }])).toContain('rear-left');
  });

  it('all four flash: left and right joined', () => {
    expect(lit(van, LEFT, [])).not.toContain('rear-right');
    expect(lit(van, LEFT, [{ kind: 'sides-bridged', ohms: 0.05 }])).toContain('rear-right');
  });

  it('dim and bright swapped: a twin bulb half a turn out', () => {
    const lights: Controls = { ...CONTROLS_OFF, lights: true };
    const steady = (faults: readonly Fault[]) =>
      play(van, 'stock', lights, faults)
        .lamps.filter(({ lampId }) => lampId === 'stop-tail-left')
        .map(({ input, steady: light }) => (light > 0.3 ? input : ''))
        .filter(Boolean);
    expect(steady([])).toEqual(['dim']);
    expect(steady([{ kind: 'half-turned', lampId: 'stop-tail-left' }])).toEqual(['main']);
  });

  it('of a vehicle of many lamps are about as many a lamp as of one of few: plugs reach those beside them', () => {
    const perLamp = [80, 300].map((lamps) => {
      const job = manyLampJob(lamps);
      return faultsInScope(job, fitmentOf(job, DEMO_SHELF, 'cured')).length / job.vehicle.lamps.length;
    });
    expect((perLamp[1] ?? 0) / (perLamp[0] ?? 0)).toBeLessThan(1.1);
    expect(perLamp[1]).toBeGreaterThan(4);
  });

  it('wrong lamp lights: holders exchanged', () => {
    const reverse: Controls = { ...CONTROLS_OFF, key: 'on', reverse: true };
    expect(lit(van, reverse, [], 'stock')).toEqual(['reverse']);
    expect(
      lit(van, reverse, [{ kind: 'exchanged', lampId: 'reverse', otherId: 'rear-right' }], 'stock'),
    ).toEqual(['rear-right']);
  });

  it('not lit at all: polarity, contact, fuse', () => {
    const brake: Controls = { ...CONTROLS_OFF, brake: true };
    expect(lit(van, brake, [{ kind: 'fuse-out', fuseId: 'stop-fuse' }], 'stock')).toEqual([]);
    expect(
      lit(van, brake, [{ kind: 'filament-open', lampId: 'stop-tail-left', input: 'main' }], 'stock'),
    ).not.toContain('stop-tail-left');
    expect(lit(van, brake, [{ kind: 'bulb-out', lampId: 'third-brake' }], 'stock')).not.toContain(
      'third-brake',
    );
  });

  it('fuse blows: a feed chafed to earth', () => {
    const brake: Controls = { ...CONTROLS_OFF, brake: true };
    const played = play(van, 'stock', brake, [{ kind: 'short-to-earth', circuitId: 'stop', ohms: 0.05 }]);
    expect(played.blownFuses).toContain('stop-fuse');
  });

  it('lamps of a housing feed back through a corroded carrier', () => {
    const lampIds = ['rear-left', 'stop-tail-left', 'rear-fog'];
    const light = (faults: readonly Fault[]) =>
      play(van, 'stock', { ...CONTROLS_OFF, brake: true }, faults)
        .lamps.filter(({ lampId }) => lampId === 'stop-tail-left')
        .reduce((sum, { steady }) => sum + steady, 0);
    expect(light([{ kind: 'corroded-carrier', group: 'rear-left', lampIds, ohms: 4 }])).toBeLessThan(
      0.7 * light([]),
    );
  });

  it('a message again: the setting was not taken', () => {
    const minibus = demoJob('dial-a-ride-2');
    const events = (faults: readonly Fault[]) =>
      play(minibus, 'cured', LEFT, faults).events.filter(({ kind }) => kind === 'message').length;
    expect(events([])).toBe(0);
    expect(events([{ kind: 'setting-lost', circuitIds: ['turn-left'] }])).toBeGreaterThan(0);
  });
});
