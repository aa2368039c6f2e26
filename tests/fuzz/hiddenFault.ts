import { kindOf, placeOf } from '../../core/faults/kinds.ts';
import type { PossibleFault } from '../../core/faults/library.ts';
import { atSize } from '../../core/faults/sizes.ts';
import type { DeviationKey } from '../../core/model/deviationKey.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import type { Cell } from '../../core/proving/cells.ts';
import type { NextCheck } from '../../core/proving/checks.ts';
import { deviations } from '../../core/proving/deviations.ts';
import type { FaultFinder } from '../../core/proving/finder.ts';
import type { FaultFinding } from '../../core/proving/finding.ts';
import { worked } from '../../core/proving/grid.ts';
import type { Outcome } from '../../core/proving/outcome.ts';
import type { CellTold, PlaceTold, Told } from '../../core/proving/told.ts';
import { type Fitment, fitmentOf, healthyStock, type SocketContent } from '../../core/simulation/fitment.ts';

import { TracedVehicle } from './tracedVehicle.ts';

type Random = () => number;

/** One hidden vehicle with something wrong, or nothing: what its circuit shows, and what it shows beside that. */
export interface Hidden {
  in(cell: Cell): Outcome;
  beside(cell: Cell): readonly DeviationKey[];
}

/**
 * A job's vehicle as it may really be, run in time: wires 30 % longer or shorter, parts 5 % off, LEDs of the other topology
 * here and there, half a volt more or less, thresholds anywhere in their bands, what may be watched watched or not. Whoever
 * looks for its fault knows none of that, and has no part in how it runs.
 */
export function hiddenVehicle(
  job: Job,
  shelf: Shelf,
  random: Random,
): { play(fault: PossibleFault | null): Hidden } {
  const off = (share: number) => 1 + share * (2 * random() - 1);
  const vehicle = otherWatchers(
    otherWires(job.vehicle, () => off(0.3)),
    random,
  );
  const fitted = fitmentOf({ ...job, vehicle }, shelf, 'cured');
  const fitment: Fitment = {
    ...fitted,
    contents: new Map([...fitted.contents].map(([id, content]) => [id, otherPart(content, random)])),
    resistors: fitted.resistors.map((network) => ({
      ...network,
      pieces: network.pieces.map((piece) => ({ ...piece, ohms: piece.ohms * off(0.05) })),
    })),
  };
  const traced = new TracedVehicle({
    vehicle,
    fitment,
    stock: healthyStock({ ...job, vehicle }),
    decided: random(),
    moreVolts: (vehicle.systemVolts / 12) * 0.5 * (2 * random() - 1),
  });
  return {
    play: (wrong) => {
      const faults = wrong ? [atSize(wrong.fault, fitment, random())] : [];
      const seen = new Map<string, Outcome>();
      return {
        in: (cell) => {
          const outcome = seen.get(cell.id) ?? traced.shows(cell, faults);
          seen.set(cell.id, outcome);
          return outcome;
        },
        // What no circuit tells: what shows for sure, and of what may show every second thing.
        beside: (cell) => {
          const shows = wrong && kindOf(wrong.fault).shows?.(wrong.fault, worked(job, fitted, cell));
          return shows ? [...shows.sure, ...shows.maybe.filter(() => random() < 0.5)] : [];
        },
      };
    },
  };
}

/** What nobody knows to be watched is, or is not; thresholds of outputs are a little off. */
function otherWatchers(vehicle: Vehicle, random: Random): Vehicle {
  const circuits = vehicle.circuits.map((circuit) =>
    circuit.watched === null ? { ...circuit, watched: random() < 0.5 } : circuit,
  );
  return { ...vehicle, circuits };
}

function otherWires(vehicle: Vehicle, factor: () => number): Vehicle {
  const longer = <W extends { lengthM: number }>(wire: W): W => ({
    ...wire,
    lengthM: wire.lengthM * factor(),
  });
  return {
    ...vehicle,
    lamps: vehicle.lamps.map((lamp) => ({ ...lamp, lead: longer(lamp.lead), earth: longer(lamp.earth) })),
    circuits: vehicle.circuits.map((circuit) => ({ ...circuit, wire: longer(circuit.wire) })),
    earthPoints: vehicle.earthPoints.map((point) => ({ ...point, ohms: point.ohms * factor() })),
  };
}

function otherPart(content: SocketContent, random: Random): SocketContent {
  if (content.kind !== 'led') return content;
  const { part } = content;
  const watts = part.watts * (1 + 0.05 * (2 * random() - 1));
  const { ballast } = part;
  // A string with a resistor where a current source is listed, and the other way round.
  const other = random() < 0.25 && ballast.kind !== 'converter';
  const kind = ballast.kind === 'series-resistor' ? 'constant-current' : 'series-resistor';
  return {
    kind: 'led',
    part: { ...part, watts, ...(other ? { ballast: { ...ballast, kind } as typeof ballast } : {}) },
  };
}

export interface Search {
  /** whether the cause stands among the first three, what is as likely as it counted before it */
  found: boolean;
  checks: number;
  minutes: number;
  finding: FaultFinding;
}

/** How the next check is come by: the finder's own, or another's. */
export type Picker = (finding: FaultFinding, told: Told) => NextCheck | null;

/**
 * Looks for a fault of a hidden vehicle by the finder's own checks until it asks for none, or so many are spent.
 *
 * @param falseShare of tellings: what another fault would show, or nothing
 */
export function searchFor(
  finder: FaultFinder,
  truth: { fault: PossibleFault | null; played: Hidden },
  checks: number,
  falseShare: number,
  random: Random,
  pick: Picker = ({ next }) => next,
): Search {
  const { grid } = finder;
  const cells: CellTold[] = [];
  const places: PlaceTold[] = [];
  const told = (): Told => ({ cells, places, clues: [], pins: [] });
  let minutes = 0;
  let finding = finder.find(told());
  let spent = 0;
  for (; spent < checks; spent += 1) {
    const next = pick(finding, told());
    if (!next) break;
    minutes += next.minutes;
    const slips = random() < falseShare;
    if (next.kind === 'cell') {
      const at = grid.cells.findIndex(({ id }) => id === next.cellId);
      const cell = grid.cells[at];
      const should = grid.expected[at] as Outcome;
      if (!cell) break;
      const shown = deviations(should, truth.played.in(cell));
      const seen = [...shown.sure, ...oneOfEach(shown.maybe, random), ...truth.played.beside(cell)];
      // What is told falsely is what another fault would show, or nothing; never by chance what is so.
      const others = grid.seen.flatMap((row) => {
        const sure = row[at]?.sure ?? [];
        return sure.join() === seen.toSorted().join() ? [] : [sure];
      });
      const other = others[Math.floor(random() * others.length)] ?? [];
      cells.push({ cellId: cell.id, seen: slips ? other : seen });
    } else {
      const there = truth.fault && placeOf(truth.fault.fault) === next.placeId ? truth.fault.id : null;
      const [some = null] = next.faultIds;
      places.push({ placeId: next.placeId, found: slips ? (there ? null : some) : there });
    }
    finding = finder.find(told());
  }
  const mine = finding.suspects.find(({ faults }) => faults.some(({ id }) => id === truth.fault?.id));
  const before = finding.suspects.filter(
    (each) => each !== mine && each.probability >= (mine?.probability ?? 1),
  );
  return { found: mine !== undefined && before.length < 3, checks: spent, minutes, finding };
}

/** Of what an eye may tell either way of one lamp, one. */
function oneOfEach(maybe: readonly DeviationKey[], random: Random): DeviationKey[] {
  const byLamp = new Map<string, DeviationKey[]>();
  for (const each of maybe) {
    const lamp = each.split(' ')[0] ?? '';
    byLamp.set(lamp, [...(byLamp.get(lamp) ?? []), each]);
  }
  return [...byLamp.values()].flatMap((those) => {
    const at = Math.floor(random() * (those.length === 1 ? 2 : those.length));
    return those[at] ?? [];
  });
}
