import { describe, expect, it } from 'vitest';
import { latestOnly } from './latestOnly.ts';

/** A call that is over when it is told to be. */
function slow<T>(value: T, ran: T[]) {
  let finish = () => {};
  const done = new Promise<void>((resolve) => {
    finish = resolve;
  });
  return {
    call: async () => {
      ran.push(value);
      await done;
      return value;
    },
    finish,
  };
}

describe('latestOnly', () => {
  it('runs one at a time and drops what was overtaken while it waited', async () => {
    const queue = latestOnly();
    const ran: number[] = [];
    const [first, second, third] = [slow(1, ran), slow(2, ran), slow(3, ran)];
    const overtaken = new AbortController();
    const answers = [
      queue(new AbortController().signal, first.call),
      queue(overtaken.signal, second.call),
      queue(new AbortController().signal, third.call),
    ];
    overtaken.abort();
    third.finish();
    first.finish();
    await expect(answers[0]).resolves.toBe(1);
    await expect(answers[1]).rejects.toThrow(/abort/i);
    await expect(answers[2]).resolves.toBe(3);
    expect(ran).toEqual([1, 3]);
  });

  it('goes on after a call that failed', async () => {
    const queue = latestOnly();
    const { signal } = new AbortController();
    await expect(queue(signal, () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    await expect(queue(signal, () => Promise.resolve(7))).resolves.toBe(7);
  });
});
