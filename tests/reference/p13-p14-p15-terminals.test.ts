/**
 * DIN 72552 terminal numbers, ISO 1724 and SAE J1239 trailer sockets, IEC 60757 colour codes: all from memory, verify
 * against the standards.
 */
import { describe, expect, it } from 'vitest';
import { TERMINALS, TRAILER_SOCKETS } from '../../core/catalogue/terminals.ts';
import { WIRE_COLOURS, WIRE_SIZES } from '../../core/catalogue/wires.ts';

describe('P13: DIN 72552', () => {
  it.each([
    ['15', /switched/],
    ['30', /battery/],
    ['31', /earth/],
    ['49', /flasher, supply/],
    ['49a', /flasher, out/],
    ['C', /pilot/],
    ['L', /left/],
    ['R', /right/],
    ['54', /stop/],
    ['55', /fog/],
    ['58', /tail/],
    ['58L', /left/],
    ['58R', /right/],
  ])('%s', (mark, means) => {
    expect(TERMINALS.find((terminal) => terminal.mark === mark)?.means).toMatch(means);
  });
});

describe('P14: trailer sockets', () => {
  const pins = (name: RegExp) => TRAILER_SOCKETS.find((socket) => name.test(socket.name))?.pins ?? [];
  it.each([
    ['1', /L/, 'yellow'],
    ['2', /54g/, 'blue'],
    ['3', /31/, 'white'],
    ['4', /R/, 'green'],
    ['5', /58R/, 'brown'],
    ['6', /54/, 'red'],
    ['7', /58L/, 'black'],
  ])('ISO 1724 pin %s', (pin, means, colour) => {
    const found = pins(/^Seven/).find((each) => each.pin === pin);
    expect(found?.means).toMatch(means);
    expect(found?.colour).toBe(colour);
  });

  it('SAE J1239: white earth, brown tail, yellow left, green right', () => {
    expect(pins(/^Four/).map((pin) => `${pin.colour} ${pin.means}`)).toEqual([
      'white earth',
      'brown tail',
      'yellow left stop and turn',
      'green right stop and turn',
    ]);
  });
});

describe('P15: IEC 60757', () => {
  it('has its twelve codes', () => {
    expect(WIRE_COLOURS.map((colour) => colour.code).join(' ')).toBe('BK BN RD OG YE GN BU VT GY WH PK GNYE');
  });
});

describe('P10: sizes in the reference', () => {
  it.each([
    ['18 AWG', 0.823],
    ['16 AWG', 1.31],
    ['14 AWG', 2.08],
  ])('%s is %f mm²', (name, area) => {
    expect(WIRE_SIZES.find((size) => size.name === name)?.areaMm2).toBeCloseTo(area, 2);
  });

  it('1 mm² is 17.2 mΩ a metre', () => {
    expect(WIRE_SIZES.find((size) => size.name === '1 mm²')?.milliohmsPerM).toBeCloseTo(17.24, 2);
  });
});
