import { amps, volts } from '../../formatting/format.ts';
import { type VerdictState, worstState } from '../../judge/states.ts';
import type { TurnVerdict } from '../../judge/verdict.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import { lampIdsOf, turnCircuits } from '../../model/vehicle/lookUp.ts';
import { hasCapacitor } from '../../simulation/fitment.ts';
import { inrushOf } from '../../simulation/inrush.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { findingWords } from '../../words/findings.ts';

/** One of the combinations that break a conversion, and what becomes of it. */
export interface Situation {
  id: 'engine-off' | 'running' | 'lights' | 'brake' | 'hazard' | 'cold-start';
  name: string;
  state: VerdictState;
  /** where it makes no difference, or what decides */
  text: string;
}

/** Engine off and running, lights on, brake on, hazard, first start from cold. */
export function situationsOf(network: TurnCircuits, verdict: TurnVerdict): Situation[] {
  const sides = verdict.circuits.flatMap((circuit) => circuit.points);
  const scale = network.vehicle.systemVolts / 12;
  const stateOf = (points: typeof sides) => worstState(points.map((point) => point.state));
  const among = (id: Situation['id'], name: string, low: number, high: number): Situation => {
    const points = sides.filter((each) => each.volts >= low * scale && each.volts <= high * scale);
    const at = [...new Set(points.map((each) => volts(each.volts)))].join(' and ');
    return { id, name, state: stateOf(points), text: `at ${at}` };
  };
  const beside = (id: 'lights' | 'brake', name: string, shares: string): Situation => {
    if (!network.companies.some((company) => company[id]))
      return { id, name, state: stateOf(sides), text: `nothing shared with the turn lamps` };
    // Where it falls short without, it falls short with it too, and is not asked again.
    const asked = sides.filter((each) => each.company[id] || each.state === 'falls-short');
    return { id, name, state: stateOf(asked), text: shares };
  };
  return [
    among('engine-off', 'Engine off', 0, 13),
    among('running', 'Engine running', 13, 20),
    beside('lights', 'Lights on', 'they share a bulb or an earth'),
    beside('brake', 'Brake on', 'they share a bulb or an earth'),
    ...(verdict.hazard
      ? [
          {
            id: 'hazard' as const,
            name: 'Hazard',
            state: verdict.hazard.state,
            text: `${amps(verdict.hazard.litAmps)} lit`,
          },
        ]
      : []),
    coldStart(network, verdict),
  ];
}

/** The first flash from cold at charging volts, as the judge found it. */
function coldStart({ simulation, vehicle, fitment }: TurnCircuits, { circuits }: TurnVerdict): Situation {
  const base = { id: 'cold-start' as const, name: 'First start, cold' };
  const trips = circuits
    .flatMap(({ findings }) => findings)
    .find(({ requirement }) => requirement === 'cold-start');
  if (trips) return { ...base, state: trips.state, text: findingWords(vehicle, trips) };
  const [circuit] = turnCircuits(vehicle);
  if (!circuit || !lampIdsOf(circuit).some((id) => hasCapacitor(fitment, id)))
    return { ...base, state: 'holds', text: 'no more inrush than the cold stock bulbs had' };
  const { peakAmps } = inrushOf(simulation, circuit, chargingVolts(vehicle.systemVolts));
  return { ...base, state: 'holds', text: `capacitors take up to ${amps(peakAmps)} for an instant` };
}
