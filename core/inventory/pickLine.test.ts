import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Part } from '../model/part.ts';
import { packsFor, shelfLine } from './pickLine.ts';

const part = (stock: number, pack?: { pieces: number; price: number }): Part => ({
  kind: 'consumable',
  id: 'joint',
  code: 'J',
  name: 'Joint',
  use: 'feed-joint',
  price: 2,
  stock,
  ...(pack ? { pack } : {}),
});
const TEN = { pieces: 10, price: 15 };

describe('pieces become packs', () => {
  it.each([
    // needed, on the shelf, packs, spares, paid
    [0, 0, 0, 0, 0],
    [10, 0, 1, 0, 15],
    [11, 0, 2, 9, 30],
    [1, 0, 1, 9, 15],
    [12, 2, 1, 0, 15],
    [13, 2, 2, 9, 30],
    [4, 4, 0, 0, 0],
    [4, 9, 0, 0, 0],
  ])('%i needed with %i there: %i packs, %i left over, %d paid', (needed, there, packs, spare, paid) => {
    const line = shelfLine(part(there, TEN), needed, 'x');
    expect(line).toMatchObject({ packs: { count: packs, of: 10 }, spare, boughtTotal: paid });
    expect(line.total).toBeCloseTo(needed * 1.5, 9);
  });

  it('sells by the piece where there is no pack', () => {
    expect(shelfLine(part(3), 5, 'x')).toMatchObject({
      packs: null,
      spare: 0,
      toBuy: 2,
      boughtTotal: 4,
      total: 10,
    });
  });

  it('counts nothing on a shelf that owes pieces', () => {
    expect(shelfLine(part(-3), 2, 'x')).toMatchObject({ onShelf: 0, toBuy: 2 });
  });

  it('never leaves a piece missing, and never buys a pack that is not needed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 2, max: 60 }), (missing, pieces) => {
        const { packs, spare } = packsFor({ price: 1, pack: { pieces, price: 3 } }, missing);
        const bought = (packs?.count ?? 0) * pieces;
        expect(bought).toBe(missing + spare);
        expect(spare).toBeLessThan(pieces);
      }),
    );
  });
});
