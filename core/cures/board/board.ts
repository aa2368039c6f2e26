import { capital, inARow } from '../../formatting/format.ts';
import { watcherOf } from '../../judge/requirements/watch.ts';
import type { VerdictState } from '../../judge/states.ts';
import type { CircuitVerdict, HazardVerdict, TurnVerdict } from '../../judge/verdict.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import { flashes, scopeCircuits } from '../../model/scope.ts';
import { sensedOn } from '../../model/vehicle/brakeSense.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { isOneOfSeveral, lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { type SteadyVerdicts, type Verdicts, vehicleState, verdictsOf } from '../../possible/verdicts.ts';
import { functionName } from '../../vehicle/lampWork.ts';
import { rateWords } from '../../words/rates.ts';
import { unknownWords } from '../../words/unknowns.ts';
import { cureWords } from './cureWords.ts';
import { shortWhy, worstWords } from './words.ts';

/** How a row stands, in a word or two. */
export interface BoardCell {
  state: VerdictState;
  text: string;
}

/** Circuits that stand alike, in one line: what their LEDs alone do, what they do with their cure. */
export interface BoardRow {
  /** the first of its circuits, or `hazard` */
  id: string;
  name: string;
  circuitIds: readonly string[];
  lamps: number;
  leds: BoardCell;
  cured: BoardCell;
  /** what decides where least is to spare, with its figures; empty where nothing watches */
  worst: string;
  /** whether there is anything to take in hand: a watcher, a limit, a finding or a cure */
  matters: boolean;
}

/** All circuits of a vehicle in one table. */
export interface CureBoard {
  rows: readonly BoardRow[];
  /** of the whole vehicle as it is cured now */
  state: VerdictState;
  /** what flashes, with its LEDs alone and as it is cured now */
  leds: TurnVerdict;
  cured: TurnVerdict;
  /** what does not flash, as it is cured now */
  steady: readonly CircuitVerdict[];
  /** what nobody has looked at yet, each with the look that would narrow it */
  open: readonly string[];
}

/**
 * Every circuit a job may disturb, those that flash first: sides that stand alike share a row, and so do all the circuits that
 * nothing minds.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function cureBoard(job: Job, shelf: Shelf): CureBoard {
  const verdicts = verdictsOf(job, shelf);
  const { leds: before, cured: after, steady: steadies } = verdicts;
  const turns = flashes(job)
    ? [
        ...alikeSides(before.circuits.map((_, index) => turnRow(job, shelf, before, after, index))),
        ...hazardRow(job, before.hazard, after.hazard),
      ]
    : [];
  // What a job does not touch has no line: nothing on it changes.
  const mine = new Set(scopeCircuits(job).map(({ id }) => id));
  const others = steadies.filter(({ circuit }) => mine.has(circuit.id));
  const rows = [
    ...turns,
    ...gathered(
      alikeSides(others.map((each) => steadyRow(job, shelf, isWatched(verdicts, each.circuit.id), each))),
    ),
  ];
  const steady = others.map(({ is }) => is);
  const open = before.unknowns.map(unknownWords);
  return { rows, state: vehicleState(job, verdicts), leds: before, cured: after, steady, open };
}

function turnRow(job: Job, shelf: Shelf, before: TurnVerdict, after: TurnVerdict, index: number): BoardRow {
  const was = before.circuits[index] as TurnVerdict['circuits'][number];
  const is = after.circuits[index] as TurnVerdict['circuits'][number];
  const circuit = job.vehicle.circuits.find((each) => each.id === was.circuitId) as Circuit;
  return {
    id: circuit.id,
    name: isOneOfSeveral(job.vehicle, circuit)
      ? circuit.name
      : `${capital(functionName(circuit))}, ${was.side}`,
    circuitIds: [circuit.id],
    lamps: lampIdsOf(circuit).length,
    leds: { state: was.state, text: was.state === 'too-much' ? shortWhy(was) : rateWords(was.rate) },
    cured: curedCell(is.state, cureWords(job, shelf, circuit), was.state),
    worst: worstWords(is),
    matters: true,
  };
}

function hazardRow(job: Job, was: HazardVerdict | null, is: HazardVerdict | null): BoardRow[] {
  if (!was || !is) return [];
  const turns = job.vehicle.circuits.filter((circuit) => circuit.kind === 'turn');
  return [
    {
      id: 'hazard',
      name: 'Hazard, both sides',
      circuitIds: turns.map((circuit) => circuit.id),
      lamps: new Set(turns.flatMap(lampIdsOf)).size,
      leds: { state: was.state, text: was.state === 'too-much' ? 'over a limit' : rateWords(was.rate) },
      cured: { state: is.state, text: is.state === 'too-much' ? 'over a limit' : rateWords(is.rate) },
      worst: worstWords(is),
      matters: true,
    },
  ];
}

function steadyRow(job: Job, shelf: Shelf, watched: boolean, { circuit, was, is }: SteadyVerdicts): BoardRow {
  const converted = lampIdsOf(circuit).some((id) => job.chosen[id]);
  const cure = cureWords(job, shelf, circuit);
  const minded = watched || sensedOn(job.vehicle, circuit) !== null || circuit.excite !== undefined;
  const quiet = converted ? (minded ? 'holds' : 'nothing watches') : STAYS;
  return {
    id: circuit.id,
    name: circuit.name,
    circuitIds: [circuit.id],
    lamps: lampIdsOf(circuit).length,
    leds: { state: was.state, text: was.state === 'holds' ? quiet : shortWhy(was) },
    cured: curedCell(is.state, cure, was.state),
    worst: converted || cure !== '' ? worstWords(is) : '',
    matters: was.state !== 'holds' || is.state !== 'holds' || cure !== '',
  };
}

/** Whether anything watches a circuit, on any way the vehicle may be built. */
function isWatched({ ways }: Verdicts, circuitId: string): boolean {
  return ways.some(({ judge, steady }) => {
    const { vehicle, fitment } = judge.turns;
    const mine = steady.find(({ circuit }) => circuit.id === circuitId)?.circuit;
    return mine !== undefined && watcherOf(vehicle, fitment.flasher, mine) !== null;
  });
}

/** What a circuit does with its cure: named where it does its work, else what is still wrong. */
function curedCell(state: VerdictState, cure: string, without: VerdictState): BoardCell {
  if (cure !== '') return { state, text: cure };
  if (without === 'holds')
    return { state, text: state === 'holds' ? 'none needed' : 'disturbed by another cure' };
  return { state, text: state === 'holds' ? 'cured by another' : 'no cure yet' };
}

/** Sides of one function that stand alike, to the last figure, in one row. */
function alikeSides(rows: readonly BoardRow[]): BoardRow[] {
  const alike = (row: BoardRow) =>
    JSON.stringify([sideless(row.name), row.lamps, row.leds, row.cured, row.worst]);
  return groupsBy(rows, alike).map((alike) => {
    const [first] = alike;
    if (alike.length === 1) return first;
    return {
      ...first,
      name: `${capital(sideless(first.name))}, both sides`,
      circuitIds: alike.flatMap((row) => row.circuitIds),
      lamps: alike.reduce((sum, row) => sum + row.lamps, 0),
    };
  });
}

/** So many circuits of a row are named. */
const MOST_NAMED = 4;
const STAYS = 'filaments stay';
const stays = (row: BoardRow) => row.leds.text === STAYS;

/** Circuits that nothing minds, converted or not, in one row each. */
function gathered(rows: readonly BoardRow[]): BoardRow[] {
  const minded = rows.filter((row) => row.matters);
  const quiet = groupsBy(
    rows.filter((row) => !row.matters),
    (row) => row.leds.text,
  ).toSorted((a, b) => Number(stays(a[0])) - Number(stays(b[0])));
  return [
    ...minded,
    ...quiet.map((all): BoardRow => {
      const [first] = all;
      const names = [...new Set(all.map((row) => sideless(row.name).toLowerCase()))];
      const more = names.length - MOST_NAMED;
      const named = more > 1 ? [...names.slice(0, MOST_NAMED), `${more} more`] : names;
      return {
        ...first,
        name: capital(inARow(named)),
        circuitIds: all.flatMap((row) => row.circuitIds),
        lamps: all.reduce((sum, row) => sum + row.lamps, 0),
        worst: all.length > 1 ? '' : first.worst,
      };
    }),
  ];
}

/** Rows of one key together, in the order in which their keys first came. */
function groupsBy(rows: readonly BoardRow[], keyOf: (row: BoardRow) => string): [BoardRow, ...BoardRow[]][] {
  const groups = new Map<string, [BoardRow, ...BoardRow[]]>();
  for (const row of rows) {
    const key = keyOf(row);
    const known = groups.get(key);
    if (known) known.push(row);
    else groups.set(key, [row]);
  }
  return [...groups.values()];
}

/** `Left position` and `Right position` are both `position`; `Turn, left` is `Turn`. */
function sideless(name: string): string {
  return name.replace(/^(left|right) /i, '').replace(/,? (left|right|both sides)$/i, '');
}
