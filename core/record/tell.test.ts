import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoJob, SIGNED } from '../../demo/forTests.ts';
import type { ClueTold, Evidence } from '../model/evidence.ts';
import { standing } from '../model/seen.ts';
import { becomes, furtherRecords, mark, signed, withoutDrafts } from './tell.ts';

const { vehicle } = demoJob('library-route-3');
const clue = (id: string, more: Partial<ClueTold> = {}): ClueTold => ({
  ...SIGNED,
  kind: 'clue',
  id,
  at: '2026-11-29T10:00:00.000Z',
  clue: 'wiggle',
  lampId: null,
  ...more,
});
const at = (minute: number) => new Date(Date.UTC(2026, 10, 29, 10, minute)).toISOString();
const teller = (id: string, minute = 0) => ({ id, at: at(minute), device: 'phone' });
const job = (...evidence: Evidence[]) => ({ vehicle, evidence });
const stands = (evidence: readonly Evidence[]) => standing({ evidence }).map(({ id }) => id);

describe('a log', () => {
  it('signs with vehicle, visit, device and a counter that no clock can set back', () => {
    const first = signed<ClueTold>(job(), { kind: 'clue', clue: 'wiggle', lampId: null }, teller('a'));
    expect(first).toMatchObject({ vehicleId: vehicle.id, method: 'told', device: { id: 'phone', count: 1 } });
    const second = signed(job(first), first, teller('b', -100));
    expect(second).toMatchObject({ id: 'b', visit: first.visit, device: { id: 'phone', count: 2 } });
    const nextDay = signed(job(first, second), first, { ...teller('c'), at: '2026-12-02T10:00:00.000Z' });
    expect(nextDay.visit).not.toBe(first.visit);
    // What was told knowing of another stands behind it on every device.
    expect(signed(job(first), first, { ...teller('d'), device: 'desk' }).device?.count).toBe(2);
    expect(signed(job(first), first, { ...teller('e'), device: null }).device).toBeNull();
  });

  it('begins no visit because a clock was wrong for a moment', () => {
    const right = signed<ClueTold>(job(), clue('a'), teller('a'));
    const ahead = { ...signed(job(right), clue('b'), teller('b', 1)), at: '2031-01-01T00:00:00.000Z' };
    const again = signed(job(right, ahead), clue('c'), teller('c', 2));
    expect(again.visit).toBe(right.visit);
  });

  it('takes back by a word at its end, and takes that back by another', () => {
    const [a, b] = [clue('a'), clue('b')];
    const log: Evidence[] = [a, b];
    expect(stands(log)).toEqual(['a', 'b']);
    const back = mark(job(...log), 'a', false, teller('m1'));
    expect(stands([...log, back])).toEqual(['b']);
    const undone = mark(job(...log, back), 'm1', false, teller('m2'));
    expect(stands([...log, back, undone])).toEqual(['a', 'b']);
    const redone = mark(job(...log, back, undone), 'm1', true, teller('m3'));
    expect(stands([...log, back, undone, redone])).toEqual(['b']);
  });

  it('has a correction in the place of what it corrects, whose undoing brings that back', () => {
    const log: Evidence[] = [clue('a'), clue('b'), clue('a2', { replaces: 'a', clue: 'when-wet' })];
    expect(stands(log)).toEqual(['a2', 'b']);
    expect(becomes(log, 'a')).toBe('a2');
    expect(becomes(log, 'b')).toBe('b');
    expect(stands([...log, mark(job(...log), 'a2', false, teller('m'))])).toEqual(['a', 'b']);
    const twice = [...log, clue('a3', { replaces: 'a2' })];
    expect(stands(twice)).toEqual(['a3', 'b']);
    expect(becomes(twice, 'a')).toBe('a3');
  });

  it('ends with two records that name each other as it should with a stranger’s: it is read, and soon', () => {
    const log: Evidence[] = [clue('a', { replaces: 'b' }), clue('b', { replaces: 'a' })];
    expect(stands(log).length).toBeLessThanOrEqual(1);
    expect(['a', 'b']).toContain(becomes(log, 'a'));
  });

  it('never loses a record to an edit, whatever the edit did to its list', () => {
    const change = fc.array(
      fc.record({ id: fc.integer({ min: 0, max: 7 }), how: fc.constantFrom('drop', 'change', 'add') }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(fc.array(change, { maxLength: 5 }), (edits) => {
        let log: Evidence[] = [clue('r0'), clue('r1'), clue('r2')];
        edits.forEach((edit, nth) => {
          const before = standing({ evidence: log });
          let after: Evidence[] = [...log];
          const shown = new Set(before.map(({ id }) => id));
          for (const { id, how } of edit) {
            const name = before[id]?.id;
            if (how === 'add') after.push(clue(`r${nth}-${after.length}`));
            else if (name !== undefined && how === 'drop') after = after.filter((each) => each.id !== name);
            else if (name !== undefined)
              after = after.map((each) =>
                each.id === name && each.kind === 'clue' ? { ...each, note: `${nth}` } : each,
              );
          }
          const further = furtherRecords(job(...log), after, (n) => `f${nth}-${n}`, at(nth), 'phone');
          const next = [...log, ...further];
          expect(next.slice(0, log.length)).toEqual(log);
          const wanted = after.filter(({ id }) => shown.has(id) || !log.some((each) => each.id === id));
          const words = (list: readonly Evidence[]) =>
            list.map((each) => ('note' in each ? each.note : undefined) ?? '').toSorted();
          expect(words(standing({ evidence: next }))).toEqual(
            words(wanted.filter(({ kind }) => kind !== 'mark')),
          );
          log = next;
        });
      }),
      { numRuns: 200 },
    );
  });

  it('keeps of a word that is typed letter by letter the last alone', () => {
    const log: Evidence[] = [clue('a'), clue('b', { replaces: 'a', note: 'b' })];
    const next = clue('c', { replaces: 'b', note: 'bu' });
    const { evidence, told } = withoutDrafts([...log, next], ['b'], [next]);
    expect(evidence.map(({ id }) => id)).toEqual(['a', 'c']);
    expect(evidence[1]).toMatchObject({ replaces: 'a', note: 'bu' });
    expect(told).toEqual(['c']);
  });
});
