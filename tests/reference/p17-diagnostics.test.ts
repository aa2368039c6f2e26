/**
 * P17: ISO 14229, from memory: 0x19 02 status mask answers 0x59 02; 0x14 FF FF FF answers 0x54; 0x22 answers 0x62; 0x2E
 * answers 0x6E; a refusal is 0x7F, the service and a code (0x11 service, 0x12 sub-function, 0x13 length, 0x22 conditions, 0x31
 * range). And P16: a code in its bytes.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bytesOfCode, codeFromBytes } from '../../core/formats/dtc.ts';
import { DiagnosticAdapter } from '../../core/instruments/adapter.ts';
import { BenchVehicle } from '../../core/instruments/benchVehicle.ts';
import type { Controls } from '../../core/simulation/controls.ts';
import { CONTROLS_OFF } from '../../core/simulation/controls.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

const ON: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left' };
/** The demo minibus with its LEDs alone: its controller misses its lamps. */
function plugged(controls: Controls = ON) {
  const panel = { configuration: 'leds' as const, controls, emfVolts: 12.6 };
  const vehicle = new BenchVehicle(demoJob('dial-a-ride-2'), DEMO_SHELF, panel, [], () => 0);
  const adapter = new DiagnosticAdapter(vehicle, () => 12.6);
  const turnKey = (key: Controls['key']) => vehicle.setPanel({ ...panel, controls: { ...ON, key } });
  return { vehicle, adapter, turnKey };
}

describe('the diagnostic adapter', () => {
  it('reads stored codes, clears them, and finds them again while the fault is there', () => {
    const { adapter, turnKey, vehicle } = plugged();
    const stored = adapter.line('1902FF').split(' ');
    expect(stored.slice(0, 2)).toEqual(['59', '02']);
    expect(vehicle.storedCodes.length).toBeGreaterThan(0);
    expect(stored).toHaveLength(3 + 4 * vehicle.storedCodes.length);
    const [high = 0, low = 0] = stored.slice(3).map((byte) => Number.parseInt(byte, 16));
    expect(vehicle.storedCodes.some((code) => code.startsWith(codeFromBytes(high, low)))).toBe(true);
    expect(adapter.line('14 FF FF FF')).toBe('54');
    expect(adapter.line('1902FF')).toBe('59 02 2F');
    turnKey('off');
    turnKey('on');
    expect(adapter.line('1902FF').split(' ').length).toBeGreaterThan(3);
  });

  it('writes what a lamp is taken for, which counts once the key was off, and the codes stay away', () => {
    const { adapter, turnKey, vehicle } = plugged();
    const at = vehicle.settings.circuits.indexOf('turn-left');
    expect(at).toBeGreaterThanOrEqual(0);
    const id = (0x4c00 + at).toString(16).toUpperCase();
    expect(adapter.line(`22${id}`).replaceAll(' ', '')).toBe(`62${id}00`);
    for (const [index] of vehicle.settings.circuits.entries()) {
      const each = (0x4c00 + index).toString(16).toUpperCase();
      expect(adapter.line(`2E${each}01`).replaceAll(' ', '')).toBe(`6E${each}`);
    }
    expect(adapter.line(`22${id}`).replaceAll(' ', '')).toBe(`62${id}01`);
    const before = vehicle.traces.ratePerMinute ?? 0;
    turnKey('off');
    turnKey('on');
    adapter.line('14FFFFFF');
    turnKey('off');
    turnKey('on');
    expect(vehicle.traces.ratePerMinute).toBeLessThan(before);
    expect(adapter.line('1902FF')).toBe('59 02 2F');
  });

  it.each([
    ['3E00', '7F 3E 11'],
    ['1901FF', '7F 19 12'],
    ['1902', '7F 19 13'],
    ['14FFFF', '7F 14 13'],
    ['14000000', '7F 14 31'],
    ['22F190', '7F 22 31'],
    ['2E4C0007', '7F 2E 31'],
    ['2E4C00', '7F 2E 13'],
  ])('refuses %s with %s', (request, answer) => expect(plugged().adapter.line(request)).toBe(answer));

  it('answers nothing but "conditions" with the key off', () => {
    expect(plugged(CONTROLS_OFF).adapter.line('1902FF')).toBe('7F 19 22');
  });

  it('speaks in lines, and says ? to what it does not understand', () => {
    const { adapter } = plugged();
    expect(adapter.line('ATE0')).toBe('OK');
    expect(adapter.line('atrv')).toBe('12.6V');
    for (const line of ['', 'hello', 'AT', '190', 'Ω', '00'.repeat(65), 'A'.repeat(5000)])
      expect(adapter.line(line)).toBe('?');
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), (line) => {
        adapter.line('ATE0');
        expect(adapter.line(line)).toMatch(/./);
      }),
      { numRuns: 300, seed: 17 },
    );
  });

  it('takes a code apart as it is put together', () => {
    expect(bytesOfCode('B1234')).toEqual([0x92, 0x34, 0]);
    expect(bytesOfCode('B1A12-18')).toEqual([0x9a, 0x12, 0x18]);
    for (const [high, low] of [
      [0x92, 0x34],
      [0x01, 0xff],
      [0xff, 0x00],
    ] as const)
      expect(bytesOfCode(codeFromBytes(high, low)).slice(0, 2)).toEqual([high, low]);
  });
});
