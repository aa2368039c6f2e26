import { describe, expect, it } from 'vitest';
import { codeText, keyWords, newKey, openParcel, readCode, sealParcel, WrongCodeError } from './parcel.ts';

// The published test vectors of BIP 39 for 128 bits (from memory).
it.each([
  ['00000000000000000000000000000000', `${'abandon '.repeat(11)}about`],
  [
    '7f7f7f7f7f7f7f7f7f7f7f7f7f7f7f7f',
    `legal winner thank year wave sausage worth useful legal winner thank yellow`,
  ],
  ['ffffffffffffffffffffffffffffffff', `${'zoo '.repeat(11)}wrong`],
])('key %s is the twelve words of the published table', (hex, words) => {
  const key = Uint8Array.from(Buffer.from(hex, 'hex'));
  expect(keyWords(key)).toBe(words);
  expect(Buffer.from(readCode(`123456789 ${words}`).key).toString('hex')).toBe(hex);
});

describe('a code', () => {
  it('is read as it was written, in any case and spacing, its number in groups', () => {
    const code = { number: '123456789', key: newKey() };
    expect(readCode(codeText(code))).toEqual(code);
    expect(readCode(`  ${codeText(code).toUpperCase().replaceAll(' ', '\n ')}`)).toEqual(code);
    expect(readCode(`123 456 789 ${keyWords(code.key)}`)).toEqual(code);
    expect(codeText(code)).not.toMatch(/:|\//);
  });

  it('that is wrong says what', () => {
    const words = keyWords(newKey());
    const of = (text: string) => () => readCode(text);
    expect(of(`12345 ${words}`)).toThrow(/nine digits/);
    expect(of(`123456789 ${words.split(' ').slice(1).join(' ')}`)).toThrow(/twelve words; these are 11/);
    expect(of(`123456789 ${words.replace(/^\S+/, 'resistor')}`)).toThrow(/“resistor” is none/);
    expect(of(`123456789 ${'zoo '.repeat(12)}`)).toThrow(WrongCodeError);
    expect(of('')).toThrow(WrongCodeError);
  });
});

describe('a parcel', () => {
  it('is opened by its key alone, and not where a bit of it was changed', async () => {
    const key = newKey();
    const bytes = new TextEncoder().encode('the job');
    const parcel = await sealParcel(bytes, key);
    expect(Buffer.from(parcel).includes('the job')).toBe(false);
    expect(await openParcel(parcel, key)).toEqual(bytes);
    expect(await sealParcel(bytes, key)).not.toEqual(parcel);
    await expect(openParcel(parcel, newKey())).rejects.toThrow(/do not open/);
    const flipped = parcel.slice();
    flipped[20] = (flipped[20] ?? 0) ^ 1;
    await expect(openParcel(flipped, key)).rejects.toThrow(WrongCodeError);
    await expect(openParcel(parcel.slice(0, 8), key)).rejects.toThrow(WrongCodeError);
  });
});
