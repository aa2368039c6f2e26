import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { rechecksIcs } from '../formats/rechecksIcs.ts';
import type { Recheck } from '../model/recheck.ts';
import { dayAfter, openRechecks, partFittedAt, usualRechecks } from './rechecks.ts';

const job = demoJob('library-route-2');
let made = 0;
const newId = () => `r${++made}`;
const recheck = (id: string, due: string, done = false): Recheck => ({
  id,
  kind: 'own',
  what: 'boot lamp, seal',
  due,
  ...(done ? { done: { at: '2026-11-29T10:00:00.000Z', result: 'fine' as const, note: '' } } : {}),
});

describe('rechecks', () => {
  it('are due a day, two weeks and half a year after, over the end of a year', () => {
    expect(usualRechecks(job, '2026-12-20T23:30:00.000Z', newId).map(({ kind, due }) => [kind, due])).toEqual(
      [
        ['dark', '2026-12-21'],
        ['two-weeks', '2027-01-03'],
        ['six-months', '2027-06-20'],
      ],
    );
    expect(dayAfter('2028-02-28', 1)).toBe('2028-02-29');
  });

  it('of a kind the job has already are not offered again', () => {
    const has = { ...job, rechecks: usualRechecks(job, '2026-11-29', newId).slice(0, 2) };
    expect(usualRechecks(has, '2026-11-29', newId).map(({ kind }) => kind)).toEqual(['six-months']);
  });

  it('know when a part went in: by its pieces, else by the last step, else not', () => {
    const at = (day: number) => `2026-11-0${day}T10:00:00.000Z`;
    const fit = {
      swap: { doneAt: at(3), note: '' },
      close: { doneAt: at(4), note: '' },
      test: { doneAt: null, note: '' },
    };
    const pieces = [{ id: 'p', partId: 'led', at: at(2), pieces: 2, kind: 'fitted' as const }];
    expect(partFittedAt({ fit, pieces }, 'led')).toBe(at(2));
    expect(partFittedAt({ fit, pieces }, 'other')).toBe(at(4));
    expect(partFittedAt({ fit: {} }, 'led')).toBeNull();
  });

  it('still open are listed, the most overdue first', () => {
    const jobs = [
      { ...job, id: 'a', rechecks: [recheck('late', '2026-11-20'), recheck('done', '2026-11-01', true)] },
      { ...job, id: 'b', rechecks: [recheck('today', '2026-11-29'), recheck('older', '2026-11-10')] },
      { ...job, id: 'c' },
    ];
    expect(
      openRechecks(jobs, '2026-11-29').map((each) => [each.job.id, each.recheck.id, each.inDays]),
    ).toEqual([
      ['b', 'older', -19],
      ['a', 'late', -9],
      ['b', 'today', 0],
    ]);
  });

  it('go into a calendar as RFC 5545 wants it: lines ended by CR LF and folded, all-day dates', () => {
    const long = { ...recheck('x', '2027-01-03'), what: `Überall Ω: ${'water in the lamp, '.repeat(8)}` };
    const text = rechecksIcs(
      [long, recheck('y', '2027-06-20')].map((each) => ({ job, recheck: each })),
      '2026-11-29T10:00:00.000Z',
    );
    const lines = text.split('\r\n');
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
    // The library folds at 75 characters; of octets the RFC says "should", and an Ω has two.
    for (const line of lines) expect(line.length).toBeLessThanOrEqual(75);
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(text).toMatch(/DTSTART;VALUE=DATE:20270103\r\n/);
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
    expect(text.match(/UID:.+/g)).toHaveLength(2);
    const unfolded = text.replaceAll(/\r\n[ \t]/g, '');
    expect(unfolded).toContain('Überall Ω: water in the lamp\\, ');
  });
});
