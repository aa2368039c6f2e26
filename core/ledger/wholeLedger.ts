import { costOf, type PickList, pickList } from '../inventory/picklist.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { flashes } from '../model/scope.ts';
import { minutesLeft, workPlan } from '../work/fitSteps.ts';
import { type BatteryBudget, batteryBudget, type Range } from './battery.ts';
import { type Energy, energyOf, USE_CASES, type UseCase } from './energy.ts';
import { type FuseRow, fuseRows } from './fuses.ts';
import { bothSimulations, type Ledger, ledgerOf } from './ledger.ts';

/** One use of the lamps before and after. */
export interface UseRow {
  id: UseCase['id'];
  stock: Energy;
  planned: Energy;
}

/** Everything a job costs and saves: watts, energy, fuses, the battery of the work, money. */
export interface WholeLedger extends Ledger {
  uses: readonly UseRow[];
  fuses: readonly FuseRow[];
  battery: BatteryBudget;
  money: Money;
}

/** In the shop's currency. */
export interface Money {
  /** pieces that go into the vehicle, and what is paid for those that are missing */
  partsUsed: number;
  partsBought: number;
  /** lines nobody has told a price */
  unpriced: number;
  /** of the whole plan */
  minutes: Range;
  /** null where nobody has said what an hour costs */
  work: Range | null;
  /** parts as used, and the work where its price is known */
  total: Range;
}

/**
 * The whole ledger of a job.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 * @throws NoSolutionError when a circuit has no steady state
 */
export function wholeLedger(job: Job, shelf: Shelf): WholeLedger {
  const both = bothSimulations(job, shelf);
  const { steps } = workPlan(job, shelf);
  return {
    ...ledgerOf(job, shelf, both),
    uses: USE_CASES.filter(({ id }) => id !== 'hazard' || (job.vehicle.hazardSwitch && flashes(job))).map(
      (use) => ({
        id: use.id,
        stock: energyOf(both.stock, use),
        planned: energyOf(both.planned, use),
      }),
    ),
    fuses: fuseRows(both),
    battery: batteryBudget(job, both, steps),
    money: moneyOf(
      job,
      pickList(job, shelf, steps),
      minutesLeft(steps, () => false),
    ),
  };
}

/** What parts and work come to. */
export function moneyOf({ ledger }: Pick<Job, 'ledger'>, list: PickList, minutes: Range): Money {
  const { knownTotal, boughtTotal, unpriced } = costOf(list.lines);
  const hour = ledger?.hourPrice;
  const work: Range | null = hour === undefined ? null : [(hour * minutes[0]) / 60, (hour * minutes[1]) / 60];
  return {
    partsUsed: knownTotal,
    partsBought: boughtTotal,
    unpriced,
    minutes,
    work,
    total: [knownTotal + (work?.[0] ?? 0), knownTotal + (work?.[1] ?? 0)],
  };
}
