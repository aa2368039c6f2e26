import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { TurnCircuit } from '../../model/vehicle/circuit.ts';
import { fitmentOf, healthyStock, resistorsOf } from '../../vehicle/fitment.ts';
import { TurnNetwork } from '../../vehicle/turnNetwork.ts';
import { learnedBands } from '../../verdict/learned.ts';
import { healthyBands } from '../../verdict/outageBand.ts';
import { possibilities } from '../../verdict/unknowns.ts';
import { type ArithmeticLine, resistorArithmetic } from './arithmetic.ts';
import { type OhmsInterval, ohmsInterval } from './interval.ts';
import { type ResistorSearch, searchResistors } from './search.ts';

/** Everything the Cure stop and the command line show about resistors for one side. */
export interface ResistorPlan {
  circuitId: string;
  interval: OhmsInterval;
  search: ResistorSearch;
  /** worked for the cure the job has, or for the first choice where it has none */
  arithmetic: readonly ArithmeticLine[];
}

/**
 * Sizes the load resistors of one side from the shelf.
 *
 * @param sides how many sides get the same set; stock is counted against it
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function planResistors(job: Job, shelf: Shelf, circuit: TurnCircuit, sides = 2): ResistorPlan {
  const fitted = new TurnNetwork(job.vehicle, fitmentOf(job, shelf, 'leds'));
  // What is not known yet may ask for less ohms: the set must do for every possibility.
  const intervals = possibilities(job).jobs.map((each) => {
    const possible = { ...job, ...each };
    return ohmsInterval(
      new TurnNetwork(possible.vehicle, fitmentOf(possible, shelf, 'leds')),
      new TurnNetwork(possible.vehicle, healthyStock(possible)),
      circuit,
      learnedBands(possible, shelf, healthyBands(possible)),
    );
  });
  const tightest = intervals.reduce((least, each) => (each.maxOhms < least.maxOhms ? each : least));
  const highest = intervals.reduce((most, each) => (each.minOhms > most.minOhms ? each : most));
  const { minOhms, minSetBy, allowedAmps } = highest;
  const interval: OhmsInterval = { ...tightest, minOhms, minSetBy, allowedAmps };
  const search = searchResistors(fitted, circuit, interval, resistorsOf(shelf), sides);
  const cure = job.cures[circuit.id] ?? search.choices[0]?.cure ?? null;
  return {
    circuitId: circuit.id,
    interval,
    search,
    arithmetic: resistorArithmetic(job.vehicle, interval, cure),
  };
}
