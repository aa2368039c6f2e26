import { describe, expect, it } from 'vitest';
import type { History } from './history.ts';
import type { Json } from './leaves.ts';
import { type Answers, type Copy, mergeDocuments } from './mergeDocuments.ts';
import { sealed } from './seal.ts';

type Doc = { [key: string]: Json };

let count = 0;
const signer = (device: string, by?: string) => ({
  id: `rev-${++count}`,
  device,
  at: '2026-11-30T08:00:00.000Z',
  by,
});
const copyOf = (document: Doc, history: History | null, device = 'desk', by?: string): Copy<Doc> => ({
  document,
  history: sealed(document, history, signer(device, by)),
});
const merged = (mine: Copy<Doc>, theirs: Copy<Doc>, answers: Answers = {}) =>
  mergeDocuments(mine, theirs, answers, signer('desk'));

const START: Doc = {
  title: 'Van',
  lamps: [
    { id: 'a', name: 'Left', ohms: 6 },
    { id: 'b', name: 'Right', ohms: 6 },
  ],
  chosen: { a: 'led', b: 'led' },
};
const start = copyOf(START, null);
const desk = (change: Doc) => copyOf({ ...START, ...change }, start.history, 'desk', 'Ada');
const phone = (change: Doc) => copyOf({ ...START, ...change }, start.history, 'phone', 'Bo');

describe('two copies', () => {
  it('that changed different fields are one without a question', () => {
    const merge = merged(desk({ title: 'Van 7' }), phone({ chosen: { a: 'led', b: null } }));
    expect(merge.questions).toEqual([]);
    expect(merge.document).toEqual({ ...START, title: 'Van 7', chosen: { a: 'led', b: null } });
  });

  it('that changed one field are asked, with who and when, and nothing is chosen', () => {
    const [mine, theirs] = [desk({ title: 'Van 7' }), phone({ title: 'Van 8' })];
    const [question, ...others] = merged(mine, theirs).questions;
    expect(others).toEqual([]);
    expect(question).toMatchObject({ path: 'title', mine: 'Van 7', theirs: 'Van 8' });
    expect(question?.wroteMine?.by).toBe('Ada');
    expect(question?.wroteTheirs?.by).toBe('Bo');
    expect(merged(mine, theirs, { title: 'theirs' }).document.title).toBe('Van 8');
  });

  it('that changed one field alike are not', () => {
    expect(merged(desk({ title: 'Van 7' }), phone({ title: 'Van 7' })).questions).toEqual([]);
  });

  it('know an answer everywhere once it was given', () => {
    const [mine, theirs] = [desk({ title: 'Van 7' }), phone({ title: 'Van 8' })];
    const answer = merged(mine, theirs, { title: 'theirs' });
    // The phone hears of it, and so does a third that had the desk's word.
    for (const other of [theirs, mine]) {
      const merge = merged(other, answer);
      expect(merge.questions).toEqual([]);
      expect(merge.document.title).toBe('Van 8');
      expect(merge.forward).toBe('theirs');
    }
  });

  it('are asked where one deleted what the other changed', () => {
    const kept = START.lamps as Doc[];
    const mine = desk({ lamps: [kept[0] as Doc] });
    const theirs = phone({ lamps: [kept[0] as Doc, { ...kept[1], ohms: 12 }] });
    const [question] = merged(mine, theirs).questions;
    expect(question).toMatchObject({ path: 'lamps/b', mine: undefined, theirs: { id: 'b', ohms: 12 } });
    expect(merged(mine, theirs, { 'lamps/b': 'mine' }).document.lamps).toHaveLength(1);
    expect(merged(mine, theirs, { 'lamps/b': 'theirs' }).document.lamps).toEqual(theirs.document.lamps);
  });

  it('lose what one deleted and the other left alone, for good', () => {
    const kept = START.lamps as Doc[];
    const mine = desk({ lamps: [kept[0] as Doc] });
    const once = merged(mine, phone({ title: 'Van 8' }));
    expect(once.document.lamps).toHaveLength(1);
    // A copy that comes late brings it back no more.
    expect(merged(once, phone({ title: 'Van 8' })).document.lamps).toHaveLength(1);
  });

  it('keep what both added, in one order wherever they are laid together', () => {
    const lamps = START.lamps as Doc[];
    const mine = desk({ lamps: [...lamps, { id: 'm', name: 'Mine' }] });
    const theirs = phone({ lamps: [{ id: 't', name: 'Theirs' }, ...lamps] });
    const ids = (document: Doc) => (document.lamps as Doc[]).map(({ id }) => id);
    expect(ids(merged(mine, theirs).document)).toEqual(['t', 'a', 'b', 'm']);
    expect(merged(theirs, mine).document).toEqual(merged(mine, theirs).document);
    expect(merged(theirs, mine).history.head).toBe(merged(mine, theirs).history.head);
  });

  it('are asked of an order both changed', () => {
    const [a, b] = START.lamps as [Doc, Doc];
    const c = { id: 'c', name: 'Third' };
    const three = copyOf({ ...START, lamps: [a, b, c] }, start.history);
    const mine = copyOf({ ...START, lamps: [b, a, c] }, three.history, 'desk');
    const theirs = copyOf({ ...START, lamps: [a, c, b] }, three.history, 'phone');
    expect(merged(mine, theirs).questions.map(({ path }) => path)).toEqual(['lamps/#']);
    expect(merged(mine, theirs, { 'lamps/#': 'theirs' }).document.lamps).toEqual([a, c, b]);
    expect(merged(mine, three).document.lamps).toEqual([b, a, c]);
  });

  it('that crossed on the way ask only what nobody answered yet', () => {
    // Both sent, both received: each made one of two, and went on.
    const [mine, theirs] = [desk({ title: 'Van 7' }), phone({ chosen: { a: null, b: 'led' } })];
    const onDesk = merged(mine, theirs);
    const onPhone = merged(theirs, mine);
    const later = copyOf({ ...onDesk.document, title: 'Van 9' }, onDesk.history, 'desk');
    const other = copyOf({ ...onPhone.document, chosen: { a: null, b: null } }, onPhone.history, 'phone');
    const merge = merged(later, other);
    expect(merge.questions).toEqual([]);
    expect(merge.document).toMatchObject({ title: 'Van 9', chosen: { a: null, b: null } });
  });

  it('take an object that says of what kind it is as one thing', () => {
    const from = (kind: Doc) => ({ circuit: { id: 'c', from: kind } });
    const base = copyOf(from({ by: 'switch', fuseId: 'f1' }), null);
    const mine = copyOf(from({ by: 'switch', fuseId: 'f2' }), base.history, 'desk');
    const theirs = copyOf(from({ by: 'output' }), base.history, 'phone');
    expect(merged(mine, theirs).questions.map(({ path }) => path)).toEqual(['circuit/from']);
  });

  it('without a common past are asked whatever differs', () => {
    const stranger = copyOf({ ...START, title: 'Van 8', chosen: { a: 'led' } }, null, 'phone');
    const merge = merged(desk({ title: 'Van 7' }), stranger);
    expect(merge.questions.map(({ path }) => path)).toEqual(['title']);
    expect(merge.document.chosen).toEqual({ a: 'led', b: 'led' });
  });
});
