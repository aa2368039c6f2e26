import { beforeAll, describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { placeOf } from '../faults/kinds.ts';
import { type ProvingGrid, provingGrid } from '../proving/grid.ts';
import { CONTROLS_OFF } from '../simulation/controls.ts';
import type { Level } from './hidden.ts';
import { PracticeRound, practiceConfiguration } from './round.ts';

const job = { ...demoJob('library-route-1'), evidence: [] };
let grid: ProvingGrid;
beforeAll(() => {
  const worked = provingGrid(job, DEMO_SHELF);
  if (!worked) throw new Error('no grid');
  grid = worked;
});
const round = (seed: number, level: Level = 'any') =>
  new PracticeRound(job, DEMO_SHELF, grid, { seed, level });

describe('a practice round', () => {
  it('is the same for the same seed, and others for others', () => {
    const ids = (seed: number) =>
      round(seed)
        .hidden.map(({ id }) => id)
        .join();
    const drawn = Array.from({ length: 12 }, (_, seed) => ids(seed + 1));
    expect(Array.from({ length: 12 }, (_, seed) => ids(seed + 1))).toEqual(drawn);
    expect(new Set(drawn).size).toBeGreaterThan(6);
    expect(round(5).complaint).toEqual(round(5).complaint);
  });

  it('hides one or two, and begins with something the owner sees', () => {
    for (let seed = 1; seed <= 10; seed++) {
      expect(round(seed, 'easy').hidden).toHaveLength(1);
      expect(round(seed, 'two').hidden).toHaveLength(2);
      for (const level of ['easy', 'any', 'two'] as const)
        expect(round(seed, level).complaint?.seen.length ?? 0, `${seed} ${level}`).toBeGreaterThan(0);
    }
  });

  it('is on a vehicle that is sound but for what is hidden', () => {
    expect(practiceConfiguration(job, DEMO_SHELF)).toBe('cured');
    expect(practiceConfiguration(demoJob('library-route-3'), DEMO_SHELF)).toBe('stock');
  });

  it('costs minutes for every check, and ends when all is found at its place', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const played = round(seed, 'two');
      const { traces, step } = played.look({ ...CONTROLS_OFF, key: 'on', turn: 'left' });
      expect(traces.lamps.length).toBeGreaterThan(0);
      expect(step.minutes).toBeGreaterThan(0.5);
      const meter = played.meter('lamp:rear-left:main', 'volts', {
        ...CONTROLS_OFF,
        key: 'on',
        turn: 'left',
      });
      expect(meter.minutes).toBeGreaterThan(0.5);
      // The panel was opened for it: a second reading there is quicker.
      expect(played.meter('lamp:rear-left:main', 'volts', CONTROLS_OFF).minutes).toBeLessThanOrEqual(
        meter.minutes,
      );
      const wrong = played.places.find(({ id }) => played.hidden.every(({ fault }) => placeOf(fault) !== id));
      expect(played.lookAt(wrong?.id ?? '')).toMatchObject({ found: null });
      for (const { fault } of played.hidden) played.lookAt(placeOf(fault));
      expect(played.done).toBe(true);
      expect(played.minutes).toBeCloseTo(
        played.steps.reduce((sum, each) => sum + each.minutes, 0),
        9,
      );
    }
  });

  it('once mended shows what a sound vehicle shows', () => {
    const played = round(3);
    for (const { fault } of played.hidden) played.lookAt(placeOf(fault));
    const controls = { ...CONTROLS_OFF, key: 'on' as const, turn: 'left' as const };
    const { traces } = played.look(controls);
    expect(Math.round(traces.ratePerMinute ?? 0)).toBeGreaterThanOrEqual(60);
    expect(Math.round(traces.ratePerMinute ?? 0)).toBeLessThanOrEqual(120);
  });

  it('is held against the chooser’s own search, which finds nearly all of them', () => {
    let found = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const run = round(seed, seed % 2 ? 'any' : 'two').chooser();
      expect(run.minutes).toBeCloseTo(
        run.steps.reduce((sum, step) => sum + step.minutes, 0),
        9,
      );
      if (run.found) found += 1;
    }
    expect(found).toBeGreaterThanOrEqual(18);
  });
});
