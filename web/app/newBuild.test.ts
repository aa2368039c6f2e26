import { describe, expect, it, vi } from 'vitest';
import { reloadOnce } from './newBuild.ts';

function store() {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  };
}

describe('a file of the app that is gone', () => {
  it('loads the page again once, and not again while it stays gone', () => {
    const reload = vi.fn();
    const kept = store();
    expect(reloadOnce(1e12, kept, reload)).toBe(true);
    expect(reloadOnce(1e12 + 5000, kept, reload)).toBe(false);
    expect(reload).toHaveBeenCalledTimes(1);
  });

  it('loads it again after the next build', () => {
    const reload = vi.fn();
    const kept = store();
    reloadOnce(1e12, kept, reload);
    expect(reloadOnce(1e12 + 3_600_000, kept, reload)).toBe(true);
    expect(reload).toHaveBeenCalledTimes(2);
  });
});
