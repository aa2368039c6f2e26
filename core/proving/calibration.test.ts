import { expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { hiddenVehicle, searchFor } from '../../tests/fuzz/hiddenFault.ts';
import { randomFrom } from '../../tests/fuzz/hiddenPlug.ts';
import type { PossibleFault } from '../faults/library.ts';
import { deviations } from './deviations.ts';
import { FaultFinder } from './finder.ts';
import type { FaultFinding, Suspect } from './finding.ts';
import { type ProvingGrid, provingGrid } from './grid.ts';
import type { Outcome } from './outcome.ts';
import type { Wanting } from './wantsMore.ts';

const FLEET = ['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'];
const SEARCHES = Number(process.env.VUMBLE_SEARCHES ?? 12);
/** How often nothing is wrong, something is broken, and a watcher merely wants more, as the finder supposes it. */
const SOUND = 0.3;
const AS_FITTED = 1;
/** What is thought less likely is not counted. */
const WORTH_TELLING = 0.05;

interface Tenth {
  told: number;
  true: number;
  count: number;
}

/**
 * What the finder tells against how often it is so, by tenths: vehicles that differ from its model, causes as often as they
 * are met, one telling in ten false, asked after every check of a search.
 */
it('means what it says: told 40 %, it is so 40 times in a hundred', { timeout: 300_000 }, () => {
  const random = randomFrom(5);
  const tenths = Array.from({ length: 10 }, (): Tenth => ({ told: 0, true: 0, count: 0 }));
  let logScore = 0;
  let asked = 0;
  const count = (told: number, isTrue: boolean) => {
    const tenth = tenths[Math.min(9, Math.floor(10 * told))];
    if (told < WORTH_TELLING || !tenth) return;
    tenth.count += 1;
    tenth.told += told;
    if (isTrue) tenth.true += 1;
  };
  for (const id of FLEET) {
    const job = demoJob(id);
    const grid = provingGrid(job, DEMO_SHELF);
    if (!grid) throw new Error('it was ended');
    const finder = new FaultFinder(job, grid, DEMO_SHELF);
    const { broken, wanting } = causesOf(grid);
    const nothing = SOUND * Math.max(0.02, 1 - sumOf(wanting.map(({ cause }) => cause.prior)));
    const worlds = [
      ...broken.map((fault) => ({ fault, wants: null, weight: (1 - SOUND) * share(fault.prior, broken) })),
      ...wanting.map((wants) => ({ fault: null, wants, weight: AS_FITTED * wants.cause.prior })),
      { fault: null, wants: null, weight: nothing },
    ];
    const all = sumOf(worlds.map(({ weight }) => weight));
    for (let search = 0; search < SEARCHES; search += 1) {
      let at = random() * all;
      const world = worlds.find(({ weight }) => {
        at -= weight;
        return at < 0;
      });
      if (!world) throw new Error('there is always one');
      const { fault } = world;
      // Thresholds anywhere in their bands, till the vehicle is one of that world.
      const drawn = () => {
        const hidden = hiddenVehicle(job, DEMO_SHELF, random);
        const sound = hidden.play(null);
        const isWanting = ({ row }: Wanting) =>
          grid.cells
            .map((cell, index) => ({ cell, index }))
            .filter(({ index }) => (row[index]?.sure.length ?? 0) > 0)
            .slice(0, 2)
            .some(({ cell, index }) =>
              deviations(grid.expected[index] as Outcome, sound.in(cell)).sure.some((key) =>
                [...(row[index]?.sure ?? []), ...(row[index]?.maybe ?? [])].includes(key),
              ),
            );
        return { hidden, wants: new Set(wanting.filter(isWanting).map(({ cause }) => cause.id)) };
      };
      let vehicle = drawn();
      for (let tries = 0; tries < 6 && !fault; tries += 1) {
        if (world.wants ? vehicle.wants.has(world.wants.cause.id) : vehicle.wants.size === 0) break;
        vehicle = drawn();
      }
      const played = vehicle.hidden.play(fault);
      const isTrue = ({ faults, and }: Suspect) =>
        !and && faults.some(({ id: each }) => each === fault?.id || vehicle.wants.has(each));
      const judged = (finding: FaultFinding) => {
        for (const suspect of finding.suspects) count(suspect.probability, isTrue(suspect));
        const mine = finding.suspects.filter(isTrue);
        const isNothing = !fault && mine.length === 0;
        count(finding.soundProbability, isNothing);
        const truth = isNothing
          ? finding.soundProbability
          : sumOf(mine.map(({ probability }) => probability));
        logScore -= Math.log(Math.max(1e-3, truth));
        asked += 1;
      };
      let checks = 0;
      searchFor(finder, { fault, played }, 12, 0.1, random, (finding) => {
        if (checks > 0) judged(finding);
        checks += 1;
        return finding.next;
      });
    }
  }
  console.log(
    `told against true, by tenths:\n${tenths
      .map(
        (each, at) =>
          `  ${at / 10}  told ${mean(each.told, each)}  true ${mean(each.true, each)}  of ${each.count}`,
      )
      .join('\n')}\nlog score ${(logScore / asked).toFixed(3)}`,
  );
  for (const tenth of tenths.filter((each) => each.count >= 20)) {
    // What is told within one search hangs together: of six tellings one counts.
    const chance = 2 * Math.sqrt(0.25 / (tenth.count / 6));
    expect(Math.abs(tenth.told - tenth.true) / tenth.count, JSON.stringify(tenth)).toBeLessThan(
      0.08 + chance,
    );
  }
  const off = tenths.reduce((sum, tenth) => sum + Math.abs(tenth.told - tenth.true), 0);
  expect(off / tenths.reduce((sum, tenth) => sum + tenth.count, 0)).toBeLessThan(0.08);
});

/** What may be broken, and what wants more load with nothing broken. */
function causesOf({ faults, seen }: ProvingGrid): { broken: PossibleFault[]; wanting: Wanting[] } {
  const broken = faults.filter(({ fault }) => fault.kind !== 'wants-load');
  const wanting = faults.flatMap((cause, at) =>
    cause.fault.kind === 'wants-load' ? [{ cause, row: seen[at] ?? [] }] : [],
  );
  return { broken, wanting };
}

function sumOf(numbers: readonly number[]): number {
  return numbers.reduce((sum, each) => sum + each, 0);
}

function share(prior: number, among: readonly PossibleFault[]): number {
  return prior / sumOf(among.map((each) => each.prior));
}

function mean(of: number, { count }: Tenth): string {
  return (of / Math.max(1, count)).toFixed(2);
}
