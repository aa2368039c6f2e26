import { expect, it } from 'vitest';
import { changedFields } from './changedFields.ts';

const lamp = (id: string, watts: number) => ({ id, watts });

it('names each field that is another, came or went, and what came or went only once', () => {
  const before = {
    title: 'a',
    gone: { x: 1, y: 2 },
    kept: { deep: [1, 2] },
    lamps: [lamp('f', 21), lamp('r', 5)],
  };
  const after = { title: 'b', kept: { deep: [1, 3] }, lamps: [lamp('f', 3), lamp('n', 1)], came: { z: 1 } };
  expect(changedFields(before, after)).toEqual([
    { path: 'title', before: 'a', after: 'b' },
    { path: 'gone', before: { x: 1, y: 2 } },
    { path: 'kept/deep', before: [1, 2], after: [1, 3] },
    { path: 'lamps/f/watts', before: 21, after: 3 },
    { path: 'lamps/r', before: lamp('r', 5) },
    { path: 'lamps/n', after: lamp('n', 1) },
    { path: 'came', after: { z: 1 } },
  ]);
});

it('says that an order is another only of what stayed', () => {
  const [f, r, n] = [lamp('f', 1), lamp('r', 1), lamp('n', 1)];
  expect(changedFields({ lamps: [f, r] }, { lamps: [n, f, r] })).toEqual([{ path: 'lamps/n', after: n }]);
  expect(changedFields({ lamps: [f, r] }, { lamps: [r, f] })).toEqual([
    { path: 'lamps/#', before: ['f', 'r'], after: ['r', 'f'] },
  ]);
  expect(changedFields({ lamps: [f] }, { lamps: [{ ...f }] })).toEqual([]);
});

it('takes what says of what kind it is whole, as a merge does', () => {
  const [fuse, relay] = [{ kind: 'fuse', amps: 10 }, { kind: 'relay' }];
  expect(changedFields({ part: fuse }, { part: relay })).toEqual([
    { path: 'part', before: fuse, after: relay },
  ]);
});
