import type { CircuitVerdict, HazardVerdict, TurnVerdict } from '../core/judge/verdict.ts';
import { circuitById } from '../core/model/vehicle/lookUp.ts';
import type { Vehicle } from '../core/model/vehicle/vehicle.ts';
import { findingWords, limitWords } from '../core/words/findings.ts';
import { reasonOf, reasonsOf } from '../core/words/verdicts.ts';

/** A verdict with its sentences beside its figures, as it is printed. */
export function spokenCircuit<V extends CircuitVerdict>(vehicle: Vehicle, { why, ...verdict }: V) {
  const said = { ...verdict, why };
  return {
    ...verdict,
    name: circuitById(vehicle, verdict.circuitId).name,
    limits: verdict.limits.map((limit) => ({ ...limit, reason: limitWords(limit) })),
    findings: verdict.findings.map((finding) => ({ ...finding, text: findingWords(vehicle, finding) })),
    reason: reasonOf(vehicle, said),
    reasons: reasonsOf(vehicle, said),
  };
}

/** The same of all turn lamps, hazard among them. */
export function spokenTurns(vehicle: Vehicle, verdict: TurnVerdict) {
  return {
    ...verdict,
    circuits: verdict.circuits.map((circuit) => spokenCircuit(vehicle, circuit)),
    hazard: verdict.hazard && spokenHazard(vehicle, verdict.hazard),
  };
}

function spokenHazard(vehicle: Vehicle, { why, ...verdict }: HazardVerdict) {
  return {
    ...verdict,
    limits: verdict.limits.map((limit) => ({ ...limit, reason: limitWords(limit) })),
    reason: reasonOf(vehicle, { ...verdict, why }),
  };
}
