import { signalFilament } from '../catalogue/bulbs.ts';
import { ohms, volts, watts } from '../formatting/format.ts';
import { testVolts } from '../judge/workingPoints.ts';
import type { Bulb } from '../model/bulb.ts';
import { cureKind } from '../model/cureKinds/kinds.ts';
import type { ResistorPiece } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Part, Shelf } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { turnSides } from '../model/vehicle/lookUp.ts';
import { bulbOf, fitmentOf, ledOf, networksOf } from '../simulation/fitment.ts';
import { TurnCircuits } from '../simulation/turnCircuits.ts';
import { sectionFor } from '../simulation/wholeLamp.ts';
import { bulbWatts } from '../words/bulbs.ts';
import { wordsOfCure } from '../words/cures.ts';
import { stepsInNoOrder } from '../work/steps/anyOrder.ts';
import type { FitStep } from '../work/steps/fitStep.ts';
import { type ToolsAt, toolsByPlace } from '../work/steps/tools.ts';
import { addedLines, inBoxes, kitLines } from './boxedAndAdded.ts';
import { consumableLines } from './consumables.ts';
import { orderLine, type PickLine, shelfLine } from './pickLine.ts';

/** Power of the turn lamps, both sides lit, at the test voltage of the bulbs, W. */
export interface PowerSaved {
  volts: number;
  stockWatts: number;
  ledWatts: number;
  resistorWatts: number;
  /** negative when the conversion takes more than the stock bulbs did */
  savedWatts: number;
}

export interface PickList {
  lines: readonly PickLine[];
  /** what is worked with, by where it is needed */
  tools: readonly ToolsAt[];
  /** sum of the lines with a known price, as used */
  knownTotal: number;
  /** what is paid for what is missing, in packs where it comes in packs */
  boughtTotal: number;
  /** lines without a price */
  unpriced: number;
}

/**
 * Parts, tools and consumables of a job, with what the shelf has of them.
 *
 * @param steps those of its plan, whose tools are listed; without them those that use something up
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function pickList(
  job: Job,
  shelf: Shelf,
  steps: readonly FitStep[] = stepsInNoOrder(job, shelf),
): PickList {
  const lines = pickLines(job, shelf);
  return { lines, tools: toolsByPlace(job, steps), ...costOf(lines) };
}

/** The parts of a job, without the power they save. */
export function pickLines(job: Job, shelf: Shelf): PickLine[] {
  return [
    ...kitLines(job, shelf),
    ...ledLines(job, shelf),
    ...bulbLines(job, shelf),
    ...resistorLines(job, shelf),
    ...vehicleCureLines(job, shelf),
    ...addedLines(job),
    ...consumableLines(job, shelf),
    ...lostLines(job),
    ...repairLines(job),
  ];
}

/** What the lines with a known price come to, in the shop's currency, and how many have none. */
export function costOf(
  lines: readonly PickLine[],
): Pick<PickList, 'knownTotal' | 'boughtTotal' | 'unpriced'> {
  return {
    boughtTotal: lines.reduce((sum, line) => sum + (line.boughtTotal ?? 0), 0),
    knownTotal: lines.reduce((sum, line) => sum + (line.total ?? 0), 0),
    unpriced: lines.filter((line) => line.total === null).length,
  };
}

/** What the turn lamps take before and after. */
export function powerSaved(job: Job, shelf: Shelf): PowerSaved {
  const network = (configuration: 'stock' | 'cured') =>
    TurnCircuits.of(job.vehicle, fitmentOf(job, shelf, configuration));
  return powerBetween(network('stock'), network('cured'));
}

/** The same of two networks that somebody has already. */
export function powerBetween(stock: TurnCircuits, after: TurnCircuits): PowerSaved {
  const emfVolts = testVolts(stock.vehicle.systemVolts);
  const sides = turnSides(stock.vehicle);
  const stockWatts = stock
    .solve({ emfVolts, sides })
    .lamps.reduce((sum, lamp) => sum + lamp.volts * lamp.bulbAmps, 0);
  const cured = after.solve({ emfVolts, sides }).lamps;
  const ledWatts = cured.reduce((sum, lamp) => sum + lamp.volts * lamp.bulbAmps, 0);
  const resistorWatts = cured.reduce((sum, lamp) => sum + lamp.volts * lamp.resistorAmps, 0);
  return {
    volts: emfVolts,
    stockWatts,
    ledWatts,
    resistorWatts,
    savedWatts: stockWatts - ledWatts - resistorWatts,
  };
}

function ledLines(job: Job, shelf: Shelf): PickLine[] {
  const lamps = new Map<Part, Lamp[]>();
  const inBox = inBoxes(job, shelf);
  for (const lamp of job.vehicle.lamps) {
    const part = shelf.find((each) => each.id === job.chosen[lamp.id]);
    if (part && !inBox.has(part.id)) lamps.set(part, [...(lamps.get(part) ?? []), lamp]);
  }
  return [...lamps].map(([part, of]) =>
    shelfLine(part, piecesOf(job, part, of), of.map((lamp) => lamp.name.toLowerCase()).join(', ')),
  );
}

/** One LED a lamp; but one whole lamp for all the lamps whose place it takes. */
function piecesOf({ vehicle }: Job, part: Part, lamps: readonly Lamp[]): number {
  if (part.kind !== 'whole-lamp') return lamps.length;
  const bySection = part.sections.map(
    (section) => lamps.filter((lamp) => sectionFor(vehicle, lamp, part) === section).length,
  );
  return Math.max(...bySection);
}

/** A bulb whose lamp keeps its filament is bought anew where it was found dead, or where somebody asked for it. */
function bulbLines(job: Job, shelf: Shelf): PickLine[] {
  const replaced = (lampId: string) => {
    const record = job.lookOver.lamps[lampId];
    return record?.replace ?? record?.condition === 'dead';
  };
  const dead = job.vehicle.lamps.filter((lamp) => replaced(lamp.id) && ledOf(job, shelf, lamp.id) === null);
  const byBulb = new Map<Bulb, string[]>();
  for (const lamp of dead.filter(({ works }) => !works)) {
    const bulb = bulbOf(job, lamp);
    byBulb.set(bulb, [...(byBulb.get(bulb) ?? []), lamp.name.toLowerCase()]);
  }
  const modules = dead
    .filter(({ works }) => works)
    .map(({ id, name }) =>
      orderLine(
        `works-${id}`,
        'LED as fitted',
        `LED of the ${name.toLowerCase()}, or its whole lamp`,
        1,
        'found dead',
      ),
    );
  const bulbs = [...byBulb].map(([bulb, names]) => {
    const code = bulb.names[0] ?? bulb.id;
    const filament = signalFilament(bulb);
    const what = `Filament bulb ${code}, ${bulbWatts(bulb)} at ${volts(filament.testVolts)}`;
    return orderLine(`bulb-${bulb.id}`, code, what, names.length, `new for ${names.join(', ')}`);
  });
  return [...bulbs, ...modules];
}

/** Resistors across lamps, the same pieces together. */
function resistorLines(job: Job, shelf: Shelf): PickLine[] {
  // The second resistor of a harness comes with the first.
  const bought = networksOf(job).filter(({ plugged, input }) => !plugged || input !== 'dim');
  return pieceLines(
    bought.flatMap(({ lampId, pieces }) => {
      const why = job.vehicle.lamps.find(({ id }) => id === lampId)?.name.toLowerCase() ?? lampId;
      return pieces.map((piece) => ({ piece, why }));
    }),
    shelf,
  );
}

/** One resistor piece, and what it is for. */
interface WantedPiece {
  piece: ResistorPiece;
  why: string;
}

function pieceLines(wanted: readonly WantedPiece[], shelf: Shelf): PickLine[] {
  const together = new Map<string, WantedPiece[]>();
  for (const each of wanted) {
    const { partId, ohms: value, watts: rated } = each.piece;
    const key = resistorPart(shelf, partId)?.id ?? `buy-${value}-${rated}`;
    together.set(key, [...(together.get(key) ?? []), each]);
  }
  return [...together].flatMap(([key, pieces]) => {
    const [first] = pieces;
    if (!first) return [];
    const { ohms: value, watts: rated, tolerance, partId } = first.piece;
    const why = [...new Set(pieces.map((each) => each.why))].join(', ');
    const part = resistorPart(shelf, partId);
    // The kit it comes out of is a line of its own.
    if (shelf.some(({ id, kind }) => id === partId && kind === 'kit')) return [];
    if (part) return [shelfLine(part, pieces.length, why)];
    const what = `Resistor ${ohms(value)} ${watts(rated)}, ${Math.round(tolerance * 100)} %, aluminium housed`;
    return [orderLine(key, 'to order', what, pieces.length, why)];
  });
}

function resistorPart(shelf: Shelf, partId: string | null): Part | undefined {
  return shelf.find(({ id, kind }) => id === partId && (kind === 'resistor' || kind === 'harness'));
}

/** What cures that are not a load on a lamp take: the parts they name, and small ones of no name. */
function vehicleCureLines({ vehicle, vehicleCures }: Job, shelf: Shelf): PickLine[] {
  const wanted = new Map<string, { part: Part; quantity: number; why: string }>();
  const want = (part: Part | undefined, quantity: number, why: string) => {
    if (!part) return;
    const entry = wanted.get(part.id) ?? { part, quantity: 0, why };
    wanted.set(part.id, { ...entry, quantity: entry.quantity + quantity });
  };
  const pieces: WantedPiece[] = [];
  for (const cure of vehicleCures) {
    const { parts } = cureKind(cure);
    const why = wordsOfCure(cure).why(cure, vehicle);
    for (const { holder, what } of parts?.(cure) ?? []) {
      if (what === null) pieces.push({ piece: holder, why });
      else
        want(
          shelf.find(({ id }) => id === holder.partId),
          1,
          why,
        );
    }
  }
  return [
    ...[...wanted.values()].map(({ part, quantity, why }) => shelfLine(part, quantity, why)),
    ...pieceLines(pieces, shelf),
  ];
}

/** What broke or went missing at the vehicle, the same pieces together. */
function lostLines({ lost = [] }: Job): PickLine[] {
  return ordered('lost', lost, 'broken or lost at the vehicle');
}

/** Parts that repairs need, the same together. */
function repairLines({ repairs = [] }: Job): PickLine[] {
  const parts = repairs.flatMap(({ part }) => (part ? [{ what: part, count: 1 }] : []));
  return ordered('repair', parts, 'for a repair');
}

/** Pieces to order that the shelf does not have, one line for all of a name. */
function ordered(key: string, pieces: readonly { what: string; count: number }[], why: string): PickLine[] {
  const counts = new Map<string, number>();
  for (const { what, count } of pieces) counts.set(what, (counts.get(what) ?? 0) + count);
  return [...counts].map(([what, quantity]) => orderLine(`${key}-${what}`, '', what, quantity, why));
}
