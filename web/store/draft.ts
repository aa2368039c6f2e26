import { useCallback } from 'react';
import { keptValues, useKept } from './kept.ts';

const PREFIX = 'draft-';

/** Whether a kept value is of a form that was not sent yet: of this browser alone, no part of a backup. */
export const isDraft = (key: string): boolean => key.startsWith(PREFIX);

/**
 * What is being typed into a form that is sent by a button: on the disk before the next key, and there again after a reload
 * or a kill, until it is sent or given up. Fields that save as they are typed have no need of it.
 *
 * @param key what form of what, the same at each visit
 * @param fresh the form as it is opened
 * @param isSound whether something kept is such a form; it may be of another build
 * @returns what stands in the form, how to set it, how to forget it, and whether any of it was typed
 */
export function useDraft<T>(
  key: string,
  fresh: T,
  isSound: (raw: unknown) => raw is T = (raw): raw is T => isLike(raw, fresh),
): [T, (next: T | ((now: T) => T)) => void, () => void, boolean] {
  const name = `${PREFIX}${key}`;
  const [kept, keep] = useKept<T | null>(name, null, (raw) => (isSound(raw) ? raw : undefined));
  const set = useCallback(
    (next: T | ((now: T) => T)) =>
      keep((now) => (typeof next === 'function' ? (next as (now: T) => T)(now ?? fresh) : next)),
    [keep, fresh],
  );
  const forget = useCallback(() => keptValues.forget(name), [name]);
  return [kept ?? fresh, set, forget, kept !== null];
}

/** The same for one line or paragraph. */
export function useDraftText(key: string): [string, (next: string) => void, () => void] {
  const [text, set, forget] = useDraft<string>(key, '');
  return [text, set, forget];
}

/** Whether something kept has the kind of a fresh form: the same fields of the same kinds. */
function isLike(raw: unknown, fresh: unknown): boolean {
  if (typeof fresh !== 'object' || fresh === null) return typeof raw === typeof fresh;
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw)) return false;
  return Object.entries(fresh).every(
    ([field, value]) => typeof (raw as Record<string, unknown>)[field] === typeof value,
  );
}
