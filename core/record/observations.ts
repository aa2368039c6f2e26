import { underloadedRate } from '../devices/flasher.ts';
import type { FlashRule } from '../judge/flashRule.ts';
import { rateResult } from '../judge/flashRule.ts';
import type { Configuration, TurnFunction } from '../model/cures.ts';
import type { CellLook, RateReading, SteadyProof } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { flashes, hasCure, steadyScope } from '../model/scope.ts';
import { lampEvidenceOf, ratesOf } from '../model/seen.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

const TURN_FUNCTIONS: readonly TurnFunction[] = ['turn-left', 'turn-right', 'hazard'];

/** The turn functions a vehicle has. */
export function turnFunctionsOf(vehicle: Vehicle): TurnFunction[] {
  return TURN_FUNCTIONS.filter((each) => each !== 'hazard' || vehicle.hazardSwitch);
}

/** The turn functions a job has to prove: none where it touches nothing that flashes. */
export function turnFunctionsToProve(job: Job): TurnFunction[] {
  return flashes(job) ? turnFunctionsOf(job.vehicle) : [];
}

/** The circuits that are on steadily and that a job has to prove: those with an LED or a cure on them. */
export function circuitsToProve(job: Job): Circuit[] {
  return steadyScope(job).filter(
    (circuit) => circuit.feeds.some(({ lampId }) => job.chosen[lampId]) || hasCure(job, circuit.id),
  );
}

/** What was seen of one circuit: a look at it by itself, or a cell of the proving grid in which it was on. */
export type CircuitProof = Pick<SteadyProof, 'id' | 'at' | 'by' | 'towedBy' | 'result'>;

/** What was seen of a circuit that is on steadily, the newest first. */
export function circuitProofsOf(job: Job, circuitId: string): CircuitProof[] {
  const circuit = job.vehicle.circuits.find(({ id }) => id === circuitId);
  // The record is in the order it was told in: a clock that was wrong for a while does not change what came last.
  return job.evidence
    .flatMap((each): CircuitProof[] => {
      if (each.kind === 'proof') return each.circuitId === circuitId ? [each] : [];
      const tells =
        each.kind === 'cell' && each.circuits.includes(circuitId) && each.fitted.configuration === 'cured';
      return tells ? [{ ...each, result: circuit ? resultIn(each, circuit) : 'works' }] : [];
    })
    .reverse();
}

/** What a cell in which a circuit was on says of it. */
function resultIn({ found }: CellLook, circuit: Circuit): SteadyProof['result'] {
  const lamps = new Set(lampIdsOf(circuit));
  const whats = found.flatMap((each) => {
    if ('lampId' in each) return lamps.has(each.lampId) ? [each.what] : [];
    return 'circuitId' in each && each.circuitId === circuit.id ? [each.what] : [];
  });
  if (whats.length === 0) return 'works';
  if (whats.includes('message') || whats.includes('odd')) return 'message';
  if (whats.includes('flickers')) return 'flickers';
  return whats.includes('glows') ? 'glows' : 'not-all';
}

/** What was last seen of a circuit that is on steadily; earlier ones stay on record. */
export function latestCircuitProof(job: Job, circuitId: string): CircuitProof | undefined {
  return circuitProofsOf(job, circuitId)[0];
}

/** `works, dark when off, no message`: what was seen of a circuit, in words. */
export const CIRCUIT_RESULT_WORDS: Record<SteadyProof['result'], string> = {
  works: 'lights, is dark when off, no message',
  'not-all': 'not every lamp lights',
  glows: 'glows while off',
  flickers: 'flickers',
  message: 'a message or warning came',
};

/** Everything a job has to prove, what flashes first: a turn function or the id of a circuit, and whether it is proved. */
export function proofsOf(job: Job, rule: FlashRule): { id: string; proved: boolean }[] {
  const towing = towingVehicles(job);
  const behindEach = towing.length > 0 ? towing.map((each) => behind(job, each)) : [job];
  const passed = (seen: Job, id: TurnFunction) => {
    const observation = latestObservation(seen, 'cured', id);
    return observation !== undefined && proofResult(rule, observation, watcherLeft(job)) === 'passed';
  };
  return [
    ...turnFunctionsToProve(job).map((id) => ({ id, proved: behindEach.every((seen) => passed(seen, id)) })),
    ...circuitsToProve(job).map(({ id }) => ({
      id,
      proved: behindEach.every((seen) => latestCircuitProof(seen, id)?.result === 'works'),
    })),
  ];
}

/**
 * What a trailer was proved behind, by name. A socket with a module of its own may not detect LEDs, or test them by
 * pulses: what holds behind one vehicle says nothing of the next.
 */
export function towingVehicles(job: Job): string[] {
  if (job.vehicle.kind !== 'trailer') return [];
  return [...new Set(lampEvidenceOf(job).flatMap(({ towedBy }) => (towedBy ? [towedBy] : [])))];
}

/** A job with what was seen behind one towing vehicle alone, and what was seen before any work. */
export function behind(job: Job, towedBy: string): Job {
  return {
    ...job,
    evidence: lampEvidenceOf(job).filter(
      (each) => each.towedBy === towedBy || each.fitted.configuration === 'stock',
    ),
  };
}

export const FUNCTION_WORDS: Record<TurnFunction, string> = {
  'turn-left': 'Left turn',
  'turn-right': 'Right turn',
  hazard: 'Hazard',
};

/** The newest observation of a function in a state of the vehicle; earlier ones stay on record. */
export function latestObservation(
  job: Job,
  configuration: Configuration,
  turnFunction: TurnFunction,
): RateReading | undefined {
  return ratesOf(job).findLast(
    (each) => each.fitted.configuration === configuration && each.function === turnFunction,
  );
}

export type ProofResult = 'passed' | 'failed' | 'not-sure';

/** The flasher that would run fast where it misses a lamp: the stock one; null where another that does not watch took its place. */
export function watcherLeft({ vehicle, vehicleCures }: Job): Flasher | null {
  return vehicleCures.some((cure) => cure.kind === 'flasher-relay') ? null : vehicle.flasher;
}

/** A tapped rate this near to half of one the flasher may have is not believed without a second look. */
const HALF_SHARE = 0.1;

/**
 * Whether a tapped rate may be every second flash of one the flasher is known to run at: hyperflash, counted by halves,
 * reads as the normal rate. One look settles it.
 *
 * @param flasher whoever watches the lamps, see `watcherLeft`
 */
export function mayBeHalf(flasher: Flasher | null, ratePerMinute: number): boolean {
  const fast = flasher ? underloadedRate(flasher) : 0;
  return fast > 0 && Math.abs(2 * ratePerMinute - fast) <= HALF_SHARE * fast;
}

function halfCounted(flasher: Flasher | null, observation: RateReading): boolean {
  const { method, ratePerMinute, everyFlash } = observation;
  return method === 'tapped' && ratePerMinute !== null && !everyFlash && mayBeHalf(flasher, ratePerMinute);
}

/** An observation against the rule: the rate within limits and every lamp lit. */
export function proofResult(rule: FlashRule, observation: RateReading, flasher: Flasher | null): ProofResult {
  if (observation.lampsLit === 'some' || observation.lampsLit === 'none') return 'failed';
  if (observation.ratePerMinute === null) return 'not-sure';
  const rate = rateResult(rule, observation.ratePerMinute, observation.uncertainty ?? 0);
  if (rate === 'too-close-to-tell') return 'not-sure';
  if (rate !== 'within') return 'failed';
  if (halfCounted(flasher, observation)) return 'not-sure';
  return observation.lampsLit === 'all' ? 'passed' : 'not-sure';
}

/**
 * Why a proof has the result it has, with the figures.
 *
 * @param flasher whoever watches the lamps, see `watcherLeft`
 * @param fitted the one that is in now
 */
export function proofReason(
  rule: FlashRule,
  observation: RateReading,
  flasher: Flasher | null,
  fitted: Flasher | null = flasher,
): string {
  const allowed = `${rule.lowest} to ${rule.highest}`;
  if (observation.lampsLit === 'some') return 'Not every lamp lit.';
  if (observation.lampsLit === 'none') return 'No lamp lit.';
  if (observation.ratePerMinute === null) return 'No rate was taken.';
  const rate = Math.round(observation.ratePerMinute);
  switch (rateResult(rule, observation.ratePerMinute, observation.uncertainty ?? 0)) {
    case 'too-fast':
      return `${rate} a minute is above ${allowed}.${screwAdvice(fitted)}`;
    case 'too-slow':
      return `${rate} a minute is below ${allowed}.`;
    case 'too-close-to-tell':
      return `${rate} a minute is too close to the edge of ${allowed} to tell. Count more flashes.`;
    case 'within':
      if (halfCounted(flasher, observation))
        return `${rate} a minute tapped, and ${Math.round(2 * rate)} would be a lamp missed: look again whether no flash goes by between two taps.`;
      return observation.lampsLit === 'all'
        ? `${rate} a minute, within ${allowed}, all lamps lit.`
        : `${rate} a minute, within ${allowed}. Say whether all lamps lit.`;
  }
}

/** An adjustable relay may arrive with its screw turned right off: that comes before another relay is tried. */
function screwAdvice(fitted: Flasher | null): string {
  if (fitted?.kind !== 'non-watching-relay' || !fitted.adjuster) return '';
  const { fasterWhen, settleSeconds } = fitted.adjuster;
  const slower = fasterWhen === 'clockwise' ? 'anticlockwise' : 'clockwise';
  return ` Turn the relay’s screw first (${slower} is slower; from the very end of its way either way), wait ${settleSeconds} s and count again, before another relay is tried.`;
}
