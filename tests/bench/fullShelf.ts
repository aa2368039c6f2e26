import { planResistors } from '../../core/cures/loadResistor/plan.ts';
import { readShelfCsv } from '../../core/formats/shelfCsv.ts';
import { demoJob, firstTurn } from '../../demo/forTests.ts';
import { manyResistors } from './large.ts';

const van = demoJob('library-route-1');

/** Shelves of so many resistors, no two of one value: of five thousand there are 2.6 · 10^13 sets of four. */
const SHELVES = [100, 300, 5000].map((count) => ({ count, shelf: manyResistors(count) }));

/** Other codes, all of one id: each row needs one of its own. */
const CLASHING = [
  'kind,code,name,price,stock,use',
  ...Array.from(
    { length: 4900 },
    (_, index) =>
      `consumable,A${'-'.repeat(1 + (index % 70))}${'.'.repeat(Math.floor(index / 70))}B,Tape,1,1,feed-joint`,
  ),
].join('\n');

/** A shelf as full as it may be, what is done to it and how often. */
export const fullShelfRows: readonly (readonly [what: string, run: () => unknown, calls: number])[] = [
  ...SHELVES.map(
    ({ count, shelf }) =>
      [
        `resistor search of one side, shelf of ${count} values`,
        () => planResistors(van, shelf, firstTurn(van.vehicle)),
        5,
      ] as const,
  ),
  ['shelf: 4 900 rows whose codes make clashing ids', () => readShelfCsv(CLASHING, []), 5],
];

/** The memory a search of the fullest shelf is held in, asked in a run of its own. */
export function heldInWords(): string {
  const [full] = SHELVES.slice(-1);
  if (!full) return '';
  let most = 0;
  for (let run = 0; run < 3; run += 1) {
    planResistors(van, full.shelf, firstTurn(van.vehicle));
    most = Math.max(most, process.memoryUsage().rss);
  }
  return `Search of ${full.count} values: the whole bench in ${Math.round(most / 1e6)} MB.`;
}
