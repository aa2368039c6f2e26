import type { JobAnalysis } from '../judge/analysis.ts';
import { Judge } from '../judge/judge.ts';
import { type VerdictState, worstState } from '../judge/states.ts';
import type { CircuitVerdict, RatePrediction } from '../judge/verdict.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { unitedRate } from '../possible/union.ts';
import { steadyKey, type Way } from '../possible/ways.ts';
import { circuitsAsked, type QuickJob } from './quickJob.ts';

/** One way with its verdict on the circuits asked about. */
export interface JudgedWay {
  way: Way;
  flasher: Flasher;
  verdicts: readonly CircuitVerdict[];
  state: VerdictState;
  rate: RatePrediction | null;
}

/**
 * Judges the circuits of a quick check as they are on one way.
 *
 * @param known circuits that are on steadily as they were judged on ways that bear on them alike
 */
export function judgeWay(
  way: Way,
  analysis: JobAnalysis,
  { lampIds }: Pick<QuickJob, 'lampIds'>,
  known: Map<string, CircuitVerdict>,
): JudgedWay {
  const judge = new Judge(analysis, 'leds');
  const ids = circuitsAsked(way.job.vehicle, lampIds);
  const turns = judge.job.vehicle.circuits.some(({ id, kind }) => kind === 'turn' && ids.includes(id));
  const sides = turns ? judge.sideVerdicts().filter(({ circuitId }) => ids.includes(circuitId)) : [];
  const steady = way.job.vehicle.circuits
    .filter(({ id, kind }) => kind !== 'turn' && ids.includes(id))
    .map((circuit) => {
      const key = `${circuit.id} ${steadyKey(way, circuit.id)}`;
      const verdict = known.get(key) ?? judge.circuit(circuit);
      known.set(key, verdict);
      return verdict;
    });
  const verdicts = [...sides, ...steady];
  return {
    way,
    flasher: judge.turns.fitment.flasher,
    verdicts,
    state: worstState([
      ...verdicts.map((each) => each.state),
      ...(sides.length > 1 && way.job.vehicle.hazardSwitch ? [judge.hazardState()] : []),
    ]),
    rate: sides.length > 0 ? unitedRate(sides.map((each) => each.rate)) : null,
  };
}
