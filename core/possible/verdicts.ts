import type { JobAnalysis } from '../judge/analysis.ts';
import { Judge } from '../judge/judge.ts';
import { type VerdictState, worstState } from '../judge/states.ts';
import type { Unknown } from '../judge/unknowns.ts';
import type { CircuitVerdict, TurnVerdict } from '../judge/verdict.ts';
import { isCured } from '../model/isCured.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { flashes, scopeCircuits, steadyScope } from '../model/scope.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { eitherOf, unitedCircuit, unitedTurns } from './union.ts';
import { analysesOf, buildUnknowns, placeOf, steadyKey, type Way, waysOf, waysSeen } from './ways.ts';

/** A circuit that is on steadily, with its LEDs alone and as it is cured now. */
export interface SteadyVerdicts {
  circuit: Circuit;
  was: CircuitVerdict;
  is: CircuitVerdict;
}

/** A job judged with its LEDs alone and as it is cured now, over every way its vehicle may be built. */
export interface Verdicts {
  leds: TurnVerdict;
  cured: TurnVerdict;
  steady: readonly SteadyVerdicts[];
  /** each way by itself */
  ways: readonly WayVerdicts[];
}

interface WayVerdicts {
  way: Way;
  judge: Judge;
  leds: TurnVerdict;
  cured: TurnVerdict;
  steady: readonly SteadyVerdicts[];
}

/** @throws UnknownReferenceError when the job names a bulb or LED that is not known */
export function verdictsOf(job: Job, shelf: Shelf): Verdicts {
  const { ways: possible, fitsNone } = waysSeen(job, shelf);
  const steadyKnown: SteadyKnown = new Map();
  const ways = [...analysesOf(possible)].map(([way, analysis]) => onOneWay(way, analysis, steadyKnown));
  const told = <V>(of: (each: WayVerdicts) => V) =>
    ways.map((each) => ({ where: placeOf(each.way), vehicle: each.way.job.vehicle, verdict: of(each) }));
  const [first] = ways as [WayVerdicts];
  const open: Unknown[] = [
    ...buildUnknowns(job, shelf),
    ...(fitsNone ? [{ what: 'trials-contradict' as const }] : []),
  ];
  const turns = (of: (each: WayVerdicts) => TurnVerdict): TurnVerdict => {
    const united = unitedTurns(told(of), job.vehicle);
    const more = [...open, ...unreadFuses(ways)];
    return more.length > 0 ? { ...united, unknowns: [...more, ...united.unknowns] } : united;
  };
  return {
    leds: turns((each) => each.leds),
    cured: turns((each) => each.cured),
    steady: first.steady.map(({ circuit }) => {
      const mine = (of: 'was' | 'is') =>
        unitedCircuit(
          told((each) => each.steady.find((one) => one.circuit.id === circuit.id)?.[of]).flatMap(
            ({ where, verdict }) => (verdict ? [{ where, verdict }] : []),
          ),
        );
      return { circuit, was: mine('was'), is: mine('is') };
    }),
    ways,
  };
}

/** The fuses nobody has read on whose rating a verdict hangs; what decides nothing is not asked for. */
function unreadFuses(ways: readonly WayVerdicts[]): Unknown[] {
  const limits = ways.flatMap(({ leds, cured, steady }) => [
    ...[leds, cured].flatMap(({ circuits, hazard }) => [
      ...circuits.flatMap((circuit) => circuit.limits),
      ...(hazard?.limits ?? []),
    ]),
    ...steady.flatMap(({ was, is }) => [...was.limits, ...is.limits]),
  ]);
  const names = [...new Set(limits.filter(({ open }) => open).map(({ name }) => name))];
  return names.length > 0 ? [{ what: 'fuse-not-read', fuses: names }] : [];
}

/** The worst of all circuits a job may disturb as it is cured now, over every way its vehicle may be built. */
export function vehicleState(job: Job, { cured, steady }: Pick<Verdicts, 'cured' | 'steady'>): VerdictState {
  const mine = new Set(scopeCircuits(job).map(({ id }) => id));
  return worstState([
    ...(flashes(job) ? [cured.state] : []),
    ...steady.filter(({ circuit }) => mine.has(circuit.id)).map(({ is }) => is.state),
  ]);
}

/** The same where nothing else is asked for: what its LEDs alone do is not worked out. */
export function curedState(job: Job, shelf: Shelf): VerdictState {
  const turning = flashes(job);
  const judged = [...analysesOf(waysOf(job, shelf))].map(([way, analysis]) => {
    const judge = new Judge(analysis, 'cured');
    const steady = steadyScope(way.job);
    return {
      where: placeOf(way),
      vehicle: way.job.vehicle,
      cured: turning ? judge.verdict() : null,
      steady: steady.map((each) => judge.circuit(each)),
    };
  });
  const [first] = judged;
  const steady = (first?.steady ?? []).map(({ circuitId }) =>
    eitherOf(
      judged
        .flatMap((each) => each.steady.filter((one) => one.circuitId === circuitId))
        .map(({ state }) => state),
    ),
  );
  const turns = judged.flatMap(({ where, vehicle, cured }) =>
    cured ? [{ where, vehicle, verdict: cured }] : [],
  );
  return worstState([...(turns.length > 0 ? [unitedTurns(turns, job.vehicle).state] : []), ...steady]);
}

/** Circuits that are on steadily as they were judged, by the shelf and by what of the ways bears on them. */
type SteadyKnown = Map<Shelf, Map<string, SteadyVerdicts>>;

function onOneWay(way: Way, analysis: JobAnalysis, known: SteadyKnown): WayVerdicts {
  const { job } = way;
  const leds = new Judge(analysis, 'leds');
  // Without a cure the cured vehicle is the one with its LEDs alone.
  const judge = isCured(job) ? new Judge(analysis, 'cured') : leds;
  const before = leds.verdict();
  return {
    way,
    judge,
    leds: before,
    cured: judge === leds ? before : judge.verdict(),
    steady: job.vehicle.circuits
      .filter((circuit) => circuit.kind !== 'turn')
      .map((circuit) => {
        const mine = known.get(way.shelf) ?? new Map<string, SteadyVerdicts>();
        known.set(way.shelf, mine);
        const key = `${circuit.id} ${steadyKey(way, circuit.id)}`;
        const before = mine.get(key);
        if (before) return before;
        const was = leds.circuit(circuit);
        const both = { circuit, was, is: judge === leds ? was : judge.circuit(circuit) };
        mine.set(key, both);
        return both;
      }),
  };
}
