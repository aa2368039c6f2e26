import { act, renderHook } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { useSavedField } from './useSavedField.ts';

/** A field over a stored value that a test changes as another window would. */
function field(stored: string) {
  const { result, rerender } = renderHook(({ value }) => useSavedField(value, String), {
    initialProps: { value: stored },
  });
  const type = (text: string) =>
    act(() => {
      result.current.type(text);
      result.current.saving(text);
    });
  return { now: result, type, stored: (value: string) => rerender({ value }) };
}

describe('a field that saves as it is typed', () => {
  it('is not set back by the echo of an older save', () => {
    const { now, type, stored } = field('');
    act(() => now.current.onFocus());
    type('b');
    type('bu');
    stored('b');
    expect(now.current.text).toBe('bu');
    stored('bu');
    expect(now.current.text).toBe('bu');
    expect(now.current.said).toBeNull();
  });

  it('takes over what another window wrote while nobody types here', () => {
    const { now, stored } = field('old');
    stored('theirs');
    expect(now.current.text).toBe('theirs');
    expect(now.current.said).toBeNull();
  });

  it('says so where that happens under the cursor', () => {
    const { now, stored } = field('old');
    act(() => now.current.onFocus());
    stored('theirs');
    expect(now.current.text).toBe('theirs');
    expect(now.current.said).toMatch(/another window/);
    act(() => now.current.onBlur());
    expect(now.current.said).toBeNull();
  });

  it('keeps what is being typed, and says that it takes the place of theirs', () => {
    const { now, stored } = field('old');
    act(() => now.current.onFocus());
    act(() => now.current.type('mine'));
    stored('theirs');
    expect(now.current.text).toBe('mine');
    expect(now.current.said).toMatch(/what you type here takes its place/);
  });
});
