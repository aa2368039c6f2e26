import type { JobAnalysis } from '../judge/analysis.ts';
import { Judge } from '../judge/judge.ts';
import { type VerdictState, worstState } from '../judge/states.ts';
import type { CircuitVerdict, RatePrediction } from '../judge/verdict.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { unitedRate } from '../possible/union.ts';
import type { Way } from '../possible/ways.ts';
import { circuitsAsked, type QuickJob } from './quickJob.ts';

/** One way with its verdict on the circuits asked about. */
export interface JudgedWay {
  way: Way;
  flasher: Flasher;
  verdicts: readonly CircuitVerdict[];
  state: VerdictState;
  rate: RatePrediction | null;
}

/** Judges the circuits of a quick check as they are on one way. */
export function judgeWay(way: Way, analysis: JobAnalysis, { lampIds }: Pick<QuickJob, 'lampIds'>): JudgedWay {
  const judge = new Judge(analysis, 'leds');
  const ids = circuitsAsked(way.job.vehicle, lampIds);
  const turns = judge.job.vehicle.circuits.some(({ id, kind }) => kind === 'turn' && ids.includes(id));
  const flashing = turns ? judge.verdict() : null;
  const sides = flashing?.circuits.filter(({ circuitId }) => ids.includes(circuitId)) ?? [];
  const steady = way.job.vehicle.circuits
    .filter(({ id, kind }) => kind !== 'turn' && ids.includes(id))
    .map((circuit) => judge.circuit(circuit));
  const verdicts = [...sides, ...steady];
  return {
    way,
    flasher: judge.turns.fitment.flasher,
    verdicts,
    state: worstState([
      ...verdicts.map((each) => each.state),
      ...(flashing?.hazard && sides.length > 1 ? [flashing.hazard.state] : []),
    ]),
    rate: sides.length > 0 ? unitedRate(sides.map((each) => each.rate)) : null,
  };
}
