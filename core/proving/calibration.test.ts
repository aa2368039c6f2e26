import { expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { hiddenVehicle, searchFor } from '../../tests/fuzz/hiddenFault.ts';
import { randomFrom } from '../../tests/fuzz/hiddenPlug.ts';
import { FaultFinder } from './finder.ts';
import type { FaultFinding } from './finding.ts';
import { provingGrid } from './grid.ts';

const FLEET = ['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'];
const SEARCHES = Number(process.env.VUMBLE_SEARCHES ?? 16);
/** Of vehicles somebody looks at, so many have nothing wrong: what the finder supposes before anything was seen. */
const SOUND = 0.3;
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
    const finder = new FaultFinder(job, grid);
    const all = grid.faults.reduce((sum, { prior }) => sum + prior, 0);
    for (let search = 0; search < SEARCHES; search += 1) {
      let at = random() * all;
      const fault = grid.faults.find(({ prior }) => {
        at -= prior;
        return at < 0;
      });
      if (!fault) throw new Error('there is always one');
      const isSound = random() < SOUND;
      const played = hiddenVehicle(job, DEMO_SHELF, random).play(isSound ? null : fault);
      const judged = (finding: FaultFinding) => {
        const isMine = ({ faults, and }: FaultFinding['suspects'][number]) =>
          !isSound && !and && faults.some((each) => each.id === fault.id);
        for (const suspect of finding.suspects) count(suspect.probability, isMine(suspect));
        count(finding.soundProbability, isSound);
        const truth = isSound ? finding.soundProbability : (finding.suspects.find(isMine)?.probability ?? 0);
        logScore -= Math.log(Math.max(1e-3, truth));
        asked += 1;
      };
      let checks = 0;
      searchFor(finder, { fault: isSound ? null : fault, played }, 12, 0.1, random, (finding) => {
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
          `  ${at / 10}  told ${share(each.told, each)}  true ${share(each.true, each)}  of ${each.count}`,
      )
      .join('\n')}\nlog score ${(logScore / asked).toFixed(3)}`,
  );
  for (const tenth of tenths.filter((each) => each.count >= 40))
    expect(Math.abs(tenth.told - tenth.true) / tenth.count, JSON.stringify(tenth)).toBeLessThan(0.15);
  const off = tenths.reduce((sum, tenth) => sum + Math.abs(tenth.told - tenth.true), 0);
  expect(off / tenths.reduce((sum, tenth) => sum + tenth.count, 0)).toBeLessThan(0.06);
});

function share(of: number, { count }: Tenth): string {
  return (of / Math.max(1, count)).toFixed(2);
}
