import { act, renderHook } from '@testing-library/react';
import { beforeAll, describe, expect, it } from 'vitest';
import { db } from './db.ts';
import { isDraft, useDraft, useDraftText } from './draft.ts';
import { KeptValues, keptValues } from './kept.ts';

const FRESH = { kind: 'left', text: '', more: { a: true } };
const open = (key: string) => renderHook(() => useDraft(key, FRESH)).result;

beforeAll(() => keptValues.loaded());

describe('a form that is sent by a button', () => {
  it('has what was typed when it is opened again, until it is sent', () => {
    const one = open('later-1');
    expect(one.current[3]).toBe(false);
    act(() => one.current[1]((now) => ({ ...now, text: 'third brake' })));
    expect(one.current[0]).toEqual({ ...FRESH, text: 'third brake' });
    const again = open('later-1');
    expect([again.current[0].text, again.current[3]]).toEqual(['third brake', true]);
    expect(open('later-2').current[0]).toEqual(FRESH);
    act(() => one.current[2]());
    expect([again.current[0], again.current[3]]).toEqual([FRESH, false]);
  });

  it('has it after the browser was closed, and gone it stays gone', async () => {
    const { result } = renderHook(() => useDraftText('note'));
    act(() => result.current[1]('the seal'));
    const nextVisit = async () => {
      const values = new KeptValues(db, null);
      await values.loaded();
      return values.text('draft-note');
    };
    await expect.poll(nextVisit).toBe('"the seal"');
    act(() => result.current[2]());
    expect(result.current[0]).toBe('');
    await expect.poll(nextVisit).toBeUndefined();
  });

  it.each([['"text"'], ['[]'], ['null'], ['{"kind":"left","text":7,"more":{}}'], ['{"kind":"left"}'], ['{']])(
    'is opened fresh where what was kept is none: %s',
    (kept) => {
      keptValues.putText('draft-odd', kept);
      expect(open('odd').current[0]).toEqual(FRESH);
      expect(isDraft('draft-odd')).toBe(true);
    },
  );
});
