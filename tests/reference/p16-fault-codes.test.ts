/** ISO 15031-6 / SAE J2012 fault codes, from memory: verify. */
import { describe, expect, it } from 'vitest';
import { codeFromBytes, codeInWords, failureType } from '../../core/formats/dtc.ts';

describe('P16: stored fault codes', () => {
  it.each([
    [0x92, 0x34, 'B1234'],
    [0x00, 0x00, 'P0000'],
    [0x3f, 0xff, 'P3FFF'],
    [0x40, 0x00, 'C0000'],
    [0x80, 0x00, 'B0000'],
    [0xc1, 0x00, 'U0100'],
    [0xff, 0xff, 'U3FFF'],
  ])('0x%x 0x%x is %s', (high, low, code) => {
    expect(codeFromBytes(high, low)).toBe(code);
  });

  it('refuses what is no byte', () => {
    expect(() => codeFromBytes(256, 0)).toThrow(/256 is no byte/);
    expect(() => codeFromBytes(0.5, 0)).toThrow(RangeError);
  });

  it.each([
    [0x11, 'short to earth'],
    [0x12, 'short to battery'],
    [0x13, 'open circuit'],
    [0x15, 'short to battery or open'],
    [0x18, 'current below threshold'],
    [0x19, 'current above threshold'],
    [0x1b, 'resistance above threshold'],
  ])('failure type 0x%x: %s', (byte, words) => {
    expect(failureType(byte)).toBe(words);
  });

  it('is put into words', () => {
    expect(codeInWords('B1A12-18')).toBe('B1A12-18, current below threshold');
    expect(codeInWords('B1A12')).toBe('B1A12');
  });
});
