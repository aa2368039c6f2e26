import { describe, expect, it } from 'vitest';
import { bulbById, signalFilament } from '../../catalogue/bulbs.ts';
import { EARTH, type Element, type Netlist } from './netlist.ts';
import { heldDrives, type SpiceRequest, spiceText, spiceVector } from './spice.ts';

const P21W = bulbById('P21W');
if (!P21W) throw new Error('P21W');

const ELEMENTS: readonly Element[] = [
  { kind: 'battery', id: 'battery', a: '30', b: EARTH, volts: 12.6, ohms: 0.015 },
  { kind: 'switch', id: 'contact', a: '30', b: '49a', control: 'relay', closedOhms: 0.01 },
  { kind: 'resistor', id: 'lead', a: '49a', b: 'rear-left.feed', ohms: 0.1 },
  { kind: 'filament', id: 'bulb', a: 'rear-left.feed', b: EARTH, rating: signalFilament(P21W) },
  { kind: 'diode', id: 'd', a: '49a', b: 'rear_left.feed', saturationAmps: 1e-8, emission: 1.6 },
  { kind: 'regulator', id: 'g', a: 'rear_left.feed', b: EARTH, amps: 0.2, kneeVolts: 0.3 },
  { kind: 'converter', id: 'c', a: 'rear_left.feed', b: EARTH, watts: 3, startVolts: 8 },
  { kind: 'capacitor', id: 'cap', a: '49a', b: EARTH, farads: 1e-3, seriesOhms: 1e-3 },
];
const netlist: Netlist = { title: 'Käfer, turn circuits', elements: ELEMENTS };

function text(change: Partial<SpiceRequest> = {}): string[] {
  return spiceText({
    netlist,
    drives: heldDrives({ relay: true }),
    analysis: { kind: 'op' },
    volts: [{ name: 'feed', node: 'rear-left.feed' }],
    amps: [{ name: 'lead', elementId: 'lead' }],
    ...change,
  }).split('\n');
}

/** First letter of each element line tells SPICE what it is. */
const starting = (lines: readonly string[], letter: string) =>
  lines.filter((line) => line.startsWith(letter));

describe('SPICE text', () => {
  it('begins with a title of plain characters and ends with .end', () => {
    const lines = text();
    expect(lines[0]).toBe('* K fer, turn circuits');
    expect(lines.filter((line) => line !== '').at(-1)).toBe('.end');
    expect(lines.every((line) => /^[\x20-\x7e]*$/.test(line))).toBe(true);
  });

  it('gives every node a name of its own, though SPICE would take two for one', () => {
    const [one, two] = ['rear-left.feed', 'rear_left.feed'].map((node) => spiceVector(netlist, { node }));
    expect(one).not.toBe(two);
    expect(spiceVector(netlist, { node: '49a' })).toBe('v(n49a)');
    expect(spiceVector(netlist, { node: EARTH })).toBe('v(0)');
  });

  it('writes each kind of element with its value', () => {
    const lines = text();
    expect(starting(lines, 'R').some((line) => line.endsWith(' 0.1'))).toBe(true);
    expect(starting(lines, 'D').length).toBe(1);
    expect(lines.join('\n')).toMatch(/\.model dm\S+ D\(IS=1e-8 N=1\.6\)/);
    expect(starting(lines, 'B').some((line) => line.includes('tanh'))).toBe(true);
    expect(starting(lines, 'B').filter((line) => line.includes('exp(')).length).toBe(1);
    expect(starting(lines, 'Bt')[0]).toMatch(/abs\(V\(kelvin\S+\)\)\^3/);
    expect(starting(lines, 'Ct')[0]).toMatch(/ic=298\.15$/);
  });

  it('leads a metered current through a source of its name', () => {
    const lines = text();
    expect(lines.some((line) => /^Vm_lead meter\S+ \S+ DC 0$/.test(line))).toBe(true);
    expect(spiceVector(netlist, { meter: 'lead' })).toBe('i(vm_lead)');
    expect(lines.find((line) => line.startsWith('.save'))).toContain('i(vm_lead)');
  });

  it('holds a control, pulses it, and keeps one that nobody drives off', () => {
    expect(text().some((line) => line === 'Vc_relay ctl_relay 0 DC 1')).toBe(true);
    expect(text({ drives: {} }).some((line) => line === 'Vc_relay ctl_relay 0 DC 0')).toBe(true);
    const pulsed = text({ drives: { relay: { kind: 'pulse', periodSeconds: 0.68, onSeconds: 0.34 } } });
    expect(
      pulsed.some((line) => line === 'Vc_relay ctl_relay 0 PULSE(0 1 0 0.00001 0.00001 0.34 0.68)'),
    ).toBe(true);
  });

  it('starts a flashing circuit from given states and measures by name', () => {
    const lines = text({
      analysis: { kind: 'tran', seconds: 2, stepSeconds: 1e-3 },
      measures: [{ name: 'i_lead', of: { meter: 'lead' }, atSeconds: 1.5 }],
    });
    expect(lines).toContain('.tran 0.001 2 0 0.001 uic');
    expect(lines).toContain('.meas tran i_lead FIND i(vm_lead) AT=1.5');
    expect(starting(lines, 'C').every((line) => line.includes('ic='))).toBe(true);
    expect(text().join()).not.toContain('.meas');
  });
});
