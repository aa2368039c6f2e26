import { flashRule, measuredRate } from '../judge/flashRule.ts';
import { lastMended } from '../judge/watcherSeen.ts';
import type { Configuration } from '../model/cures.ts';
import { type DeviationKey, deviationKey, deviationOf, isDeviationOf } from '../model/deviationKey.ts';
import type {
  CellLook,
  LampEvidence,
  Observation,
  RateReading,
  SteadyProof,
  Trial,
} from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { standing } from '../model/seen.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import { ONE_VISIT } from '../model/visits.ts';
import { whenSeen } from '../model/whenSeen.ts';
import { fittedNow } from '../record/fittedNow.ts';
import { isFittedNow } from '../record/standing.ts';
import type { Said } from '../record/tell.ts';
import { isOn } from '../simulation/bearing.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import { controlsFor } from '../simulation/moment.ts';
import type { Cell } from './cells.ts';
import { tellsOfFaults } from './pinsTold.ts';
import type { CellTold, Told } from './told.ts';

/** What was told of a cell, with the record it is told by. */
export type ToldBy = CellTold & {
  by: LampEvidence;
  /** when it was, as far as the record lets one say, ms since 1970 */
  ms: number;
};

/**
 * Everything a job's record tells of its vehicle as it is fitted now: cells, and what was recorded before there were any,
 * flash rates, looks at steady circuits and trials. What was seen with something else fitted, or before a cause was mended,
 * tells of another vehicle and is left out. The record is in the order it was told in, and that alone says what came after
 * what.
 *
 * @param nowMs the time it is, ms since 1970: no time on record is later, see `whenSeen`
 */
export function toldOf(
  job: Job,
  cells: readonly Cell[],
  configuration: Configuration = 'cured',
  nowMs?: number,
): Told {
  const told = toldNow(job, cells, configuration, nowMs);
  const newest = told.at(-1)?.ms;
  const evidence = sinceMended(job, nowMs).flatMap(({ each, ms }) =>
    newest === undefined || newest - ms < ONE_VISIT ? [each] : [],
  );
  return {
    cells: told,
    places: evidence.flatMap((each) =>
      each.kind === 'place' ? [{ placeId: each.place, found: each.found }] : [],
    ),
    clues: evidence.flatMap((each) =>
      each.kind === 'clue' ? [{ clue: each.clue, lampId: each.lampId }] : [],
    ),
    pins: evidence.flatMap((each) => (each.kind === 'pin' && tellsOfFaults(job, each) ? [each] : [])),
  };
}

/** The cells that tell of the vehicle as it is now: those of the newest visit, the oldest of it first. */
export function toldNow(
  job: Job,
  cells: readonly Cell[],
  configuration: Configuration = 'cured',
  nowMs?: number,
): ToldBy[] {
  const told = cellsTold(job, cells, configuration, nowMs);
  const newest = told.at(-1)?.ms;
  if (newest === undefined) return [];
  return told.filter(({ ms }) => newest - ms < ONE_VISIT);
}

/** The cells among it, each with the record it comes from, in the order they were told. */
export function cellsTold(
  job: Job,
  cells: readonly Cell[],
  configuration: Configuration = 'cured',
  nowMs?: number,
): ToldBy[] {
  const all = job.vehicle.circuits.map(({ id }) => id);
  return sinceMended(job, nowMs).flatMap(({ each: by, ms }) => {
    if (!('fitted' in by) || !isFittedNow(job, by, all, configuration)) return [];
    const told = cellOf(job, cells, by);
    return told ? [{ ...told, by, ms }] : [];
  });
}

function sinceMended(job: Job, nowMs?: number): { each: Observation; ms: number }[] {
  const seen = standing(job);
  const when = whenSeen(seen, nowMs);
  return seen.map((each, index) => ({ each, ms: when[index]?.ms ?? 0 })).slice(lastMended(seen) + 1);
}

function cellOf(job: Job, cells: readonly Cell[], by: LampEvidence): CellTold | null {
  switch (by.kind) {
    case 'cell':
      // What was seen of a lamp that is no part of the vehicle any more tells nothing of it.
      return {
        cellId: by.cell,
        seen: by.found
          .map(deviationKey)
          .filter((key) => isDeviationOf(job.vehicle, key))
          .toSorted(),
      };
    case 'rate':
      return rateTold(job, cells, by);
    case 'proof':
      return proofTold(job, cells, by);
    case 'trial':
      return trialTold(job, cells, by);
  }
}

/** The cell in which so is switched on. */
function cellUnder(cells: readonly Cell[], controls: Controls): string | null {
  const key = JSON.stringify(controls);
  return (
    cells.find((each) => each.condition !== 'minutes' && JSON.stringify(each.controls) === key)?.id ?? null
  );
}

function rateTold(
  job: Job,
  cells: readonly Cell[],
  { function: works, on, ...read }: RateReading,
): CellTold | null {
  const controls: Controls = {
    ...CONTROLS_OFF,
    ...(works === 'hazard'
      ? { hazard: true }
      : {
          key: on?.engine ? ('running' as const) : ('on' as const),
          turn: works === 'turn-left' ? 'left' : 'right',
        }),
    lights: on?.lights ?? false,
    brake: on?.brake ?? false,
  };
  const cellId = cellUnder(cells, controls);
  if (cellId === null) return null;
  if (read.lampsLit === 'none') return { cellId, seen: ['flash none'] };
  if (read.quantity === null) return null;
  const rate = measuredRate(flashRule(job.vehicle.region), read.quantity);
  if (rate === 'too-fast') return { cellId, seen: ['flash fast'] };
  if (rate === 'too-slow') return { cellId, seen: ['flash slow'] };
  // Which lamp was dark it does not say.
  return rate === 'within' && read.lampsLit === 'all' ? { cellId, seen: [] } : null;
}

function proofTold(job: Job, cells: readonly Cell[], { circuitId, result }: SteadyProof): CellTold | null {
  const circuit = job.vehicle.circuits.find(({ id }) => id === circuitId);
  const cellId = circuit ? cellUnder(cells, controlsFor(circuit)) : null;
  if (!circuit || cellId === null) return null;
  const only = onlyLamp(circuit);
  switch (result) {
    case 'works':
      return { cellId, seen: [] };
    case 'message':
      return { cellId, seen: [`message ${circuitId}`] };
    case 'not-all':
      return only ? { cellId, seen: [`${only} dark`] } : null;
    case 'glows':
      return only ? { cellId: 'off', seen: [`${only} glows`] } : null;
    case 'flickers':
      return only ? { cellId, seen: [`${only} flickers`] } : null;
  }
}

function trialTold(job: Job, cells: readonly Cell[], { circuitId, result, on }: Trial): CellTold | null {
  const circuit = job.vehicle.circuits.find(({ id }) => id === circuitId);
  if (!circuit || result === 'normal' || result === 'glows') return null;
  const cellId = cellUnder(cells, {
    ...controlsFor(circuit),
    ...(on
      ? { lights: on.lights || controlsFor(circuit).lights, brake: on.brake || controlsFor(circuit).brake }
      : {}),
  });
  if (cellId === null) return null;
  const only = onlyLamp(circuit);
  if (result === 'message') return { cellId, seen: [`message ${circuitId}`] };
  if (result === 'dark') return only ? { cellId, seen: [`${only} dark`] } : null;
  return { cellId, seen: [`flash ${result}`] };
}

function onlyLamp(circuit: Circuit): string | null {
  const [first, ...others] = lampIdsOf(circuit);
  return first !== undefined && others.length === 0 ? first : null;
}

/** What a look at a cell writes down. */
export function cellLook(job: Job, cell: Cell, keys: readonly DeviationKey[], configuration: Configuration) {
  const circuitIds = job.vehicle.circuits.map(({ id }) => id);
  const { lights, brake, key } = cell.controls;
  return {
    kind: 'cell' as const,
    cell: cell.id,
    circuits: job.vehicle.circuits.flatMap((each) => (isOn(each, cell.controls) ? [each.id] : [])),
    on: { lights, brake, engine: key === 'running' },
    supply: null,
    fitted: fittedNow(job, circuitIds, configuration),
    found: keys.flatMap((each) => deviationOf(each) ?? []),
  } satisfies Said<CellLook>;
}
