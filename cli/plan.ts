import { planResistors } from '../core/cures/loadResistor/plan.ts';
import type { JobFile } from '../core/formats/jobFile.ts';
import { pickList, powerSaved } from '../core/inventory/picklist.ts';
import { Judge } from '../core/judge/judge.ts';
import type { TurnVerdict } from '../core/judge/verdict.ts';
import { flashes, scopeCircuits } from '../core/model/scope.ts';
import { turnCircuits, turnSides } from '../core/model/vehicle/lookUp.ts';
import { vehicleState, verdictsOf } from '../core/possible/verdicts.ts';
import { handOverPage } from '../core/record/handOver.ts';
import { fitSteps } from '../core/work/fitSteps.ts';
import { spokenCircuit, spokenTurns } from './spoken.ts';

/** How many of the ranked resistor sets are printed. */
const SHOWN_CHOICES = 5;

/**
 * What `plan` prints: what the job is about in its three states, the resistors for it, what has to be minded, and the
 * parts. Of turn lamps it says nothing where the job touches none.
 */
export function planOf({ job, parts }: JobFile) {
  const turning = flashes(job);
  const sides = turning ? turnCircuits(job.vehicle) : [];
  const turns = (verdict: TurnVerdict) => spokenTurns(job.vehicle, verdict);
  const verdicts = verdictsOf(job, parts);
  const mine = new Set(scopeCircuits(job).map(({ id }) => id));
  return {
    job: { id: job.id, title: job.title, vehicle: job.vehicle.name },
    /** the worst of all circuits the job may disturb, as it stands: what the screen says of the whole vehicle */
    state: vehicleState(job, verdicts),
    stock: turning ? turns(Judge.of(job, parts, 'stock').verdict()) : null,
    leds: turning ? turns(verdicts.leds) : null,
    /** its turn lamps as it stands: its LEDs with its cures */
    verdict: turning ? turns(verdicts.cured) : null,
    /** its circuits that are on steadily, with its LEDs alone and as it stands */
    steady: verdicts.steady
      .filter(({ circuit }) => mine.has(circuit.id))
      .map(({ circuit, was, is }) => ({
        circuitId: circuit.id,
        name: circuit.name,
        leds: spokenCircuit(job.vehicle, was),
        verdict: spokenCircuit(job.vehicle, is),
      })),
    cautions: cautionsOf(job, parts),
    resistors: sides.map((circuit) => {
      const { interval, search, arithmetic } = planResistors(
        job,
        parts,
        circuit,
        turnSides(job.vehicle).length,
      );
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
    pickList: { ...pickList(job, parts, fitSteps(job, parts)), power: powerSaved(job, parts) },
  };
}

/** Everything to be minded: what no longer warns, and what is. */
function cautionsOf(job: JobFile['job'], parts: JobFile['parts']): string[] {
  const { silenced, cautions } = handOverPage(job, parts);
  return [...silenced, ...cautions];
}

export type Plan = ReturnType<typeof planOf>;
