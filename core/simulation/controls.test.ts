import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import type { Circuit, CircuitKind } from '../model/vehicle/circuit.ts';
import type { ControllerOutput } from '../model/vehicle/flasher.ts';
import {
  CONTROLS_OFF,
  type Controls,
  dutyOf,
  flashingSides,
  litSides,
  outputOf,
  stopsThroughTurn,
  wanted,
} from './controls.ts';

const circuit = (kind: CircuitKind, more: Partial<Circuit> = {}): Circuit => ({
  id: kind,
  kind,
  name: kind,
  side: null,
  feeds: [{ lampId: 'lamp', input: 'main' }],
  from: { by: 'switch', fuseId: 'fuse' },
  wire: { lengthM: 1, areaMm2: 1 },
  switchOhms: 0.01,
  ...more,
});
const on = (change: Partial<Controls>): Controls => ({ ...CONTROLS_OFF, ...change });

describe('which sides flash', () => {
  it('hazard without the key, turn only with it', () => {
    expect(litSides(on({ hazard: true }))).toEqual(['left', 'right']);
    expect(litSides(on({ turn: 'left' }))).toEqual([]);
    expect(litSides(on({ turn: 'left', key: 'on' }))).toEqual(['left']);
    expect(litSides(on({ turn: 'left', key: 'running', hazard: true }))).toEqual(['left', 'right']);
  });

  it('only sides the vehicle has', () => {
    const vehicle = structuredClone(demoJob('library-route-3').vehicle);
    vehicle.circuits = vehicle.circuits.filter((each) => each.side !== 'right' || each.kind !== 'turn');
    expect(flashingSides(vehicle, on({ hazard: true }))).toEqual(['left']);
  });
});

describe('what the panel asks for', () => {
  it.each<[CircuitKind, Partial<Controls>, boolean]>([
    ['stop', { brake: true }, true],
    ['stop', { lights: true, key: 'running' }, false],
    ['third-brake', { brake: true }, true],
    ['tail', { lights: true }, true],
    ['tail', { brake: true }, false],
    ['plate', { lights: true }, true],
    ['marker', {}, false],
    ['reverse', { reverse: true }, false],
    ['reverse', { reverse: true, key: 'on' }, true],
    ['rear-fog', { fog: true }, false],
    ['rear-fog', { fog: true, lights: true }, true],
    ['dipped-beam', { lights: true, key: 'on' }, true],
    ['dipped-beam', { lights: true, key: 'on', mainBeam: true }, false],
    ['main-beam', { lights: true, key: 'on', mainBeam: true }, true],
    ['main-beam', { mainBeam: true, key: 'on' }, false],
    ['interior', { doors: true }, true],
    ['dash', { lights: true }, true],
    ['charge', { key: 'on' }, true],
    ['charge', {}, false],
  ])('%s with %o: %s', (kind, controls, expected) => {
    expect(wanted(circuit(kind), on(controls))).toBe(expected);
  });

  it('a tail output that goes to full with the brake is wanted then too', () => {
    expect(wanted(circuit('tail', { fullWithBrake: true }), on({ brake: true }))).toBe(true);
  });

  it('a filament that turns and stops: the turn switch takes over from the brake on its own side', () => {
    const both = circuit('turn', { side: 'left', stopFuseId: 'stop-fuse', from: { by: 'flasher' } });
    expect(stopsThroughTurn(both, on({ brake: true }))).toBe(true);
    expect(stopsThroughTurn(both, on({ brake: true, key: 'on', turn: 'left' }))).toBe(false);
    expect(stopsThroughTurn(both, on({ brake: true, key: 'on', turn: 'right' }))).toBe(true);
    expect(stopsThroughTurn(both, on({ brake: true, hazard: true }))).toBe(false);
    expect(stopsThroughTurn(circuit('turn', { side: 'left' }), on({ brake: true }))).toBe(false);
  });
});

describe('the share of time an output is on', () => {
  const output = (pwm: ControllerOutput['pwm']): ControllerOutput => ({
    circuitId: 'tail',
    onOhms: 0.02,
    limitAmps: 8,
    retries: 1,
    blankingSeconds: 0.1,
    ...(pwm ? { pwm } : {}),
  });

  it('is all of it without pulses', () => {
    expect(dutyOf(circuit('tail'), output(undefined), on({ lights: true }), 14.4)).toBe(1);
    expect(dutyOf(circuit('tail'), undefined, on({ lights: true }), 14.4)).toBe(1);
  });

  it('holding volts it is their square: (12.8 / 14.4)², and never over one', () => {
    const hold = output({ to: 'hold', hertz: 200, holdVolts: 12.8 });
    expect(dutyOf(circuit('tail'), hold, on({ lights: true }), 14.4)).toBeCloseTo(0.7901, 4);
    expect(dutyOf(circuit('tail'), hold, on({ lights: true }), 11.8)).toBe(1);
  });

  it('dimming it is as told, and full where the brake asks for that', () => {
    const dim = output({ to: 'dim', hertz: 200, duty: 0.22 });
    expect(dutyOf(circuit('tail'), dim, on({ lights: true, brake: true }), 12.6)).toBe(0.22);
    const full = circuit('tail', { fullWithBrake: true });
    expect(dutyOf(full, dim, on({ lights: true }), 12.6)).toBe(0.22);
    expect(dutyOf(full, dim, on({ lights: true, brake: true }), 12.6)).toBe(1);
  });

  it('comes from the output that drives the circuit, where a controller does', () => {
    const { vehicle } = demoJob('dial-a-ride-2');
    const tail = vehicle.circuits.find((each) => each.id === 'tail-left');
    expect(tail && outputOf(vehicle, tail)?.circuitId).toBe('tail-left');
    expect(outputOf(demoJob('library-route-3').vehicle, circuit('tail'))).toBeUndefined();
  });
});
