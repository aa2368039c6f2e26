import { describe, expect, it } from 'vitest';
import { Waits } from './waits.ts';

function setting() {
  const kept = new Map<string, string>();
  const keep = {
    text: (key: string) => kept.get(key),
    put: (key: string, value: unknown) => void kept.set(key, JSON.stringify(value)),
  };
  const clock = { ms: 5000 };
  return { kept, keep, clock, waits: new Waits(() => clock.ms, keep as never) };
}

describe('a wait', () => {
  it('counts by the page’s own clock, whatever the clock on the wall does', () => {
    const { waits, clock } = setting();
    expect(waits.counted('airbag')).toBeNull();
    waits.start('airbag');
    clock.ms += 90_000;
    expect(waits.counted('airbag')).toBe(90);
  });

  it('goes on after a reload from what was counted, and never counts time in which nobody was there', () => {
    const { waits, clock, keep } = setting();
    waits.start('airbag');
    clock.ms += 61_900;
    waits.write('airbag');
    // Another page, with a clock of its own that begins anew.
    const later = { ms: 100 };
    const next = new Waits(() => later.ms, keep as never);
    expect(next.counted('airbag')).toBe(61);
    later.ms += 4000;
    expect(next.counted('airbag')).toBe(65);
  });

  it('that was stopped begins from nothing, on this page and the next', () => {
    const { waits, clock, keep } = setting();
    waits.start('glue');
    clock.ms += 30_000;
    waits.stop('glue');
    expect(waits.counted('glue')).toBeNull();
    expect(new Waits(() => 0, keep as never).counted('glue')).toBeNull();
    waits.start('glue');
    expect(waits.counted('glue')).toBe(0);
  });
});
