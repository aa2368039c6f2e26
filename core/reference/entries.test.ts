import { describe, expect, it } from 'vitest';
import { BULBS } from '../catalogue/bulbs.ts';
import { findEntries, referenceEntries } from './entries.ts';

const entries = referenceEntries();
const first = (question: string) => findEntries(entries, question)[0];

describe('the reference', () => {
  it('has one entry a thing', () => {
    const keys = entries.map((entry) => `${entry.section} ${entry.id}`);
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('finds every bulb by every name, however it is typed', () => {
    for (const bulb of BULBS)
      for (const name of bulb.names)
        expect(findEntries(entries, name, 500).map((entry) => entry.id)).toContain(bulb.id);
    expect(first('p21/5w')?.id).toBe('P21-5W');
    expect(first('P21-5W')?.id).toBe('P21-5W');
  });

  it('finds terminals, wires and rules by what people call them', () => {
    expect(first('49a')?.detail).toContain('turn lamps');
    expect(first('18 awg')?.section).toBe('wire');
    expect(findEntries(entries, 'rear fog').map((entry) => entry.section)).toContain('regions');
    expect(findEntries(entries, 'trailer yellow')[0]?.detail).toContain('left turn');
    expect(first('ba15s')?.id).toBe('BA15s');
  });

  it('finds what people call it, as they type it', () => {
    for (const [asked, term] of [
      ['hyperflash', 'Fast flash'],
      ['blinker', 'Turn lamp'],
      ['indicator', 'Turn lamp'],
      ['ground', 'Earth'],
      ['canbus', 'Decoder'],
      ['resistor', 'Load resistor'],
      ['dome', 'Interior lamp'],
      ['number plate', 'Plate lamp'],
      ['license plate', 'Plate lamp'],
    ] as const)
      expect(findEntries(entries, asked).map((entry) => entry.title)).toContain(term);
  });

  it('answers nothing to nothing, and to what it does not know', () => {
    expect(findEntries(entries, '  ')).toEqual([]);
    expect(findEntries(entries, 'zzz')).toEqual([]);
  });
});
