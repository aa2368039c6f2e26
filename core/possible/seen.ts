import { UNDERLOADED } from '../devices/flasher.ts';
import type { JobAnalysis } from '../judge/analysis.ts';
import { Judge } from '../judge/judge.ts';
import { suppliesOf } from '../judge/learned.ts';
import { type VerdictState, worstState } from '../judge/states.ts';
import { ownSideSeen } from '../judge/watcherSeen.ts';
import type { TrialResult, WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import { turnCircuits, turnCircuitsOn } from '../model/vehicle/lookUp.ts';

/** Everything a flasher may show of verdicts. */
export function resultsFor(kind: FlasherKind, states: readonly VerdictState[]): TrialResult[] {
  const normal = states.some((state) => state !== 'falls-short');
  const short = states.some((state) => state !== 'holds');
  return [...(normal ? (['normal'] as const) : []), ...(short ? UNDERLOADED[kind].shows : [])];
}

/** Whether everything that was tried could have gone so on one way, each judged before anything was learned. */
export function couldBe(analysis: JobAnalysis): boolean {
  return ownSideSeen(analysis.job).every((trial) => {
    const possible = possibleResults(analysis, trial);
    return possible === null || possible.includes(trial.result);
  });
}

/** Everything a trial can show on one way; null where it tells nothing of flashers. */
function possibleResults(analysis: JobAnalysis, trial: WatcherTrial): TrialResult[] | null {
  const { job } = analysis;
  const circuit = turnCircuits(job.vehicle).find(({ id }) => id === trial.circuitId);
  // With a bulb out it is the band that learns, not the kind of flasher.
  if (!circuit || trial.fitted.out.length > 0) return null;
  const judge = new Judge(analysis.with(asFittedThen(job, trial)), 'cured');
  const company = { lights: trial.on?.lights === true, brake: trial.on?.brake === true };
  const allFour = judge.backFeeds(circuit);
  // What hurries one output of a side hurries all of it.
  const side = turnCircuitsOn(job.vehicle, circuit.side);
  const states = suppliesOf(trial, job.vehicle.systemVolts).map((volts) =>
    worstState(side.map((one) => judge.circuitAt(one, volts, company).state)),
  );
  const results = resultsFor(job.vehicle.flasher.kind, states);
  // Nobody calls it normal where the other side flashes too.
  return allFour ? results.filter((result) => result !== 'normal') : results;
}

/** A job with what was fitted in a trial, and nothing known of what was seen. */
function asFittedThen(job: Job, { circuitId, fitted }: WatcherTrial): Job {
  return {
    ...job,
    evidence: [],
    chosen: { ...job.chosen, ...fitted.lamps },
    cures: {
      [circuitId]: fitted.networks.length > 0 ? { kind: 'load-resistor', networks: fitted.networks } : null,
    },
    vehicleCures: [],
  };
}
