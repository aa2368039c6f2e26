import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import type { Circuit, CircuitKind } from '../model/vehicle/circuit.ts';
import type { ControllerOutput } from '../model/vehicle/flasher.ts';
import {
  CONTROLS_OFF,
  type Controls,
  daytimeLevel,
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
    ['work', { work: true }, true],
    ['work', { lights: true, key: 'on' }, false],
    ['beacon', { beacon: true }, true],
    ['daytime-running', { key: 'on' }, true],
    ['daytime-running', {}, false],
    ['dash', { lights: true }, true],
    ['charge', { key: 'on' }, true],
    ['charge', {}, false],
  ])('%s with %o: %s', (kind, controls, expected) => {
    expect(wanted(circuit(kind), on(controls))).toBe(expected);
  });

  it.each<[NonNullable<Circuit['daytime']>, Partial<Controls>, 'off' | 'dimmed' | 'same']>([
    // Common practice: off or position light with the lights, off or dimmed beside a turn lamp that flashes.
    [{ lights: 'off', turning: 'off' }, {}, 'same'],
    [{ lights: 'off', turning: 'same' }, { lights: true }, 'off'],
    [{ lights: 'dimmed', turning: 'same' }, { lights: true }, 'dimmed'],
    [{ lights: 'same', turning: 'off' }, { turn: 'left' }, 'off'],
    [{ lights: 'same', turning: 'off' }, { turn: 'right' }, 'same'],
    [{ lights: 'same', turning: 'dimmed' }, { hazard: true }, 'dimmed'],
    [{ lights: 'dimmed', turning: 'off' }, { lights: true, turn: 'left' }, 'off'],
    [{ lights: 'same', turning: 'same' }, { lights: true, turn: 'left' }, 'same'],
  ])('a daytime running lamp on the left that goes %o with %o is %s', (daytime, controls, expected) => {
    const left = circuit('daytime-running', { side: 'left', daytime });
    const panel = on({ key: 'on', ...controls });
    expect(daytimeLevel(left, panel)).toBe(expected);
    expect(wanted(left, panel)).toBe(expected !== 'off');
    const output = { circuitId: left.id, pwm: { to: 'dim', hertz: 120, duty: 0.15 } } as ControllerOutput;
    if (expected !== 'off') expect(dutyOf(left, output, panel, 12)).toBe(expected === 'dimmed' ? 0.15 : 1);
  });

  it('a cornering lamp comes on with the lights and the turn of its own side', () => {
    const left = circuit('cornering', { side: 'left' });
    expect(wanted(left, on({ key: 'on', lights: true, turn: 'left' }))).toBe(true);
    for (const not of [
      { lights: true },
      { turn: 'left' },
      { lights: true, turn: 'right' },
      { lights: true, hazard: true },
    ] as const)
      expect(wanted(left, on({ key: 'on', ...not }))).toBe(false);
  });

  it('a door, a lid and a switch of its own each light their own lamps', () => {
    const by = { door: 'doors', lid: 'lids', 'lamp-switch': 'lampSwitches' } as const;
    for (const [workedBy, control] of Object.entries(by) as ['door', 'doors'][])
      for (const other of Object.values(by))
        expect(wanted(circuit('interior', { workedBy }), on({ [other]: true }))).toBe(other === control);
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
