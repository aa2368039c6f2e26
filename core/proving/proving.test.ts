import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { isFelt } from '../faults/kinds.ts';
import { sizesOf } from '../faults/sizes.ts';
import { JobAnalysis } from '../judge/analysis.ts';
import { jobLamps } from '../model/scope.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { circuitsFeeding } from '../model/vehicle/lookUp.ts';
import { isOn } from '../simulation/bearing.ts';
import { deviations, NOTHING_SHOWN } from './deviations.ts';
import { type ProvingGrid, provingGrid } from './grid.ts';
import type { Outcome } from './outcome.ts';
import { CellPlayer } from './player.ts';
import { smallestCover } from './smallestSet.ts';

const FLEET = ['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'];
const grids = new Map<string, ProvingGrid>();
const gridOf = (id: string): ProvingGrid => {
  const known = grids.get(id) ?? provingGrid(demoJob(id), DEMO_SHELF);
  if (!known) throw new Error('it was ended');
  grids.set(id, known);
  return known;
};
const shownIn = (grid: ProvingGrid, cellId: string, faultId: string) => {
  const cell = grid.cells.findIndex(({ id }) => id === cellId);
  const fault = grid.faults.findIndex(({ id }) => id === faultId);
  return grid.seen[fault]?.[cell] ?? NOTHING_SHOWN;
};

describe('smallestCover', () => {
  it('takes of as many sets the cheapest', () => {
    const sets = [new Set([1, 2]), new Set([3]), new Set([1]), new Set([2, 3])];
    expect(smallestCover(sets, [1, 1, 1, 1]).length).toBe(2);
    expect(smallestCover(sets, [1, 9, 5, 1])).toEqual([0, 3]);
    expect(smallestCover(sets, [1, 1, 5, 9])).toEqual([0, 1]);
  });

  it('is as small as trying every choice finds, and covers all that can be', () => {
    const sets = fc.array(fc.uniqueArray(fc.nat({ max: 9 }), { maxLength: 5 }), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(sets, (rows) => {
        const asSets = rows.map((row) => new Set(row));
        const all = new Set(rows.flat());
        const covered = (choice: readonly number[]) =>
          new Set(choice.flatMap((at) => rows[at] ?? [])).size === all.size;
        let least = Number.POSITIVE_INFINITY;
        for (let mask = 0; mask < 1 << rows.length; mask += 1) {
          const choice = rows.flatMap((_, at) => (mask & (1 << at) ? [at] : []));
          if (choice.length < least && covered(choice)) least = choice.length;
        }
        const found = smallestCover(
          asSets,
          rows.map((row) => row.length),
        );
        expect(covered(found)).toBe(true);
        expect(found.length).toBe(least);
      }),
      { numRuns: 200 },
    );
  });
});

describe.each(FLEET)('the proving grid of %s', (id) => {
  const job = demoJob(id);

  it('has a smallest test that shows every fault any cell shows, and no cell of it can be left out', () => {
    const grid = gridOf(id);
    const player = new CellPlayer(new JobAnalysis(job, DEMO_SHELF), 'cured');
    // Played anew, size by size: what is sure to be told of each in a cell that nothing sound shows.
    const sizes = grid.faults.flatMap(({ id, fault }) =>
      isFelt(fault)
        ? sizesOf(fault, player.fitment).map((each, at) => ({
            name: `${id} ${at}`,
            played: player.withFaults([each]),
          }))
        : [],
    );
    const surely = grid.cells.map((cell, at) => {
      const { sure, maybe } = grid.sound[at] ?? NOTHING_SHOWN;
      return sizes.flatMap(({ name, played }) =>
        deviations(grid.expected[at] as Outcome, played.in(cell)).sure.some(
          (each) => !sure.includes(each) && !maybe.includes(each),
        )
          ? [name]
          : [],
      );
    });
    const shows = (at: number) => surely[at] ?? [];
    // What an eye can tell apart: bright over dim, one circuit on a filament, a pulsed output with the brake and without.
    const lights = (at: number) => {
      const controls = grid.cells[at]?.controls;
      if (!controls) throw new Error('no such cell');
      const on = (lampId: string, input: 'main' | 'dim') =>
        circuitsFeeding(job.vehicle, lampId, input).filter((circuit) => isOn(circuit, controls));
      const named = (lampId: string, [circuit, another]: Circuit[]) => {
        if (!circuit || another) return [];
        const { flasher } = job.vehicle;
        const pulsed =
          flasher.kind === 'controller' &&
          flasher.outputs.some(({ circuitId, pwm }) => circuitId === circuit.id && pwm !== undefined);
        const input = circuit.feeds.find((feed) => feed.lampId === lampId)?.input;
        return [`${lampId} ${input} ${circuit.fullWithBrake && pulsed ? controls.brake : ''}`];
      };
      return jobLamps(job).flatMap(({ id: lampId }) => {
        const [main, dim] = [on(lampId, 'main'), on(lampId, 'dim')];
        if (main.length > 0) return named(lampId, main);
        return dim.length > 0 ? named(lampId, dim) : [`${lampId} dark`];
      });
    };
    const told = (cells: readonly number[]) => new Set(cells.flatMap((at) => [...shows(at), ...lights(at)]));
    const all = told([...grid.cells.keys()]);
    expect(grid.smallest.length).toBeGreaterThan(0);
    expect(told(grid.smallest)).toEqual(all);
    for (const left of grid.smallest)
      expect(told(grid.smallest.filter((at) => at !== left)).size, grid.cells[left]?.name).toBeLessThan(
        all.size,
      );
    // What is listed as never or only perhaps shown is what no cell surely shows at any size.
    const never = new Set([...grid.unshown, ...grid.doubtful].map((each) => each.id));
    const shown = new Set([...all].map((name) => name.split(' ')[0]));
    for (const { id: name, fault } of grid.faults.filter((each) => isFelt(each.fault)))
      expect(never.has(name), name).toBe(!shown.has(name) && fault.kind !== 'wants-load');
  });

  it('goes from thread to thread unchanged, and is read there as here', () => {
    const grid = gridOf(id);
    const copy = structuredClone(grid);
    expect(copy.seen).toEqual(grid.seen);
    copy.expected.forEach((outcome, cell) => {
      const here = grid.expected[cell];
      // Maps of a class of our own would be nothing but objects over there.
      expect([...outcome.lumens]).toEqual([...(here?.lumens ?? [])]);
      expect([...outcome.watts]).toEqual([...(here?.watts ?? [])]);
      expect([...outcome.drawn.keys()]).toEqual([...(here?.drawn.keys() ?? [])]);
      expect(outcome.lumens.size).toBeGreaterThan(0);
    });
  });

  it('shows a lamp without contact dark wherever it should be lit', () => {
    const grid = gridOf(id);
    const out = grid.faults.filter(({ fault }) => fault?.kind === 'bulb-out');
    expect(out.length).toBeGreaterThan(3);
    for (const { id: name, fault } of out) {
      if (!fault || !('lampId' in fault)) continue;
      const said = grid.cells.flatMap(({ id: cell }) => shownIn(grid, cell, name).sure);
      expect(said, name).toContain(`${fault.lampId} dark`);
    }
  });
});

describe('what a cell should show', () => {
  it('is open where the threshold may lie on either side of what is drawn: then it shows no fault by its rate', () => {
    const grid = gridOf('library-route-1');
    const left = grid.cells.findIndex(({ id }) => id === 'turn-left');
    expect(grid.expected[left]?.flash).toBe('normal');
    // One resistor of two leaves the current inside the band: nobody can say whether it trips.
    const turn = shownIn(grid, 'turn-left', 'tap-open:rear-left:0');
    expect(turn.sure).toEqual([]);
    expect(turn.maybe).toEqual(['flash fast']);
    // A hand tells: after ten minutes of hazard that resistor is cold.
    expect(shownIn(grid, 'hazard-minutes', 'tap-open:rear-left:0').sure).toEqual(['rear-left cold']);
    expect(grid.smallest.map((at) => grid.cells[at]?.id)).toContain('hazard-minutes');
  });

  it('is open too where nobody knows how an LED is built, and then that is no sign of a fault', () => {
    const grid = gridOf('exhibition-trailer');
    const at = grid.cells.findIndex(({ id }) => id === 'turn-left');
    expect(grid.sound[at]?.maybe).toEqual(['flash fast']);
    expect(grid.unshown.map(({ id }) => id)).toContain('fuse-wrong:turn-fuse');
  });

  it('says at the first start after a sleep what the controller finds, where its setting was lost', () => {
    const grid = gridOf('dial-a-ride-2');
    expect(grid.sound[grid.cells.findIndex(({ id }) => id === 'asleep')]).toEqual(NOTHING_SHOWN);
    expect(shownIn(grid, 'asleep', 'setting-lost:turn-left').sure).toContain('message turn-left');
    expect(shownIn(grid, 'turn-left', 'setting-lost:turn-left').sure).toContain('flash fast');
  });

  it('lights reverse, brake and a running engine by the safe way alone', () => {
    const { cells } = gridOf('dial-a-ride-2');
    const of = (id: string) => cells.find((cell) => cell.id === id)?.safely ?? '';
    expect(of('turn-left-engine')).toMatch(/parking brake on/);
    expect(of('third')).toMatch(/wheels chocked/);
    expect(of('everything')).toMatch(/engine off/);
    expect(of('turn-left')).toBe('');
  });

  it('names the wrong lamp, the missing flash, the glow in the dark and the bright tail', () => {
    const van = gridOf('library-route-1');
    expect(shownIn(van, 'turn-left', 'sides-bridged').sure).toContain('rear-right wrong');
    expect(shownIn(van, 'turn-left', 'relay-stuck:open').sure).toEqual([
      'flash none',
      'front-left dark',
      'rear-left dark',
      'repeater-left dark',
    ]);
    const leak = shownIn(gridOf('dial-a-ride-2'), 'off', 'leakage:turn-left');
    expect([...leak.sure, ...leak.maybe]).toContain('rear-left glows');
    expect(shownIn(gridOf('gritter-4'), 'tail-left', 'half-turned:stop-tail-left').sure).toContain(
      'stop-tail-left bright',
    );
  });

  it('can be ended while it is worked out', () => {
    let done = 0;
    const ended = provingGrid(demoJob('library-route-1'), DEMO_SHELF, 'cured', (count) => {
      done = count;
      return count < 3;
    });
    expect(ended).toBeNull();
    expect(done).toBe(3);
  });
});
