import { JobAnalysis } from '../../judge/analysis.ts';
import { Judge } from '../../judge/judge.ts';
import type { CircuitVerdict } from '../../judge/verdict.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { unitedCircuit } from '../../possible/union.ts';
import { analysesOf, builtWaysOf, placeOf, steadyWays, type Way } from '../../possible/ways.ts';
import { ledOf } from '../../simulation/fitment.ts';
import { type CureReport, tryCures } from './evaluate.ts';
import { onAnyWay } from './onAnyWay.ts';
import type { CureOption } from './option.ts';
import { bleedOptions } from './options/bleed.ts';
import { builtInOptions } from './options/builtInLoad.ts';
import { decoderOptions, settingOptions } from './options/controller.ts';
import { filamentOptions } from './options/filament.ts';
import { steadyLoadOptions } from './options/steadyLoad.ts';
import { circuitScope } from './scope.ts';
import { withCure } from './withCure.ts';

/** A steady circuit that something is wrong with once its LEDs are in, and what could be done. */
export interface SteadyComplaint {
  circuitId: string;
  /** as it is without a cure of its own */
  verdict: CircuitVerdict;
  cures: readonly CureReport[];
}

/**
 * Every steady circuit of a job that does not hold with its LEDs as they are cured now, each with every cure of the
 * trade tried on it.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function steadyComplaints(job: Job, shelf: Shelf): SteadyComplaint[] {
  const built = builtWaysOf(job, shelf);
  return job.vehicle.circuits.flatMap((circuit): SteadyComplaint[] => {
    if (circuit.kind === 'turn' || circuit.excite) return [];
    if (!circuit.feeds.some((feed) => ledOf(job, shelf, feed.lampId) !== null)) return [];
    const mine = ({ vehicle }: Job) => vehicle.circuits.find(({ id }) => id === circuit.id) ?? circuit;
    const scopeOn = (way: Way) => circuitScope(mine(way.job));
    const ways = steadyWays(built, circuit.id).map((way) => ({
      ...way,
      job: withCure(way.job, {}, scopeOn(way)),
    }));
    const analyses = analysesOf(ways);
    const verdict = unitedCircuit(
      [...analyses].map(([way, analysis]) => ({
        where: placeOf(way),
        verdict: new Judge(analysis, 'cured').circuit(mine(way.job)),
      })),
    );
    if (verdict.state === 'holds') return [];
    const compare = (way: Way) => {
      const analysis = analyses.get(way) ?? JobAnalysis.of(way.job, way.shelf);
      return tryCures(analysis, steadyOptions(analysis, mine(way.job)), scopeOn(way));
    };
    const [only] = ways;
    const cures = ways.length === 1 && only ? compare(only) : onAnyWay(job.vehicle, ways, compare, scopeOn);
    return [{ circuitId: circuit.id, verdict, cures }];
  });
}

/** Every cure of the trade for one steady circuit. */
function steadyOptions(analysis: JobAnalysis, circuit: Circuit): CureOption[] {
  const { job, shelf } = analysis;
  const scope = circuitScope(circuit);
  return [
    ...settingOptions(job, scope),
    ...bleedOptions(job, shelf, circuit),
    ...steadyLoadOptions(analysis, circuit),
    ...decoderOptions(job, shelf, scope),
    ...builtInOptions(job, shelf, scope),
    ...filamentOptions(job, shelf, scope),
  ];
}
