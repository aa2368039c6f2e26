import type { Job } from '../model/job.ts';
import type { ConsumableUse, Shelf } from '../model/part.ts';
import { CONSUMABLES, WANTED_BY } from '../words/consumables.ts';
import { stepsInNoOrder } from '../work/steps/anyOrder.ts';
import type { FitStep } from '../work/steps/fitStep.ts';
import { takesOf } from '../work/steps/takes.ts';
import { orderLine, type PickLine, shelfLine } from './pickLine.ts';

/** What is used up, how much of it, and by what kind of work. */
export interface Wanted {
  use: ConsumableUse;
  /** pieces, or metres of wire; whole ones */
  count: number;
  /** one serves all that is to be done */
  shared: boolean;
  by: readonly string[];
}

/** What some steps use up together: a tube or a pen serves them all, joints and screws are counted. */
export function wantedBy(job: Job, shelf: Shelf, steps: readonly FitStep[]): Wanted[] {
  const found = new Map<ConsumableUse, { counted: number; once: boolean; by: Set<string> }>();
  for (const step of steps)
    for (const { use, count, once } of takesOf(job, shelf, step)) {
      const entry = found.get(use) ?? { counted: 0, once: false, by: new Set<string>() };
      if (once) entry.once = true;
      else entry.counted += count;
      entry.by.add(WANTED_BY[step.about.of] ?? step.kind);
      found.set(use, entry);
    }
  const uses = Object.keys(CONSUMABLES) as ConsumableUse[];
  return uses.flatMap((use) => {
    const entry = found.get(use);
    if (!entry) return [];
    return [
      {
        use,
        count: Math.max(Math.ceil(entry.counted), entry.once ? 1 : 0),
        shared: entry.counted === 0,
        by: [...entry.by].toSorted(),
      },
    ];
  });
}

/** Everything the steps of a job use up, from the shelf or to order: each because a step needs it. */
export function consumableLines(job: Job, shelf: Shelf): PickLine[] {
  return wantedBy(job, shelf, stepsInNoOrder(job, shelf)).map(({ use, count, shared, by }) => {
    const why = by.join(', ');
    const part = shelf.find((each) => each.kind === 'consumable' && each.use === use);
    const serves = shared ? { shared: true as const } : {};
    if (part) return { ...shelfLine(part, count, why), ...serves };
    const { name, counted } = CONSUMABLES[use];
    const what = counted === 'metres' ? `${name}, metres` : name;
    return { ...orderLine(`use-${use}`, '', what, count, why), ...serves };
  });
}
