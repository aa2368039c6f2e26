import type { Configuration } from '../model/cures.ts';
import type { CellLook, LampEvidence, SteadyProof } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { standing } from '../model/seen.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { circuitById, circuitsOf, lampIdsOf } from '../model/vehicle/lookUp.ts';
import { isSeenAt, type Level, levelsOf } from '../simulation/levels.ts';
import { fittedNow } from './fittedNow.ts';

/** One thing there is to see of a circuit that is on steadily: a lamp at one level, a lamp dark, no message. */
export type ToSee = { what: 'lit'; level: Level } | { what: 'dark'; lampId: string } | { what: 'quiet' };

/** What was last seen amiss of it, in the words of a look. */
export type Amiss = Exclude<SteadyProof['result'], 'works'>;

/** How a circuit that is on steadily stands by what was seen with what is fitted now. */
export interface Standing {
  /** all there is to see of it was seen, and was as it should be */
  proved: boolean;
  /** what nobody has seen yet */
  open: readonly ToSee[];
  /** what was last seen not as it should be, and not seen well since */
  amiss: Amiss | null;
  /** whether anything of it was seen at all */
  looked: boolean;
}

/**
 * How a circuit stands. A proof is of one lamp at one level, or dark, or without a message, seen with what is fitted now: a
 * dim level is not seen while the bright one is lit, and nobody saw dark what was never off. The record is in the order it
 * was told in, and what was seen last stands.
 *
 * @throws RangeError when the vehicle has no such circuit
 */
export function circuitStanding(job: Job, circuitId: string): Standing {
  const circuit = circuitById(job.vehicle, circuitId);
  const all = toSeeOf(job, circuit);
  const last = new Map<string, Amiss | 'works'>();
  for (const each of standing(job)) {
    if ((each.kind !== 'cell' && each.kind !== 'proof') || !isFittedNow(job, each, [circuitId], 'cured'))
      continue;
    const seen = each.kind === 'cell' ? inCell(job, circuit, each) : byItself(circuit, each);
    for (const thing of all) {
      const result = seen(thing);
      if (result) last.set(keyOf(thing), result);
    }
  }
  const results = all.map((thing) => last.get(keyOf(thing)));
  const amiss = results.find((result): result is Amiss => result !== undefined && result !== 'works') ?? null;
  const open = all.filter((_, index) => results[index] === undefined);
  return { proved: amiss === null && open.length === 0, open, amiss, looked: last.size > 0 };
}

/** Everything there is to see of a circuit. */
function toSeeOf({ vehicle }: Job, circuit: Circuit): ToSee[] {
  return [
    ...levelsOf(vehicle, circuit).map((level): ToSee => ({ what: 'lit', level })),
    ...lampIdsOf(circuit).map((lampId): ToSee => ({ what: 'dark', lampId })),
    { what: 'quiet' },
  ];
}

function keyOf(thing: ToSee): string {
  if (thing.what === 'lit') return `${thing.level.lampId} ${thing.level.input} ${thing.level.braking}`;
  return thing.what === 'dark' ? `${thing.lampId} dark` : 'quiet';
}

/** What a cell of the proving grid says of each thing; null where it could not be seen in it. */
function inCell(job: Job, circuit: Circuit, { circuits, on, found }: CellLook) {
  const lit = new Set(circuits);
  const ofLamp = (id: string) =>
    found.flatMap((each) => ('lampId' in each && each.lampId === id ? [each.what as string] : []));
  return (thing: ToSee): Amiss | 'works' | null => {
    if (thing.what === 'quiet') {
      const told = found.some(
        (each) =>
          'circuitId' in each && each.circuitId === circuit.id && ['message', 'odd'].includes(each.what),
      );
      return told ? 'message' : lit.has(circuit.id) ? 'works' : null;
    }
    if (thing.what === 'dark') {
      if (circuitsOf(job.vehicle, thing.lampId).some(({ id }) => lit.has(id))) return null;
      return ofLamp(thing.lampId).length > 0 ? 'glows' : 'works';
    }
    const wrong = ofLamp(thing.level.lampId);
    if (!lit.has(circuit.id)) return null;
    if (wrong.length > 0) return wrong.includes('flickers') ? 'flickers' : 'not-all';
    return isSeenAt(job.vehicle, circuit, thing.level, lit, on?.brake === true) ? 'works' : null;
  };
}

/** What a look at the circuit by itself says: of all lamps together. */
function byItself(circuit: Circuit, { circuitId, result }: SteadyProof) {
  return ({ what }: ToSee): Amiss | 'works' | null => {
    if (circuitId !== circuit.id) return null;
    if (result === 'works') return 'works';
    const about = { 'not-all': 'lit', flickers: 'lit', glows: 'dark', message: 'quiet' } as const;
    return about[result] === what ? result : null;
  };
}

/** Whether something was seen of some circuits with what is fitted in them now. What the record does not say is not held against it. */
export function isFittedNow(
  job: Job,
  { fitted }: Pick<LampEvidence, 'fitted'>,
  circuitIds: readonly string[],
  configuration: Configuration,
): boolean {
  if (fitted.configuration !== configuration || fitted.out.length > 0) return false;
  const now = fittedNow(job, circuitIds, configuration);
  const lamps = new Set(Object.keys(now.lamps));
  if (Object.entries(fitted.lamps).some(([id, part]) => lamps.has(id) && now.lamps[id] !== part))
    return false;
  // Where the lamps were not written down, neither was what is wired across them.
  if (configuration !== 'cured' || Object.keys(fitted.lamps).length === 0) return true;
  const all = fittedNow(
    job,
    job.vehicle.circuits.map(({ id }) => id),
    configuration,
  ).networks;
  const across = (some: LampEvidence['fitted']['networks']) =>
    some
      .filter(({ lampId }) => lamps.has(lampId))
      .map(({ lampId, pieces }) => `${lampId} ${pieces.map(({ ohms }) => ohms)}`);
  // A record of one circuit has its own resistors, one of all has those of all.
  const then = across(fitted.networks);
  const [least, most] = [across(now.networks), across(all)];
  return least.every((each) => then.includes(each)) && then.every((each) => most.includes(each));
}
