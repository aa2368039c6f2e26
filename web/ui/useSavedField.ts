import { useEffect, useRef, useState } from 'react';

/** What is said under a field whose value somebody changed while it was in hand. */
const TAKEN_OVER = 'Changed in another window just now; this is what stands there.';
const YOURS_STANDS =
  'Changed in another window too; what you type here takes its place, undo brings it back.';

/**
 * The text of a field that saves as it is typed. While it has the focus it keeps its own text against the echo of older
 * saves; a change from elsewhere is taken over where nothing here waits to be saved, and said either way.
 *
 * @param value what is stored now
 */
export function useSavedField<V, T extends V | string>(value: V, shown: (value: V) => T) {
  const [text, setText] = useState<T>(() => shown(value));
  const [said, setSaid] = useState<string | null>(null);
  const focused = useRef(false);
  const now = useRef(text);
  const stored = useRef(value);
  /** what this field saved and has not read back yet */
  const sent = useRef<V[]>([]);
  const put = (next: T) => {
    now.current = next;
    setText(next);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a change of what is stored is news
  useEffect(() => {
    const before = stored.current;
    if (before === value) return;
    stored.current = value;
    const echo = sent.current.lastIndexOf(value);
    if (echo >= 0) {
      sent.current.splice(0, echo + 1);
      return;
    }
    if (!focused.current) {
      sent.current = [];
      put(shown(value));
    } else if (now.current === shown(before)) {
      put(shown(value));
      setSaid(TAKEN_OVER);
    } else setSaid(YOURS_STANDS);
  }, [value]);
  return {
    text,
    /** news of another window, to be shown under the field */
    said,
    type: put,
    /** what was saved last, by this field or elsewhere */
    latest: () => (sent.current.length > 0 ? (sent.current.at(-1) as V) : stored.current),
    /** to be told of what is saved, right before it is */
    saving: (saved: V) => {
      sent.current.push(saved);
      if (said === TAKEN_OVER) setSaid(null);
    },
    onFocus: () => {
      focused.current = true;
    },
    onBlur: () => {
      focused.current = false;
      setSaid(null);
    },
  };
}
