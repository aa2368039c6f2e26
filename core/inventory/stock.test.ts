import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { freePieces, type Movement, nextBatch, piecesFor, stockOf } from './stock.ts';

let count = 0;
const at = (minute: number) => new Date(Date.UTC(2026, 10, 1, 8, minute)).toISOString();
const moved = (minute: number, kind: Movement['kind'], pieces: number, more: object = {}): Movement =>
  ({ id: `m-${(count += 1)}`, partId: 'res', at: at(minute), kind, pieces, ...more }) as Movement;
const of = (...movements: Movement[]) => stockOf(movements).get('res');

describe('the stock of a part', () => {
  it('is the sum of what came and went', () => {
    const stock = of(
      moved(1, 'bought', 10),
      moved(2, 'fitted', 3, { jobId: 'a' }),
      moved(3, 'scrapped', 1),
      moved(4, 'sent-back', 2),
      moved(5, 'returned', 1, { jobId: 'a' }),
    );
    expect(stock?.onShelf).toBe(5);
    expect(stock?.fitted.get('a')).toBe(2);
  });

  it('starts anew where somebody counted, and what comes later is on top', () => {
    expect(of(moved(1, 'bought', 10), moved(5, 'counted', 7), moved(6, 'bought', 2))?.onShelf).toBe(9);
    // Told later, but of before the count: the count saw it already.
    expect(of(moved(5, 'counted', 7), moved(3, 'fitted', 2, { jobId: 'a' }))?.onShelf).toBe(7);
  });

  it('keeps what one job has put aside from the others, and gives it back', () => {
    const put = [moved(1, 'counted', 8), moved(2, 'reserved', 6, { jobId: 'a' })];
    const stock = stockOf(put).get('res');
    expect(stock && [freePieces(stock), piecesFor(stock, 'a'), piecesFor(stock, 'b')]).toEqual([2, 8, 2]);
    const fitted = stockOf([...put, moved(3, 'fitted', 4, { jobId: 'a' })]).get('res');
    expect(
      fitted && [fitted.onShelf, freePieces(fitted), piecesFor(fitted, 'a'), piecesFor(fitted, 'b')],
    ).toEqual([4, 2, 8, 2]);
    const back = stockOf([
      ...put,
      moved(3, 'fitted', 4, { jobId: 'a' }),
      moved(4, 'returned', 4, { jobId: 'a' }),
      moved(4, 'released', 2, { jobId: 'a' }),
    ]).get('res');
    expect(back && [back.onShelf, freePieces(back)]).toEqual([8, 8]);
  });

  it('takes the oldest batch first, and what was withdrawn never was', () => {
    const second = moved(2, 'bought', 5, { batch: 'B' });
    const stock = of(moved(1, 'bought', 2, { batch: 'A' }), second, moved(3, 'fitted', 2, { jobId: 'a' }));
    expect(stock && nextBatch(stock)).toBe('B');
    const without = of(
      moved(1, 'bought', 2, { batch: 'A' }),
      second,
      moved(4, 'withdrawn', 0, { of: second.id }),
    );
    expect(without?.onShelf).toBe(2);
  });

  it('counts again what was taken back where that is taken back', () => {
    const bought = moved(1, 'bought', 5);
    const back = moved(2, 'withdrawn', 0, { of: bought.id });
    const again = moved(3, 'withdrawn', 0, { of: back.id });
    expect(of(bought, back)?.onShelf ?? 0).toBe(0);
    expect(of(bought, back, again)?.onShelf).toBe(5);
  });

  it('comes to the same however two devices were joined, and twice is once', () => {
    const kinds = [
      'bought',
      'counted',
      'scrapped',
      'sent-back',
      'reserved',
      'released',
      'fitted',
      'returned',
    ] as const;
    const one = fc
      .tuple(fc.constantFrom(...kinds), fc.nat(9), fc.nat(20), fc.constantFrom('a', 'b'))
      .map(([kind, pieces, minute, jobId]) =>
        moved(minute, kind, pieces, { jobId, batch: `B${minute % 3}` }),
      );
    fc.assert(
      fc.property(fc.array(one, { maxLength: 25 }), fc.nat(), (movements, seed) => {
        const shuffled = movements
          .map((each, index) => [Math.sin(seed + index * 7.1), each] as const)
          .toSorted(([a], [b]) => a - b)
          .map(([, each]) => each);
        expect(stockOf([...shuffled, ...movements])).toEqual(stockOf(movements));
        for (const { batches, onShelf } of stockOf(movements).values())
          expect(batches.reduce((sum, { pieces }) => sum + pieces, 0)).toBeGreaterThanOrEqual(
            Math.min(0, onShelf),
          );
      }),
    );
  });
});
