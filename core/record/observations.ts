import type { FlashRule } from '../judge/flashRule.ts';
import { rateResult } from '../judge/flashRule.ts';
import type { Job, Observation, Stage, TurnFunction } from '../model/job.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

const TURN_FUNCTIONS: readonly TurnFunction[] = ['turn-left', 'turn-right', 'hazard'];

/** The turn functions a vehicle has. */
export function turnFunctionsOf(vehicle: Vehicle): TurnFunction[] {
  return TURN_FUNCTIONS.filter((each) => each !== 'hazard' || vehicle.hazardSwitch);
}

export const FUNCTION_WORDS: Record<TurnFunction, string> = {
  'turn-left': 'Left turn',
  'turn-right': 'Right turn',
  hazard: 'Hazard',
};

/** The newest observation of a function in a state of the vehicle; earlier ones stay on record. */
export function latestObservation(
  job: Job,
  stage: Stage,
  turnFunction: TurnFunction,
): Observation | undefined {
  return job.observations
    .filter((each) => each.stage === stage && each.function === turnFunction)
    .reduce<Observation | undefined>(
      (newest, each) => (newest && newest.at > each.at ? newest : each),
      undefined,
    );
}

export type ProofResult = 'passed' | 'failed' | 'not-sure';

/** An observation against the rule: the rate within limits and every lamp lit. */
export function proofResult(rule: FlashRule, observation: Observation): ProofResult {
  if (observation.lampsLit === 'some' || observation.lampsLit === 'none') return 'failed';
  if (observation.ratePerMinute === null) return 'not-sure';
  const rate = rateResult(rule, observation.ratePerMinute, observation.uncertainty ?? 0);
  if (rate === 'too-close-to-tell') return 'not-sure';
  if (rate !== 'within') return 'failed';
  return observation.lampsLit === 'all' ? 'passed' : 'not-sure';
}

/** Why a proof has the result it has, with the figures. */
export function proofReason(rule: FlashRule, observation: Observation): string {
  const allowed = `${rule.lowest} to ${rule.highest}`;
  if (observation.lampsLit === 'some') return 'Not every lamp lit.';
  if (observation.lampsLit === 'none') return 'No lamp lit.';
  if (observation.ratePerMinute === null) return 'No rate was taken.';
  const rate = Math.round(observation.ratePerMinute);
  switch (rateResult(rule, observation.ratePerMinute, observation.uncertainty ?? 0)) {
    case 'too-fast':
      return `${rate} a minute is above ${allowed}.`;
    case 'too-slow':
      return `${rate} a minute is below ${allowed}.`;
    case 'too-close-to-tell':
      return `${rate} a minute is too close to the edge of ${allowed} to tell. Count more flashes.`;
    case 'within':
      return observation.lampsLit === 'all'
        ? `${rate} a minute, within ${allowed}, all lamps lit.`
        : `${rate} a minute, within ${allowed}. Say whether all lamps lit.`;
  }
}
