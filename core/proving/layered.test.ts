import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Layered, unlike } from './layered.ts';

const key = fc.constantFrom('a', 'b', 'c', 'd', 'e');
const acts = fc.array(fc.record({ key, value: fc.option(fc.integer({ min: 0, max: 9 })) }), {
  maxLength: 20,
});

describe('a map laid over another', () => {
  it('reads as a copy of the one beneath would, with the same done to it', () => {
    fc.assert(
      fc.property(fc.dictionary(key, fc.integer({ min: 0, max: 9 })), acts, (under, done) => {
        const beneath = new Map(Object.entries(under));
        const laid = new Layered(beneath);
        const copy = new Map(beneath);
        for (const { key: at, value } of done) {
          if (value === null) {
            laid.delete(at);
            copy.delete(at);
          } else {
            laid.set(at, value);
            copy.set(at, value);
          }
        }
        expect(new Map(laid)).toEqual(copy);
        expect(laid.size).toBe(copy.size);
        expect(new Set(laid.keys())).toEqual(new Set(copy.keys()));
        expect([...laid.values()].toSorted()).toEqual([...copy.values()].toSorted());
        for (const at of 'abcde') {
          expect(laid.get(at)).toBe(copy.get(at));
          expect(laid.has(at)).toBe(copy.has(at));
        }
        const each: string[] = [];
        laid.forEach((value, at) => each.push(`${at}${value}`));
        expect(each.toSorted()).toEqual([...copy].map(([at, value]) => `${at}${value}`).toSorted());
        expect(new Map(Object.entries(under))).toEqual(beneath);
        // Whatever differs from the one beneath is among what may.
        const may = new Set(unlike(laid, beneath));
        for (const at of 'abcde') if (copy.get(at) !== beneath.get(at)) expect(may).toContain(at);
      }),
    );
  });

  it('may be unlike a third in everything', () => {
    const laid = new Layered(new Map([['a', 1]]));
    laid.set('b', 2);
    expect([...unlike(laid, new Map([['a', 1]]))].toSorted()).toEqual(['a', 'b']);
    expect([...unlike(new Map([['c', 3]]), new Map())]).toEqual(['c']);
  });
});
