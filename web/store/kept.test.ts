import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { VumbleDatabase } from './db.ts';
import { KeptValues, readLine, readWeights } from './kept.ts';

let db: VumbleDatabase;
let name = 0;
beforeEach(async () => {
  name += 1;
  db = new VumbleDatabase(`kept-${name}`);
  await db.open();
});
afterEach(async () => {
  db.close();
  await Dexie.delete(`kept-${name}`);
  await Dexie.delete(`kept-${name}-at-once`);
});

/** Two tabs that hear each other. */
function channel() {
  const heard: ((event: MessageEvent) => void)[] = [];
  return {
    postMessage: (data: unknown) => {
      for (const each of heard) each({ data } as MessageEvent);
    },
    addEventListener: (_: string, listener: unknown) => void heard.push(listener as never),
  } as Pick<BroadcastChannel, 'postMessage' | 'addEventListener'>;
}

describe('what is kept beside jobs', () => {
  it('is at hand at once, in the store, and there at the next start', async () => {
    const values = new KeptValues(db, null);
    await values.loaded();
    values.put('quick', { lamps: 'rear-turn' });
    expect(values.text('quick')).toBe('{"lamps":"rear-turn"}');
    await expect.poll(() => db.atOnce.kept.get('quick')).toMatchObject({ value: '{"lamps":"rear-turn"}' });
    const next = new KeptValues(db, null);
    await next.loaded();
    expect(next.text('quick')).toBe('{"lamps":"rear-turn"}');
  });

  it('stays as it was set where there is no room for it, and is told', async () => {
    const values = new KeptValues(db, null);
    await values.loaded();
    const told: string[] = [];
    values.trouble = ({ name }) => told.push(name);
    db.atOnce.backendDB().transaction = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
    values.put('seen-by', 'Ada');
    delete (db.atOnce.backendDB() as Partial<IDBDatabase>).transaction;
    await expect.poll(() => told).toEqual(['QuotaExceededError']);
    expect(values.text('seen-by')).toBe('"Ada"');
  });

  it('is told to the other tabs, and what was set since the start is newer than what is read', async () => {
    const tabs = channel();
    const [one, other] = [new KeptValues(db, tabs), new KeptValues(db, tabs)];
    one.put('seen-by', 'first');
    const told: number[] = [];
    other.subscribe(() => told.push(1));
    one.put('seen-by', 'second');
    expect(other.text('seen-by')).toBe('"second"');
    expect(told.length).toBe(1);
    await other.loaded();
    expect(other.text('seen-by')).toBe('"second"');
    one.forget('seen-by');
    expect(other.text('seen-by')).toBeUndefined();
    tabs.postMessage({ key: 7, text: null });
    expect(other.text('7')).toBeUndefined();
  });

  it('is believed only as far as it can be so', () => {
    expect(readWeights({ price: 3, heat: '<b>', light: -1, verdict: 99 })).toEqual({ price: 3 });
    expect(readWeights('x')).toBeUndefined();
    expect(readLine(7)).toBeUndefined();
    expect(readLine('x'.repeat(500))?.length).toBe(160);
  });
});
