import { JobAnalysis } from '../../judge/analysis.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { TurnCircuit } from '../../model/vehicle/circuit.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { turnCircuits, turnSides } from '../../model/vehicle/lookUp.ts';
import { builtWaysOf, type Way } from '../../possible/ways.ts';
import { bestResistors } from '../loadResistor/plan.ts';
import { type CureReport, tryCures } from './evaluate.ts';
import { onAnyWay } from './onAnyWay.ts';
import { combinations } from './options/combinations.ts';
import { turnOptions } from './options/turnOptions.ts';
import { circuitScope, lampsIn } from './scope.ts';
import { withCure } from './withCure.ts';

/**
 * Every cure of the turn lamps tried on this vehicle, and on every way it may be built where nobody has looked: each
 * alone, then those together that only together can do it.
 *
 * @param circuit of the side whose resistors are sized; the other gets their mirror image
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function compareTurnCures(job: Job, shelf: Shelf, circuit: TurnCircuit): CureReport[] {
  const ways = builtWaysOf(withCure(job, {}), shelf);
  const [only] = ways;
  return ways.length === 1 && only
    ? compareOn(only, circuit)
    : onAnyWay(job.vehicle, ways, (way) => compareOn(way, circuit));
}

function compareOn({ job, shelf }: Way, { id }: TurnCircuit): CureReport[] {
  const circuits = turnCircuits(job.vehicle);
  const circuit = circuits.find((each) => each.id === id) ?? circuits[0];
  if (!circuit) return [];
  const analysis = JobAnalysis.of(job, shelf);
  // Each output of a side wants what it misses for itself; the other side gets the mirror image.
  const side = circuits.filter((each) => each.side === circuit.side);
  const sides = turnSides(job.vehicle).length;
  const size = (of: Job, at?: Lamp['end']) => {
    const there = at
      ? side.filter((each) => lampsIn(job.vehicle, circuitScope(each)).some((lamp) => lamp.end === at))
      : side;
    return there.map((each) => bestResistors(analysis.with(of), each, sides, at));
  };
  const bare = analysis.job;
  const alone = tryCures(analysis, turnOptions(bare, shelf, size(bare)));
  return [...alone, ...tryCures(analysis, combinations(bare, alone, size))];
}
