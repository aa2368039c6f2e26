import { describe, expect, it } from 'vitest';
import { StepRecord } from '../model/job.ts';
import { settlePause } from './pause.ts';

const paused = (at: string, pausedSeconds?: number): StepRecord => ({
  doneAt: null,
  note: '',
  startedAt: '2026-01-01T08:00:00.000Z',
  pausedAt: at,
  ...(pausedSeconds === undefined ? {} : { pausedSeconds }),
});

describe('the end of a pause', () => {
  it('takes its time off, however often it was paused', () => {
    const record = paused('2026-01-01T09:00:00.000Z', 60);
    settlePause(record, '2026-01-01T09:01:30.000Z');
    expect(record).toMatchObject({ pausedSeconds: 150 });
    expect(record.pausedAt).toBeUndefined();
    settlePause(record, '2026-01-01T10:00:00.000Z');
    expect(record.pausedSeconds).toBe(150);
  });

  it.each([
    ['half a year', '2026-07-01T09:00:00.000Z'],
    ['a hundred years, by a clock that was wrong', '2126-07-01T09:00:00.000Z'],
    ['a thousand years', '3026-07-01T09:00:00.000Z'],
    ['less than nothing, by a clock set back', '2025-01-01T09:00:00.000Z'],
  ])('after %s leaves a step that can be finished', (_, now) => {
    const record = paused('2026-01-01T09:00:00.000Z');
    settlePause(record, now);
    expect(StepRecord.safeParse({ ...record, doneAt: now }).success).toBe(true);
  });
});
