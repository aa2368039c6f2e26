import { planResistors } from '../core/cures/loadResistor/plan.ts';
import type { JobFile } from '../core/formats/jobFile.ts';
import { pickList } from '../core/inventory/picklist.ts';
import { Judge } from '../core/judge/judge.ts';
import { turnCircuits } from '../core/model/vehicle/lookUp.ts';
import { verdictsOf } from '../core/possible/verdicts.ts';

/** How many of the ranked resistor sets are printed. */
const SHOWN_CHOICES = 5;

/** What `plan` prints: the vehicle in its three states, the resistors for it, and the parts. */
export function planOf({ job, parts }: JobFile) {
  const turns = turnCircuits(job.vehicle);
  const { leds, cured } = verdictsOf(job, parts);
  return {
    job: { id: job.id, title: job.title, vehicle: job.vehicle.name },
    stock: Judge.of(job, parts, 'stock').verdict(),
    leds,
    /** the plan as it stands: its LEDs with its cures */
    verdict: cured,
    resistors: turns.map((circuit) => {
      const { interval, search, arithmetic } = planResistors(job, parts, circuit, turns.length);
      return {
        circuitId: circuit.id,
        maxOhms: Number.isFinite(interval.maxOhms) ? interval.maxOhms : null,
        minOhms: Number.isFinite(interval.minOhms) ? interval.minOhms : null,
        found: search.choices.length,
        examined: search.examined,
        more: search.more,
        spreadOver: search.spreadOver,
        none: search.none,
        choices: search.choices.slice(0, SHOWN_CHOICES),
        arithmetic,
      };
    }),
    pickList: pickList(job, parts),
  };
}

export type Plan = ReturnType<typeof planOf>;
