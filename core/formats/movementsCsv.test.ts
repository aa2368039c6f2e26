import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { type Movement, stockOf } from '../inventory/stock.ts';
import { movementsCsv, readMovementsCsv } from './movementsCsv.ts';

const at = '2026-11-01T08:00:00.000Z';
const own: Movement[] = [
  { id: 'a', partId: 'res-6-50', at, kind: 'counted', pieces: 8 },
  {
    id: 'b',
    partId: 'res-6-50',
    at: '2026-11-02T08:00:00.000Z',
    kind: 'bought',
    pieces: 4,
    batch: '=order 7',
    note: 'rush',
  },
  { id: 'c', partId: 'res-6-50', at: '2026-11-03T08:00:00.000Z', kind: 'withdrawn', pieces: 0, of: 'b' },
];

describe('movements as a table', () => {
  it('come back as they went, and twice they are the same', () => {
    const read = readMovementsCsv(movementsCsv(own, 'shelf-a'), DEMO_SHELF);
    expect(read).toEqual({ movements: own, shelves: ['shelf-a'], ofJobs: 0, problems: [] });
    expect(stockOf([...own, ...read.movements])).toEqual(stockOf(own));
  });

  it('leave what jobs did to their files', () => {
    const text = movementsCsv(
      [...own, { id: 'd', jobId: 'j', partId: 'res-6-50', at, kind: 'fitted', pieces: 1, place: 'mount-x' }],
      'shelf-a',
    );
    expect(readMovementsCsv(text, DEMO_SHELF)).toMatchObject({ ofJobs: 1, movements: own });
  });

  it('name the line that is bad, and what to write', () => {
    const bad = movementsCsv(own, 'shelf-a').replace('counted', 'found').replace('withdrawn', 'bought');
    const read = readMovementsCsv(bad.replace('a,', 'a,').replace('res-6-50', 'none'), DEMO_SHELF);
    expect(read.problems.map(({ line }) => line)).toEqual([2]);
    expect(read.problems[0]?.text).toContain('is no part of this shelf');
    expect(readMovementsCsv(bad, DEMO_SHELF).problems[0]?.text).toContain('Kinds are bought');
    expect(readMovementsCsv('a,b\n1,2', DEMO_SHELF).problems[0]?.text).toContain('must name the columns');
  });
});
