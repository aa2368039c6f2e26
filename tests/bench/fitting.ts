/** Speed of the order of work, and how many readings the pin finder needs by advice and at random. */
import { newJob } from '../../core/model/newJob.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import { connectorsOf } from '../../core/wiring/connectors.ts';
import { expectedReadings } from '../../core/wiring/pinFinder/expected.ts';
import { workPlan } from '../../core/work/fitSteps.ts';
import { Grounds } from '../../core/work/order/places.ts';
import { type Panel, routeOf, USUAL_HABITS } from '../../core/work/order/route.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { BRINEHOLT_18 } from '../../demo/vehicles/brineholt18.ts';
import { LARKSPUR_16 } from '../../demo/vehicles/larkspur16.ts';
import { QUILLON_75 } from '../../demo/vehicles/quillon75.ts';
import { SHOWMAN_6 } from '../../demo/vehicles/showman6.ts';
import { TANSY_50 } from '../../demo/vehicles/tansy50.ts';
import { measure, plugsOf, randomFrom } from '../fuzz/hiddenPlug.ts';

const VEHICLES: readonly Vehicle[] = [QUILLON_75, LARKSPUR_16, BRINEHOLT_18, TANSY_50, SHOWMAN_6];

/** Twenty panels round the lorry, ten a side, some behind trim. */
function twentyPanels(): Panel[] {
  const grounds = new Grounds(BRINEHOLT_18);
  return Array.from({ length: 20 }, (_, at): Panel => {
    const side = at < 10 ? 'left' : 'right';
    return {
      id: `panel-${at}`,
      side,
      place: { roundM: ((at * 7 + 3) % 20) * (grounds.aroundM / 20), offM: 0 },
      needs: at % 5 === 4 ? [`panel-${at - 1}`] : [],
      lamps: 1 + (at % 3),
      batteryOff: at % 10 === 0,
    };
  });
}

const panels = twentyPanels();
const gritter = demoJob('gritter-4');
const van = newJob('bench', 'bench', QUILLON_75, '2026-11-26T10:00:00.000Z');
const plug = connectorsOf(QUILLON_75).find(({ connector }) => connector.id === 'plug-rear-left')?.connector;

export const fittingRows: readonly (readonly [what: string, run: () => unknown, calls: number])[] = [
  [
    'order of work: twenty panels, one side first, exact',
    () => routeOf(BRINEHOLT_18, panels, USUAL_HABITS),
    20,
  ],
  [
    'order of work: twenty panels, both sides together, with its bound',
    () => routeOf(BRINEHOLT_18, panels, { ...USUAL_HABITS, sides: 'both' }),
    10,
  ],
  ['the whole work of the gritter, steps and words', () => workPlan(gritter, DEMO_SHELF), 40],
  [
    'what every reading of a six-way plug would show, simulated',
    () => plug && expectedReadings(van, DEMO_SHELF, plug),
    20,
  ],
];

/** Readings to the whole map of every plug of the demo fleet: as advised, at random, and with one in ten false. */
export function pinsInWords(): string {
  const random = randomFrom(20);
  const plugs = VEHICLES.flatMap(plugsOf);
  const median = (of: readonly number[]) => of.toSorted((a, b) => a - b)[Math.floor(of.length / 2)] ?? 0;
  const rows = plugs.map((each) => {
    const runs = (share: number, pick: 'advised' | 'random', most?: number) =>
      Array.from({ length: 9 }, () => measure(each, random, share, pick, most));
    const advised = runs(0, 'advised');
    const clean = median(advised.map(({ readings }) => readings));
    const any = median(runs(0, 'random').map(({ readings }) => readings));
    const lied = runs(0.1, 'advised', 3 * clean);
    return {
      cavities: each.connector.cavities.length,
      clean,
      any,
      right: advised.filter(({ right }) => right).length / advised.length,
      rightLied: lied.filter(({ right }) => right).length / lied.length,
    };
  });
  const mean = (of: readonly number[]) => of.reduce((sum, each) => sum + each, 0) / of.length;
  const large = rows.filter(({ cavities }) => cavities >= 5);
  const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
  return [
    `Pins of ${rows.length} plugs of the demo fleet, readings to the whole map, in the median: ${median(rows.map(({ clean }) => clean))} as advised, ${median(rows.map(({ any }) => any))} at random (${percent(1 - median(rows.map(({ clean, any }) => clean / any)))} fewer).`,
    `Of the ${large.length} with five cavities or more: ${median(large.map(({ clean }) => clean))} as advised, ${median(large.map(({ any }) => any))} at random.`,
    `Whole map right: ${percent(mean(rows.map(({ right }) => right)))} with every reading true, ${percent(mean(rows.map(({ rightLied }) => rightLied)))} with one in ten false within three times the clean number.`,
  ].join('\n');
}
