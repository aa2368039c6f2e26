import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { withRearLoad } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { toCsv } from '../formats/csv.ts';
import { pickListCsv } from '../formats/pickListCsv.ts';
import type { Job } from '../model/job.ts';
import { pickList, powerSaved } from './picklist.ts';

const [open, , finished] = demoJobs() as [Job, Job, Job];

describe('pickList', () => {
  const list = pickList(finished, DEMO_SHELF);
  const line = (code: string) => list.lines.find((each) => each.code === code);

  it('counts LEDs, resistors and joints, and prices them', () => {
    expect(line('TERN-3A')).toMatchObject({ quantity: 2, onShelf: 2, toBuy: 0, total: 12.8 });
    expect(line('OTTER-6/50')).toMatchObject({ quantity: 4, toBuy: 0, total: 22.4 });
    expect(line('JOINT-S')).toMatchObject({ quantity: 8 });
    expect(line('SCREW-42')).toMatchObject({ quantity: 8 });
    expect(list.knownTotal).toBeCloseTo(
      list.lines.reduce((sum, each) => sum + (each.total ?? 0), 0),
      9,
    );
    expect(list.unpriced).toBe(0);
  });

  it('says what must be bought when the shelf is short', () => {
    const short = DEMO_SHELF.map((part) => (part.id === 'res-6-50' ? { ...part, stock: 3 } : part));
    expect(pickList(finished, short).lines.find((each) => each.code === 'OTTER-6/50')).toMatchObject({
      onShelf: 3,
      toBuy: 1,
    });
  });

  it('lists values that no shelf part has as to order, without a made-up price', () => {
    const job = withRearLoad(open, 2.7);
    const ordered = pickList(job, DEMO_SHELF);
    expect(ordered.lines.find((each) => each.code === 'to order')).toMatchObject({
      quantity: 1,
      total: null,
    });
    expect(ordered.unpriced).toBe(1);
  });

  it('lists a bleed resistor no shelf part has as to order, and the joints of every cure', () => {
    const piece = { partId: null, ohms: 56, watts: 10, tolerance: 0.05 };
    const job: Job = {
      ...open,
      cures: {},
      vehicleCures: [{ kind: 'bleed-resistor', circuitId: 'stop', piece }, { kind: 'pilot-diodes' }],
    };
    const { lines } = pickList(job, DEMO_SHELF);
    expect(lines.find(({ code }) => code === 'to order')).toMatchObject({
      quantity: 1,
      what: 'Resistor 56 Ω 10 W, 5 %, aluminium housed',
      why: 'sensed brake wire',
    });
    // Two joints of the bleed resistor, three of the diodes; nothing is drilled.
    expect(lines.find(({ code }) => code === 'JOINT-S')).toMatchObject({ quantity: 5 });
    expect(lines.find(({ why }) => why === 'drilled edges')).toBeUndefined();
  });

  it('carries dead bulbs that are kept, each by its own name', () => {
    const job: Job = {
      ...open,
      chosen: { ...open.chosen, 'rear-left': null, 'repeater-left': null },
      lookOver: {
        ...open.lookOver,
        lamps: {
          'rear-left': { condition: 'dead', note: '' },
          'repeater-left': { condition: 'dead', note: '' },
        },
      },
    };
    const bulbs = pickList(job, DEMO_SHELF).lines.filter((each) => each.key.startsWith('bulb-'));
    expect(bulbs.map((each) => each.code).toSorted()).toEqual(['P21W', 'W5W']);
    expect(bulbs.find((each) => each.code === 'W5W')?.what).toContain('5 W');
  });

  it('saves most of the power with LEDs alone and hardly any with resistors', () => {
    const bare = powerSaved(open, DEMO_SHELF);
    expect(bare.savedWatts / bare.stockWatts).toBeGreaterThan(0.8);
    const power = powerSaved(finished, DEMO_SHELF);
    expect(power.stockWatts - power.ledWatts - power.resistorWatts).toBeCloseTo(power.savedWatts, 9);
    expect(power.resistorWatts).toBeGreaterThan(90);
    expect(power.savedWatts).toBeLessThan(0.1 * power.stockWatts);
  });

  it('needs crimping tools only where there is something to crimp', () => {
    const toolsOf = (job: Job) => pickList(job, DEMO_SHELF).tools.flatMap(({ tools }) => tools);
    expect(toolsOf(finished)).toContain('crimping pliers');
    expect(toolsOf(open)).not.toContain('crimping pliers');
  });
});

describe('CSV (RFC 4180, from memory)', () => {
  it('gives back every cell it was given', () => {
    const text = pickListCsv(pickList(finished, DEMO_SHELF));
    expect(text).toContain('\r\n');
    const rows = Papa.parse<string[]>(text).data;
    expect(rows[0]?.slice(0, 9)).toEqual([
      'code',
      'part',
      'for',
      'quantity',
      'on shelf',
      'to buy',
      'packs',
      'pieces in a pack',
      'spare',
    ]);
    expect(rows.length).toBe(1 + pickList(finished, DEMO_SHELF).lines.length);
    expect(rows[1]?.[2]).toContain('front left, front right');
  });

  it('quotes commas, quotes and line ends, and defuses formulas', () => {
    const text = toCsv(['a'], [['x,"y"\r\nz'], ['=1+1'], ['@cmd'], [-5], [null]]);
    const cells = Papa.parse<string[]>(text).data.map((row) => row[0]);
    expect(cells).toEqual(['a', 'x,"y"\r\nz', "'=1+1", "'@cmd", '-5', '']);
  });
});
