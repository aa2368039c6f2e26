import type { PossibleFault } from '../faults/library.ts';
import { inARow } from '../formatting/format.ts';
import { type DeviationKey, deviationOf } from '../model/deviationKey.ts';
import {
  circuitsFeeding,
  circuitsOf,
  feedFuseId,
  lampById,
  lampIdsOf,
  turnCircuits,
  turnCircuitsOn,
  turnSideName,
} from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { isOn } from '../simulation/bearing.ts';
import { deviationsWords } from '../words/deviations.ts';
import { faultKindWords } from '../words/faults.ts';
import type { FaultFinding } from './finding.ts';
import type { ProvingGrid } from './grid.ts';
import { SYMPTOMS, type Symptom } from './symptomList.ts';
import type { CellTold } from './told.ts';

/** One lamp, side or circuit a symptom can be of. */
export interface SymptomPlace {
  id: string;
  name: string;
}

/** Where each symptom can be on a vehicle, by its id, as far as its grid goes; none where it cannot be. */
export function placesOfSymptoms(
  vehicle: Vehicle,
  grid: ProvingGrid,
): ReadonlyMap<Symptom['id'], readonly SymptomPlace[]> {
  const shows = whatIsShown(grid);
  return new Map(SYMPTOMS.map((symptom) => [symptom.id, placesOf(symptom, vehicle, grid, shows)]));
}

/** What the cells of a grid can show at all: gone through once, it is every fault in every cell. */
function whatIsShown(grid: ProvingGrid): { lamps: ReadonlySet<string>; told: ReadonlySet<string> } {
  const keys = new Set(
    [...grid.seen.flat(), ...grid.sound].flatMap(({ sure, maybe }) => [...sure, ...maybe]),
  );
  return {
    lamps: new Set(grid.expected.flatMap(({ lumens }) => [...lumens.keys()])),
    // Circuits of which anything can be said on the dash at all.
    told: new Set(
      [...keys].flatMap((key) => {
        const found = deviationOf(key);
        return found?.what === 'message' ? [found.circuitId] : [];
      }),
    ),
  };
}

function placesOf(
  { id, of }: Symptom,
  vehicle: Vehicle,
  grid: ProvingGrid,
  { lamps, told }: ReturnType<typeof whatIsShown>,
): SymptomPlace[] {
  const has = (cellId: string) => grid.cells.some((cell) => cell.id === cellId);
  const circuits = vehicle.circuits.filter((circuit) => circuitCell(grid, circuit.id) !== null);
  switch (of) {
    case 'vehicle': {
      const needs = id === 'fast-lights' ? 'turn-left-lights' : 'turn-left';
      return has(needs) ? [{ id: '', name: '' }] : [];
    }
    case 'side':
      return turnCircuits(vehicle)
        .filter((circuit) => has(circuit.id))
        .map(({ id: circuitId, side }) => ({ id: circuitId, name: turnSideName(vehicle, side) }));
    case 'circuit':
      return circuits
        .filter(({ id: circuitId, kind, excite }) => {
          if (id === 'charge') return excite !== undefined;
          if (id === 'message') return told.size === 0 || told.has(circuitId);
          return id !== 'odd-brake' || kind === 'stop' || kind === 'third-brake';
        })
        .map((circuit) => ({ id: circuit.id, name: circuit.name }));
    case 'lamp':
      return vehicle.lamps
        .filter((lamp) => lamps.has(lamp.id) && circuitsOf(vehicle, lamp.id).length > 0)
        .filter((lamp) => id !== 'swapped' || circuitsFeeding(vehicle, lamp.id, 'dim').length > 0)
        .filter((lamp) => id !== 'sweep' || grid.faults.some((each) => each.id === `sweep:${lamp.id}`))
        .map((lamp) => ({ id: lamp.id, name: lamp.name }));
  }
}

/** The cell in which a circuit is worked by itself, or with the least beside it. */
function circuitCell(grid: ProvingGrid, circuitId: string): string | null {
  const on = grid.cells.filter(
    ({ id, condition }) =>
      condition === 'alone' && (id === circuitId || (id !== 'everything' && id !== 'off')),
  );
  return on.find(({ id }) => id === circuitId)?.id ?? null;
}

/** Cells by themselves in which a lamp is lit by one of its feeds, bright or dim. */
function lampCells(vehicle: Vehicle, grid: ProvingGrid, lampId: string, input?: 'main' | 'dim'): string[] {
  const circuits = (['main', 'dim'] as const)
    .filter((each) => input === undefined || each === input)
    .flatMap((each) => circuitsFeeding(vehicle, lampId, each));
  return grid.cells
    .filter(({ id, condition }) => condition === 'alone' && id !== 'everything' && id !== 'hazard')
    .filter(({ controls }) => circuits.some((circuit) => isOn(circuit, controls)))
    .map(({ id }) => id);
}

/**
 * What a symptom says of the cells of this vehicle's grid: the same as if each had been worked and looked at.
 *
 * @param placeId the side's circuit, lamp or circuit it is of; empty where it is of the vehicle
 */
export function symptomTold(
  symptom: Symptom,
  placeId: string,
  vehicle: Vehicle,
  grid: ProvingGrid,
): CellTold[] {
  const turns = turnCircuits(vehicle).map(({ id }) => id);
  const inCells = (ids: readonly string[], ...seen: DeviationKey[]) =>
    ids.filter((id) => grid.cells.some((cell) => cell.id === id)).map((cellId) => ({ cellId, seen }));
  const lit = (input?: 'main' | 'dim') => lampCells(vehicle, grid, placeId, input);
  switch (symptom.id) {
    case 'not-lit':
      return inCells(lit(), `${placeId} dark`);
    case 'fast-both':
      return inCells(turns, 'flash fast');
    case 'fast-side':
      return [...inCells([placeId], 'flash fast'), ...inCells(turns.filter((id) => id !== placeId))];
    case 'fast-lights':
      return [
        ...inCells(turns),
        ...inCells(
          turns.map((id) => `${id}-lights`),
          'flash fast',
        ),
      ];
    case 'stays-on':
      return inCells(turns, vehicle.flasher.kind === 'thermal' ? 'flash slow' : 'flash none');
    case 'never':
      return turns.flatMap((id) =>
        inCells([id], 'flash none', ...mainLamps(vehicle, id).map((each) => `${each} dark` as const)),
      );
    case 'all-four':
      return turnCircuits(vehicle)
        .filter(({ side }) => side !== turnCircuits(vehicle).find(({ id }) => id === placeId)?.side)
        .flatMap(({ id }) =>
          inCells([placeId], ...mainLamps(vehicle, id).map((each) => `${each} wrong` as const)),
        );
    case 'message':
      return inCells([placeId], `message ${placeId}`);
    case 'flickers':
      return inCells(lit().slice(0, 1), `${placeId} flickers`);
    case 'glows':
      return inCells(['off'], `${placeId} glows`);
    case 'swapped':
      return [
        ...inCells(lit('dim').slice(0, 1), `${placeId} bright`),
        ...inCells(lit('main').slice(0, 1), `${placeId} dim`),
      ];
    case 'wrong-lamp':
      return inCells([otherSwitch(vehicle, grid, placeId)], `${placeId} wrong`);
    case 'fuse-blows':
      return inCells(
        [placeId],
        `blown ${feedFuseId(vehicle, circuitOf(vehicle, placeId))}`,
        ...lampIdsOf(circuitOf(vehicle, placeId)).map((id) => `${id} dark` as const),
      );
    case 'odd-brake':
    case 'charge':
      return inCells([placeId], `odd ${placeId}`);
    case 'wet':
      return inCells(lit().slice(0, 1), `${placeId} wet`);
    case 'sweep':
      return inCells(lit().slice(0, 1), `${placeId} unfinished`);
    default:
      return [];
  }
}

function circuitOf(vehicle: Vehicle, id: string) {
  const found = vehicle.circuits.find((circuit) => circuit.id === id);
  if (!found) throw new RangeError(`${vehicle.name} has no circuit "${id}"`);
  return found;
}

function mainLamps(vehicle: Vehicle, circuitId: string): string[] {
  const circuit = circuitOf(vehicle, circuitId);
  const together =
    circuit.kind === 'turn' && circuit.side !== null ? turnCircuitsOn(vehicle, circuit.side) : [circuit];
  return together.flatMap(lampIdsOf).filter((id) => lampById(vehicle, id).role === 'main');
}

/** With which switch a lamp most likely lights that is not its own: that of a neighbour behind the same panel. */
function otherSwitch(vehicle: Vehicle, grid: ProvingGrid, lampId: string): string {
  const lamp = lampById(vehicle, lampId);
  const own = new Set(lampCells(vehicle, grid, lampId));
  const neighbours = vehicle.lamps.filter(
    ({ id, access }) => id !== lampId && access.group === lamp.access.group,
  );
  const cells = [...neighbours, ...vehicle.lamps.filter(({ end }) => end === lamp.end)].flatMap(({ id }) =>
    lampCells(vehicle, grid, id),
  );
  return cells.find((id) => !own.has(id)) ?? '';
}

/**
 * Where this vehicle differs from what is usual: for each usual cause that is not among those found likely, what this
 * vehicle would show of it instead, or that it cannot have it.
 *
 * @param told what the symptom said of the cells
 */
export function unlikeUsual(
  symptom: Symptom,
  told: readonly CellTold[],
  { suspects }: FaultFinding,
  vehicle: Vehicle,
  grid: ProvingGrid,
): string[] {
  const likely = suspects.filter(({ probability }) => probability >= 0.02);
  return symptom.usual.flatMap((kind) => {
    const is = (each: PossibleFault) => each.fault.kind === kind;
    if (likely.some(({ faults, and }) => faults.some(is) || (and && is(and)))) return [];
    const words = faultKindWords(kind);
    const places = [...grid.faults.keys()].filter((at) => {
      const fault = grid.faults[at];
      return fault !== undefined && is(fault);
    });
    if (places.length === 0) return [`Elsewhere often ${words}: this vehicle has nothing that could be so.`];
    const instead = told.flatMap(({ cellId }) => {
      const at = grid.cells.findIndex(({ id }) => id === cellId);
      return places.flatMap((fault) => grid.seen[fault]?.[at]?.sure ?? []);
    });
    const distinct = [...new Set(instead)].filter((key) => !told.some(({ seen }) => seen.includes(key)));
    return [
      distinct.length === 0
        ? `Elsewhere often ${words}: on this vehicle that shows nothing there.`
        : `Elsewhere often ${words}: on this vehicle that would show otherwise, for one ${inARow([deviationsWords(vehicle, distinct, 3)])}.`,
    ];
  });
}
