import { byWorst, type VerdictState } from '../judge/states.ts';
import type {
  CircuitVerdict,
  Ground,
  HazardVerdict,
  RatePrediction,
  TurnCircuitVerdict,
  TurnVerdict,
  WayPlace,
} from '../judge/verdict.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** What several ways have in common: their state where they agree, else that it could go either way. */
export function eitherOf(states: readonly VerdictState[]): VerdictState {
  const [first = 'holds'] = states;
  return states.every((state) => state === first) ? first : 'either-way';
}

/** Every rate of several ways. */
export function unitedRate(rates: readonly RatePrediction[]): RatePrediction {
  return {
    low: Math.min(...rates.map((rate) => rate.low)),
    high: Math.max(...rates.map((rate) => rate.high)),
  };
}

/** A verdict under one way, and which way that is. */
export interface Told<V> {
  where: WayPlace;
  verdict: V;
}

/**
 * The verdict on what may be several things: that of all where they agree, else that it could go either way, with what
 * each says. Figures are those of the way with the worst state, rates span all.
 *
 * @throws RangeError where there is none
 */
export function unitedCircuit<V extends CircuitVerdict>(told: readonly Told<V>[]): V {
  const [first] = told;
  if (!first) throw new RangeError('no way to unite');
  if (told.length === 1) return first.verdict;
  const speaks = worstOf(told);
  const rates = told.flatMap(({ verdict }) => (verdict.rate ? [verdict.rate] : []));
  const state = eitherOf(told.map(({ verdict }) => verdict.state));
  return {
    ...speaks,
    state,
    watched: eitherOf(told.map(({ verdict }) => verdict.watched)),
    rate: rates.length > 0 ? unitedRate(rates) : null,
    why: [...unitedWhy(told, state), ...speaks.why.slice(1)],
  };
}

/** The verdict on the turn lamps under one way, and the vehicle as it is built then. */
export interface ToldTurns extends Told<TurnVerdict> {
  vehicle: Vehicle;
}

/** What a way says of a circuit as it is drawn: the worst of what drives one of its lamps there. */
function onCircuit({ vehicle, verdict }: ToldTurns, drawn: TurnCircuit): TurnCircuitVerdict | null {
  const lampIds = new Set(lampIdsOf(drawn));
  const driving = new Set(
    turnCircuits(vehicle)
      .filter(({ side, feeds }) => side === drawn.side && feeds.some(({ lampId }) => lampIds.has(lampId)))
      .map(({ id }) => id),
  );
  const [worst] = verdict.circuits
    .filter(({ circuitId }) => driving.has(circuitId))
    .toSorted((a, b) => byWorst(a.state, b.state));
  return worst ? { ...worst, circuitId: drawn.id } : null;
}

/**
 * The turn lamps of a vehicle that may be several: sides, hazard and all.
 *
 * @param drawn the vehicle as it is listed, whose circuits are told of
 *
 * @throws RangeError where there is none
 */
export function unitedTurns(told: readonly ToldTurns[], drawn: Vehicle): TurnVerdict {
  const [first] = told;
  if (!first) throw new RangeError('no way to unite');
  if (told.length === 1 && first.vehicle === drawn) return first.verdict;
  const circuits = turnCircuits(drawn).flatMap((circuit) => {
    const mine = told.flatMap((each) => {
      const verdict = onCircuit(each, circuit);
      return verdict ? [{ where: each.where, verdict }] : [];
    });
    return mine.length > 0 ? [unitedCircuit(mine)] : [];
  });
  const hazards = told.flatMap(({ where, verdict }) =>
    verdict.hazard ? [{ where, verdict: verdict.hazard }] : [],
  );
  const known = new Set<string>();
  return {
    state: eitherOf(told.map(({ verdict }) => verdict.state)),
    circuits,
    hazard: hazards.length > 0 ? unitedHazard(hazards) : null,
    unknowns: told
      .flatMap(({ verdict }) => verdict.unknowns)
      .filter(({ what }) => !known.has(what) && known.add(what)),
  };
}

function unitedHazard(told: readonly Told<HazardVerdict>[]): HazardVerdict {
  const state = eitherOf(told.map(({ verdict }) => verdict.state));
  return {
    ...worstOf(told),
    state,
    litAmps: Math.max(...told.map(({ verdict }) => verdict.litAmps)),
    rate: unitedRate(told.map(({ verdict }) => verdict.rate)),
    why: unitedWhy(told, state),
  };
}

function worstOf<V extends { state: VerdictState }>(told: readonly Told<V>[]): V {
  const [worst] = told.toSorted((a, b) => byWorst(a.verdict.state, b.verdict.state));
  return (worst as Told<V>).verdict;
}

/** What each says where they do not agree; of all that agree the first alone. */
function unitedWhy(told: readonly Told<CircuitVerdict | HazardVerdict>[], state: VerdictState): Ground[] {
  if (state !== 'either-way' || told.every(({ verdict }) => verdict.state === state))
    return worstOf(told).why.slice(0, 1);
  const ways = told.flatMap(({ where, verdict: { why, points, worst } }) =>
    why.slice(0, 1).map((ground) => ({ where, ground, points, worst })),
  );
  return [{ of: 'ways', told: ways }];
}
