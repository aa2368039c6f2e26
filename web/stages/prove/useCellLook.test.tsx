import { act } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { cellLooksOf } from '../../../core/model/seen.ts';
import { provingGrid } from '../../../core/proving/grid.ts';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { atDesk } from '../../../tests/screens/desk.tsx';
import { useCellLook } from './useCellLook.ts';

const job = { ...demoJob('library-route-1'), evidence: [] };
const cell = provingGrid(job, DEMO_SHELF)?.cells.find(({ id }) => id === 'turn-left');
if (!cell) throw new Error('no left turn to prove');

describe('a look at a cell', () => {
  it('is written down tap by tap: each tap a record, the look as it stands one', () => {
    const { now, hook } = atDesk(job, () => useCellLook(cell));
    act(() => hook.current.toggle('rear-left dark'));
    act(() => hook.current.toggle('flash fast'));
    expect(cellLooksOf(now.job).map(({ found }) => found.length)).toEqual([2]);
    expect([...hook.current.told].toSorted()).toEqual(['flash fast', 'rear-left dark']);
    expect(now.job.evidence.filter(({ kind }) => kind === 'cell')).toHaveLength(2);
    act(() => hook.current.toggle('rear-left dark'));
    expect([...hook.current.told]).toEqual(['flash fast']);
    expect(now.labels.at(-1)).toMatch(/^Take back: .*rear left dark/);
  });

  it('is gone with its last tap taken back, and nothing of it comes back', () => {
    const { now, hook } = atDesk(job, () => useCellLook(cell));
    act(() => hook.current.toggle('rear-left dark'));
    act(() => hook.current.toggle('flash fast'));
    act(() => hook.current.toggle('flash fast'));
    act(() => hook.current.toggle('rear-left dark'));
    expect(cellLooksOf(now.job)).toEqual([]);
    expect(hook.current.open).toBeNull();
    expect(now.job.evidence.length).toBeGreaterThan(3);
  });

  it('loses no tap to one that came before the screen was drawn anew', () => {
    const { now, hook } = atDesk(job, () => useCellLook(cell));
    act(() => hook.current.toggle('rear-left dark'));
    act(() => {
      // Both know only of the first.
      hook.current.toggle('flash fast');
      hook.current.toggle('message turn-left');
    });
    expect(cellLooksOf(now.job).map(({ found }) => found.length)).toEqual([3]);
  });

  it('takes a message as it is typed, and forgets it where it is emptied', () => {
    const { now, hook } = atDesk(job, () => useCellLook(cell));
    act(() => hook.current.toggle('message turn-left'));
    act(() => hook.current.note('bulb failure'));
    expect(cellLooksOf(now.job)[0]).toMatchObject({ words: 'bulb failure' });
    act(() => hook.current.note('  '));
    expect(cellLooksOf(now.job)[0]?.words).toBeUndefined();
  });

  it('as expected is a look of its own, with what is so as it is fitted', () => {
    const { now, hook } = atDesk(job, () => useCellLook(cell));
    act(() => hook.current.asExpected(['flash fast']));
    act(() => hook.current.asExpected([]));
    expect(cellLooksOf(now.job).map(({ found }) => found)).toEqual([[{ what: 'fast' }], []]);
  });
});
