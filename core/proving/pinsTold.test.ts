import { describe, expect, it } from 'vitest';
import { demoJob, SIGNED } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { PinReading } from '../model/evidence.ts';
import { connectorsOf } from '../wiring/connectors.ts';
import { FaultFinder } from './finder.ts';
import { provingGrid } from './grid.ts';
import { PinLikelihoods } from './pinsTold.ts';
import { cellLook, toldOf } from './toldOf.ts';

const plain = { ...demoJob('library-route-1'), evidence: [] };
const job = {
  ...plain,
  vehicle: {
    ...plain.vehicle,
    connectors: connectorsOf(plain.vehicle).map(({ connector }) => ({
      ...connector,
      cavities: connector.cavities.map((each) => ({ ...each, provedBy: 'meter' as const })),
    })),
  },
};
const plug = job.vehicle.connectors.find(({ at }) => at.kind === 'lamps' && at.lampIds.includes('rear-left'));
const feed = plug?.cavities.find(({ use }) => use?.does === 'feed' && use.circuitIds.includes('turn-left'));
const earth = plug?.cavities.find(({ use }) => use?.does === 'earth');
const grid = provingGrid(job, DEMO_SHELF);
if (!plug || !feed || !earth || !grid) throw new Error('no plug at the rear left, or it was ended');

const reading = (cavity: string, seen: PinReading['seen'], volts?: number): PinReading => ({
  ...SIGNED,
  kind: 'pin',
  id: 'pin',
  at: '2026-11-29T10:01:00.000Z',
  connectorId: plug.id,
  cavity,
  circuitId: 'turn-left',
  how: 'volts',
  seen,
  ...(volts === undefined ? {} : { quantity: { value: volts, unit: 'V', uncertainty: null } }),
});
const cell = grid.cells.find(({ id }) => id === 'turn-left');
if (!cell) throw new Error('no cell');
const dark = {
  ...SIGNED,
  ...cellLook(job, cell, ['rear-left dark'], 'cured'),
  id: 'dark',
  at: '2026-11-29T10:00:00.000Z',
};
const finder = new FaultFinder(job, grid, DEMO_SHELF);
/** How likely it is that one of some kinds of fault is there, by what was told. */
const chance = (kinds: readonly string[], ...pins: readonly PinReading[]) => {
  const { suspects } = finder.find(toldOf({ ...job, evidence: [dark, ...pins] }, grid.cells));
  return suspects.reduce(
    (sum, { faults: [first], probability }) =>
      sum + (first && kinds.includes(first.fault.kind) ? probability : 0),
    0,
  );
};

describe('a reading of a meter, in the search for a fault', () => {
  // By hand: where the socket’s feed bounces with the flash, whatever is wrong with the dark lamp lies behind it; a feed on
  // which nothing comes is open before the plug, and no bulb that is dead or reversed explains it.
  it('says which side of the plug a dark lamp is dark from', () => {
    const bulb = ['bulb-out', 'reversed'];
    const before = chance(bulb);
    expect(before).toBeGreaterThan(0.1);
    expect(chance(bulb, reading(feed.id, 'bouncing'))).toBeGreaterThan(1.3 * before);
    expect(chance(bulb, reading(feed.id, 'nothing'))).toBeLessThan(before / 3);
  });

  it('takes a contact at the plug itself to be on either side of the meter', () => {
    const factors = new PinLikelihoods(job, DEMO_SHELF, grid.faults).of(reading(feed.id, 'bouncing'));
    const contact = grid.faults.findIndex(({ id }) => id === 'poor-contact:rear-left:main');
    expect(factors[contact]).toBeGreaterThan(1);
    expect(factors[contact]).toBeLessThan(factors.at(-1) ?? 0);
  });

  it('finds a bad earth by the volts that stand on it, and rules it out by none', () => {
    const before = chance(['poor-earth', 'bad-earth']);
    expect(chance(['poor-earth', 'bad-earth'], reading(earth.id, 'bouncing'))).toBeGreaterThan(2 * before);
    expect(chance(['poor-earth', 'bad-earth'], reading(earth.id, 'nothing'))).toBeLessThan(before + 0.01);
  });

  it('tells nothing at a wire nobody proved, on ohms, or of what it has nothing to do with', () => {
    const unproved = {
      ...job,
      vehicle: { ...job.vehicle, connectors: [{ ...plug, cavities: [{ id: feed.id }] }] },
    };
    expect(toldOf({ ...unproved, evidence: [reading(feed.id, 'nothing')] }, grid.cells).pins).toEqual([]);
    const ohms: PinReading = { ...reading(feed.id, 'open'), how: 'ohms-in' };
    expect(toldOf({ ...job, evidence: [ohms] }, grid.cells).pins).toEqual([]);
    const factors = new PinLikelihoods(job, DEMO_SHELF, grid.faults).of(reading(feed.id, 'bouncing'));
    const other = grid.faults.findIndex(({ id }) => id === 'bulb-out:rear-right');
    expect(factors).toHaveLength(grid.faults.length + 1);
    expect(factors[other]).toBe(factors.at(-1));
  });
});
