import { underloadedRate } from '../devices/flasher.ts';
import type { FlashRule } from '../judge/flashRule.ts';
import { measuredRate } from '../judge/flashRule.ts';
import type { Configuration, TurnFunction } from '../model/cures.ts';
import type { CellLook, RateReading } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { flashes, hasCure, steadyScope } from '../model/scope.ts';
import { lampEvidenceOf, ratesOf, standing } from '../model/seen.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { circuitStanding, isFittedNow } from './standing.ts';

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

/** Everything a job has to prove, what flashes first: a turn function or the id of a circuit, and whether it is proved. */
export function proofsOf(job: Job, rule: FlashRule): { id: string; proved: boolean }[] {
  const towing = towingVehicles(job);
  const behindEach = towing.length > 0 ? towing.map((each) => behind(job, each)) : [job];
  const passed = (seen: Job, id: TurnFunction) => {
    const observation = latestObservation(seen, 'cured', id);
    return (
      observation !== undefined &&
      proofResult(rule, observation, watcherLeft(job)) === 'passed' &&
      !isAmissSince(seen, id, observation)
    );
  };
  return [
    ...turnFunctionsToProve(job).map((id) => ({ id, proved: behindEach.every((seen) => passed(seen, id)) })),
    ...circuitsToProve(job).map(({ id }) => ({
      id,
      proved: behindEach.every((seen) => circuitStanding(seen, id).proved),
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

/**
 * The newest observation of a function in a state of the vehicle; earlier ones stay on record. After the work that is one
 * with what is fitted now: a rate that other LEDs flashed at proves nothing of these.
 */
export function latestObservation(
  job: Job,
  configuration: Configuration,
  turnFunction: TurnFunction,
): RateReading | undefined {
  const circuits = turnCircuits(job.vehicle)
    .filter(({ side }) => turnFunction === 'hazard' || turnFunction === `turn-${side}`)
    .map(({ id }) => id);
  return ratesOf(job).findLast(
    (each) =>
      each.function === turnFunction &&
      each.fitted.configuration === configuration &&
      (configuration !== 'cured' || isFittedNow(job, each, circuits, configuration)),
  );
}

/**
 * Whether something of a turn function was told in Prove to be not as it should be, after its rate was taken, and not seen
 * well since: of each of its cells the look that was told last counts.
 */
export function isAmissSince(job: Job, turnFunction: TurnFunction, rate: RateReading): boolean {
  const turns = turnCircuits(job.vehicle);
  const mine = turns.filter(({ side }) => turnFunction === 'hazard' || turnFunction === `turn-${side}`);
  const ids = mine.map(({ id }) => id);
  const lamps = new Set(mine.flatMap(lampIdsOf));
  const seen = standing(job);
  const last = new Map<string, CellLook>();
  for (const each of seen.slice(seen.indexOf(rate) + 1)) {
    if (each.kind !== 'cell' || !isFittedNow(job, each, ids, 'cured')) continue;
    const flashing = turns.filter(({ id }) => each.circuits.includes(id));
    if (flashing.length === ids.length && flashing.every(({ id }) => ids.includes(id)))
      last.set(each.cell, each);
  }
  return [...last.values()].some(({ found }) =>
    found.some((one) =>
      'lampId' in one
        ? lamps.has(one.lampId)
        : 'circuitId' in one
          ? ids.includes(one.circuitId)
          : !('fuseId' in one),
    ),
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
  const { method, quantity, everyFlash } = observation;
  return method === 'tapped' && quantity !== null && !everyFlash && mayBeHalf(flasher, quantity.value);
}

/** An observation against the rule: the rate within limits and every lamp lit. */
export function proofResult(rule: FlashRule, observation: RateReading, flasher: Flasher | null): ProofResult {
  if (observation.lampsLit === 'some' || observation.lampsLit === 'none') return 'failed';
  if (observation.quantity === null) return 'not-sure';
  const rate = measuredRate(rule, observation.quantity);
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
  if (observation.quantity === null) return 'No rate was taken.';
  const rate = Math.round(observation.quantity.value);
  switch (measuredRate(rule, observation.quantity)) {
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
