import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { demoJob, trialAt } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import type { CameBack } from '../model/measuredEvidence.ts';
import type { JobMovement } from '../model/pieces.ts';
import { signed } from '../record/tell.ts';
import {
  cameBackBy,
  causesFound,
  fittedWhere,
  lasting,
  partRecordWords,
  sinceWhen,
  underWarranty,
} from './answers.ts';
import { type LogLine, logLines } from './lines.ts';
import { logCsv } from './logCsv.ts';
import { watcherGroups } from './watchers.ts';

const base = demoJob('library-route-1');
const LED = base.chosen['rear-left'] ?? '';
const at = (day: number) => `2026-10-${String(day).padStart(2, '0')}T10:00:00.000Z`;
let count = 0;
const moved = (
  kind: JobMovement['kind'],
  day: number,
  pieces: number,
  place?: string,
  batch?: string,
): JobMovement => ({
  id: `m-${count++}`,
  partId: LED,
  at: at(day),
  kind,
  pieces,
  ...(place ? { place } : {}),
  ...(batch ? { batch } : {}),
  by: 'bay 2',
});
const job = (pieces: JobMovement[], change: Partial<Job> = {}): Job => ({
  ...base,
  fit: {},
  evidence: [],
  pieces,
  ...change,
});
const lines = (...jobs: Job[]) => logLines(jobs, DEMO_SHELF).filter(({ partId }) => partId === LED);

describe('the log', () => {
  it('has a line for each part at each place: when, where, by whom, of which batch', () => {
    const [line, ...others] = lines(job([moved('fitted', 1, 1, 'swap-rear-left', 'B-7')]));
    expect(others).toEqual([]);
    expect(line).toMatchObject({
      lampId: 'rear-left',
      fittedAt: at(1),
      by: 'bay 2',
      batch: 'B-7',
      state: 'in',
      from: 'pieces',
    });
  });

  it('tells work that was done where nobody counted pieces', () => {
    const all = logLines([base], DEMO_SHELF);
    expect(all.filter(({ partId }) => partId === LED).map(({ lampId }) => lampId)).toEqual(
      expect.arrayContaining(['rear-left', 'rear-right']),
    );
    expect(all.every(({ from, fittedAt }) => from === 'work' && fittedAt !== null)).toBe(true);
    expect(all.some(({ partKind }) => partKind === 'resistor')).toBe(true);
    // A job nobody has worked on has fitted nothing.
    expect(logLines([{ ...base, fit: {} }], DEMO_SHELF)).toEqual([]);
  });

  it('knows what was taken out again, and forgets a tick that was taken back at once', () => {
    const out = lines(
      job([moved('fitted', 1, 1, 'swap-rear-left'), moved('returned', 9, 1, 'swap-rear-left')]),
    );
    expect(out).toMatchObject([{ state: 'taken-out', endedAt: at(9), why: 'put back on the shelf' }]);
    const slip = moved('returned', 1, 1, 'swap-rear-left');
    expect(lines(job([moved('fitted', 1, 1, 'swap-rear-left'), slip]))).toEqual([]);
  });

  it('ends what another LED took the place of on a later job of the same vehicle', () => {
    const other = DEMO_SHELF.find(({ id, kind }) => kind === 'led' && id !== LED)?.id ?? '';
    const later = job([{ ...moved('fitted', 20, 1, 'swap-rear-left'), partId: other }], { id: 'later' });
    expect(lines(job([moved('fitted', 1, 1, 'swap-rear-left')]), later)).toMatchObject([
      { state: 'taken-out', endedAt: at(20) },
    ]);
  });

  it('ends what came back, at its lamp, and of several pieces one', () => {
    const fitted = job([moved('fitted', 1, 1, 'swap-rear-left'), moved('fitted', 1, 1, 'swap-rear-right')]);
    const back = signed(
      fitted,
      {
        kind: 'came-back',
        lampId: 'rear-right',
        partId: LED,
        part: 'TERN',
        fittedAt: null,
        words: 'half its chips dark',
      },
      { id: 'back', at: at(21), device: 'desk' },
    );
    const told = lines({ ...fitted, evidence: [back] });
    expect(told.find(({ lampId }) => lampId === 'rear-right')).toMatchObject({
      state: 'came-back',
      endedAt: at(21),
      why: 'half its chips dark',
    });
    expect(told.find(({ lampId }) => lampId === 'rear-left')?.state).toBe('in');
    const pair = job([moved('fitted', 1, 2, 'kit')]);
    const both = lines({ ...pair, evidence: [{ ...back, kind: 'came-back', lampId: null } as CameBack] });
    expect(both.map(({ state, pieces }) => [state, pieces]).toSorted()).toEqual([
      ['came-back', 1],
      ['in', 1],
    ]);
  });

  it('as CSV has every line, and a spreadsheet runs nothing of it', () => {
    const told = logLines(demoJobs(), DEMO_SHELF);
    const [header, ...rows] = Papa.parse<string[]>(logCsv(told), { skipEmptyLines: true }).data;
    expect(rows).toHaveLength(told.length);
    expect(header?.slice(0, 3)).toEqual(['vehicle', 'fleet_number', 'model']);
    expect(logCsv([{ ...(told[0] as LogLine), why: '=1+1' }])).toContain("'=1+1");
  });
});

describe('what the log answers', () => {
  const line = (change: Partial<LogLine>): LogLine => ({
    ...(lines(job([moved('fitted', 1, 1, 'swap-rear-left', 'B-7')]))[0] as LogLine),
    ...change,
  });

  it('where a part is fitted, and of which batch: the list to recall', () => {
    const all = [line({ key: 'a' }), line({ key: 'b', batch: 'B-8' }), line({ key: 'c', partId: 'other' })];
    expect(fittedWhere(all, LED).map(({ key }) => key)).toEqual(['a', 'b']);
    expect(fittedWhere(all, LED, 'B-7').map(({ key }) => key)).toEqual(['a']);
  });

  it('what came back, by part, model and place, with how old it was', () => {
    const back = line({ state: 'came-back', endedAt: at(21) });
    const [group] = cameBackBy([back, line({}), line({ pieces: 3 })], 'code');
    expect(group).toMatchObject({ cameBack: 1, fitted: 5, ages: [20] });
    expect(cameBackBy([line({})], 'model')).toEqual([]);
  });

  it('what is under warranty on a day', () => {
    const all = [
      line({ key: 'long', warrantyUntil: '2028-10-01' }),
      line({ key: 'short', warrantyUntil: '2026-12-01' }),
      line({ key: 'over', warrantyUntil: '2026-11-01' }),
      line({ key: 'out', warrantyUntil: '2028-10-01', state: 'taken-out' }),
      line({ key: 'none', warrantyUntil: null }),
    ];
    expect(underWarranty(all, '2026-11-30').map(({ key }) => key)).toEqual(['short', 'long']);
  });

  it('how long parts last: counts under five that ended, a curve from then on', () => {
    const now = at(30);
    const ended = (day: number) => line({ state: 'came-back', endedAt: at(day) });
    const few = lasting([ended(5), ended(9), line({}), line({})], new Map(), now);
    expect(few).toMatchObject({ countsOnly: true, fitted: 4, ended: 2, stillIn: 2, steps: [] });
    const many = lasting([5, 7, 9, 11, 13].map(ended), new Map(), now);
    expect(many.countsOnly).toBe(false);
    expect(many.steps.map((step) => step.at)).toEqual([4, 6, 8, 10, 12]);
    expect(many.medianDays).toBe(8);
    // In since before its vehicle came on record: at no risk that anybody saw before then.
    const since = new Map([[base.vehicle.id, at(6)]]);
    expect(lasting([5, 7, 9, 11, 13].map(ended), since, now).steps[0]).toMatchObject({ at: 6, atRisk: 4 });
    expect(partRecordWords([ended(5)], few)).toMatch(/4 fitted on 1 vehicle, 2 came back/);
    expect(partRecordWords([], few)).toBe('');
  });

  it('since when a vehicle is on record, and which causes were found on a model', () => {
    expect(sinceWhen([base, { ...base, createdAt: '2020-01-01T00:00:00.000Z' }]).get(base.vehicle.id)).toBe(
      '2020-01-01T00:00:00.000Z',
    );
    const cause = signed(
      base,
      { kind: 'cause', fault: null, words: 'reversed LED, rear left', outcome: 'mended' },
      { id: 'cause', at: at(3), device: null },
    );
    const found = causesFound([
      { ...base, evidence: [cause] },
      { ...base, id: 'again', evidence: [cause] },
    ]);
    // The same record on two jobs of one vehicle is one finding.
    expect(found).toMatchObject([{ words: 'reversed LED, rear left', times: 1, mended: 1 }]);
  });
});

describe('watchers beside each other', () => {
  const vehicle = (
    id: string,
    result: 'normal' | 'fast',
    lamps: Record<string, string | null>,
    ohms?: number,
  ): Job => {
    const like = demoJob('library-route-3');
    const networks =
      ohms === undefined
        ? []
        : [
            {
              lampId: 'rear-left',
              connection: 'parallel' as const,
              pieces: [{ partId: null, ohms, watts: 50, tolerance: 0.05 }],
            },
          ];
    const trial = trialAt(
      'turn-left',
      result,
      12.6,
      { lamps, networks },
      { id: `t-${id}`, vehicleId: id, by: 'Ada' },
    );
    return { ...like, id, title: id, vehicle: { ...like.vehicle, id, fleetNumber: id }, evidence: [trial] };
  };
  const stock = { 'front-left': null, 'repeater-left': null, 'rear-left': null };
  const leds = { 'front-left': 'led-tern-3y', 'repeater-left': 'led-tern-06', 'rear-left': 'led-tern-3a' };
  const one = { ...stock, 'rear-left': 'led-tern-3a' };

  it('come to what all leave, as an assumption, with who found what', () => {
    const groups = watcherGroups(
      [vehicle('A', 'fast', leds), vehicle('B', 'normal', stock)],
      DEMO_SHELF,
      'model',
    );
    const group = groups.find(({ circuit }) => /left/i.test(circuit));
    expect(group?.vehicles.map((each) => each.vehicle)).toEqual(['A', 'B']);
    expect(group?.vehicles[0]?.findings[0]).toMatchObject({ result: 'fast', by: 'Ada' });
    const [a, b] = group?.vehicles ?? [];
    expect(group?.together?.lowAmps).toBe(Math.max(a?.lowAmps ?? 0, b?.lowAmps ?? 0));
    expect(group?.together?.highAmps).toBe(Math.min(a?.highAmps ?? 0, b?.highAmps ?? 0));
  });

  it('that cannot be one watcher are named, and nothing is united', () => {
    // One LED and no load: content on one vehicle. The same with a load beside it: fast on the other.
    const groups = watcherGroups(
      [vehicle('A', 'normal', one), vehicle('B', 'fast', one, 25)],
      DEMO_SHELF,
      'watcher',
    );
    const group = groups.find(({ circuit }) => /left/i.test(circuit));
    expect(group?.vehicles.every(({ contradiction }) => contradiction === null)).toBe(true);
    expect(group?.apart).toEqual([['A', 'B']]);
    expect(group?.together).toBeNull();
  });
});
