import { amps, perMinute, volts } from '../formatting/format.ts';
import { Judge } from '../judge/judge.ts';
import { type VerdictState, worstState } from '../judge/states.ts';
import { impossibleClaim } from '../light/throughLens.ts';
import type { Job } from '../model/job.ts';
import type { LedPart, Shelf, WholeLampPart } from '../model/part.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { unitedCircuit } from '../possible/union.ts';
import { analysesOf, placeOf, waysOf } from '../possible/ways.ts';
import { ledOf } from '../simulation/fitment.ts';
import { lampsFilledBy } from '../simulation/wholeLamp.ts';
import { type LedFit, ledFit } from '../vehicle/ledFits.ts';
import { wholeLampFit } from '../vehicle/wholeLampFits.ts';
import { reasonOf } from '../words/verdicts.ts';

export type LightPart = LedPart | WholeLampPart;

/** A part of the shelf against one lamp: whether it goes in, and why not. No circuit is run for it yet. */
export interface Candidate {
  part: LightPart;
  fit: LedFit;
  /** the lamps it would fill: this one, or with a whole lamp its neighbours too */
  lampIds: readonly string[];
  /** what physics says against its printed figures */
  claim: string | null;
}

/** How the circuits of a lamp take a part: what the engine found, without any cure. */
export interface Behaviour {
  partId: string;
  /** null where it converts nothing: its section has a socket for the old bulb */
  state: VerdictState | null;
  /** one line a circuit */
  lines: readonly { state: VerdictState; text: string }[];
  /** current over what the most demanding watcher wants; above 1 where nothing watches */
  margin: number;
}

/** Every LED and whole lamp of a shelf against one lamp. */
export function candidatesFor(job: Job, shelf: Shelf, lamp: Lamp): Candidate[] {
  return shelf.flatMap((part): Candidate[] => {
    if (part.kind === 'led')
      return [
        { part, fit: ledFit(job.vehicle, lamp, part), lampIds: [lamp.id], claim: impossibleClaim(part) },
      ];
    if (part.kind !== 'whole-lamp') return [];
    const lampIds = lampsFilledBy(job.vehicle, lamp, part).map((each) => each.id);
    return [{ part, fit: wholeLampFit(job.vehicle, lamp, part), lampIds, claim: null }];
  });
}

/**
 * Runs the circuits of a lamp with each of some parts in it.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function behavioursOf(
  job: Job,
  shelf: Shelf,
  lamp: Lamp,
  candidates: readonly Candidate[],
): Behaviour[] {
  return candidates.map((candidate) => behaviourOf(job, shelf, lamp, candidate));
}

function behaviourOf(job: Job, shelf: Shelf, lamp: Lamp, { part, lampIds }: Candidate): Behaviour {
  const chosen = { ...job.chosen };
  for (const id of lampIds) chosen[id] = part.id;
  const tried: Job = { ...job, chosen };
  // A socket in its section: the old bulb moves over, and whatever holds, holds without it.
  if (ledOf(tried, shelf, lamp.id) === null)
    return {
      partId: part.id,
      state: null,
      lines: [{ state: 'holds', text: 'It converts nothing here: the old bulb moves into its socket.' }],
      margin: 0,
    };
  try {
    const lines: Behaviour['lines'][number][] = [];
    let margin = 2;
    const judges = [...analysesOf(waysOf(tried, shelf))].map(([way, analysis]) => ({
      where: placeOf(way),
      judge: new Judge(analysis, 'leds'),
    }));
    for (const circuit of circuitsOf(job.vehicle, lamp.id)) {
      const told = judges.map(({ where, judge }) => {
        const mine = drivingOf(judge.turns.vehicle, circuit, lamp);
        return { where, verdict: judge.circuit(mine) };
      });
      const united = unitedCircuit(told);
      const { state, worst, rate, amps: drawn, stockAmps } = united;
      if (rate && worst) {
        margin = Math.min(margin, worst.amps.low / worst.band.highAmps);
        const flashes =
          rate.low === rate.high ? perMinute(rate.low) : `${perMinute(rate.low)} or ${perMinute(rate.high)}`;
        lines.push({
          state,
          text: `${circuit.name}: ${amps(worst.amps.low)} at ${volts(worst.volts)}, ${flashes}.`,
        });
      } else
        lines.push({
          state,
          text: `${circuit.name}: ${amps(drawn)} where stock drew ${amps(stockAmps)}. ${reasonOf(job.vehicle, united)}`,
        });
    }
    return { partId: part.id, state: worstState(lines.map((line) => line.state)), lines, margin };
  } catch (error) {
    // One part that cannot be computed must not take the others off the screen.
    const text = `It cannot be computed here: ${(error as Error).message}`;
    return { partId: part.id, state: 'too-much', lines: [{ state: 'too-much', text }], margin: 0 };
  }
}

/** What drives a lamp's turn filament on a vehicle as it may be built; any other circuit is the same on all of them. */
function drivingOf(vehicle: Vehicle, circuit: Circuit, lamp: Lamp): Circuit {
  const same = vehicle.circuits.find(({ id }) => id === circuit.id);
  if (circuit.kind !== 'turn') return same ?? circuit;
  const driving = vehicle.circuits.find(
    ({ kind, feeds }) => kind === 'turn' && feeds.some(({ lampId }) => lampId === lamp.id),
  );
  return driving ?? same ?? circuit;
}
