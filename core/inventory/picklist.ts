import { filamentWatts, signalFilament } from '../catalogue/bulbs.ts';
import { ohms, volts, watts } from '../formatting/format.ts';
import { testVolts } from '../judge/workingPoints.ts';
import type { Bulb } from '../model/bulb.ts';
import type { Job } from '../model/job.ts';
import type { Part, Shelf } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import { bulbOf, fitmentOf, ledOf, networksOf } from '../simulation/fitment.ts';
import { TurnCircuits } from '../simulation/turnCircuits.ts';
import { sectionFor } from '../simulation/wholeLamp.ts';
import { openedFirst } from '../work/access/openings.ts';
import { consumableLines } from './consumables.ts';
import { type PickLine, shelfLine } from './pickLine.ts';

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
  tools: readonly string[];
  /** sum of the lines with a known price */
  knownTotal: number;
  /** lines without a price */
  unpriced: number;
  power: PowerSaved;
}

/**
 * Parts, tools and consumables of a job, with what the shelf has of them.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function pickList(job: Job, shelf: Shelf): PickList {
  const lines = pickLines(job, shelf);
  return { lines, tools: toolsFor(job, shelf), ...costOf(lines), power: powerSaved(job, shelf) };
}

/** The parts of a job, without the power they save. */
export function pickLines(job: Job, shelf: Shelf): PickLine[] {
  return [
    ...ledLines(job, shelf),
    ...bulbLines(job, shelf),
    ...resistorLines(job, shelf),
    ...vehicleCureLines(job, shelf),
    ...consumableLines(job, shelf),
    ...lostLines(job),
  ];
}

/** What the lines with a known price come to, in the shop's currency, and how many have none. */
export function costOf(lines: readonly PickLine[]): Pick<PickList, 'knownTotal' | 'unpriced'> {
  return {
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
  const sides = turnCircuits(stock.vehicle).map((circuit) => circuit.side);
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
  for (const lamp of job.vehicle.lamps) {
    const part = shelf.find((each) => each.id === job.chosen[lamp.id]);
    if (part) lamps.set(part, [...(lamps.get(part) ?? []), lamp]);
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
  for (const lamp of dead) {
    const bulb = bulbOf(job, lamp);
    byBulb.set(bulb, [...(byBulb.get(bulb) ?? []), lamp.name.toLowerCase()]);
  }
  return [...byBulb].map(([bulb, names]) => ({
    key: `bulb-${bulb.id}`,
    code: bulb.names[0] ?? bulb.id,
    what: `Filament bulb ${bulb.names[0] ?? bulb.id}, ${watts(filamentWatts(signalFilament(bulb)))} at ${volts(signalFilament(bulb).testVolts)}`,
    why: `new for ${names.join(', ')}`,
    quantity: names.length,
    onShelf: 0,
    toBuy: names.length,
    unitPrice: null,
    total: null,
  }));
}

function resistorLines(job: Job, shelf: Shelf): PickLine[] {
  const wanted = new Map<string, { part: Part | undefined; what: string; lamps: string[] }>();
  for (const network of networksOf(job)) {
    const lamp = job.vehicle.lamps.find((each) => each.id === network.lampId);
    // The second resistor of a harness comes with the first.
    if (network.plugged && network.input === 'dim') continue;
    for (const piece of network.pieces) {
      const part = shelf.find(
        (each) => (each.kind === 'resistor' || each.kind === 'harness') && each.id === piece.partId,
      );
      const what = `Resistor ${ohms(piece.ohms)} ${watts(piece.watts)}, ${Math.round(piece.tolerance * 100)} %, aluminium housed`;
      const key = part?.id ?? `buy-${piece.ohms}-${piece.watts}`;
      const entry = wanted.get(key) ?? { part, what, lamps: [] };
      entry.lamps.push(lamp?.name.toLowerCase() ?? network.lampId);
      wanted.set(key, entry);
    }
  }
  return [...wanted].map(([key, { part, what, lamps }]) =>
    part
      ? shelfLine(part, lamps.length, lamps.join(', '))
      : {
          key,
          code: 'to order',
          what,
          why: lamps.join(', '),
          quantity: lamps.length,
          onShelf: 0,
          toBuy: lamps.length,
          unitPrice: null,
          total: null,
        },
  );
}

/** Relays, decoders, diodes and bleed resistors. */
function vehicleCureLines(job: Job, shelf: Shelf): PickLine[] {
  const wanted = new Map<string, { part: Part; quantity: number; why: string }>();
  const want = (part: Part | undefined, quantity: number, why: string) => {
    if (!part) return;
    const entry = wanted.get(part.id) ?? { part, quantity: 0, why };
    wanted.set(part.id, { ...entry, quantity: entry.quantity + quantity });
  };
  for (const cure of job.vehicleCures) {
    if (cure.kind === 'flasher-relay' || cure.kind === 'decoder') {
      const why = cure.kind === 'decoder' ? 'before the LED' : `in place of the ${job.vehicle.flasher.name}`;
      want(
        shelf.find((part) => part.id === cure.partId),
        1,
        why,
      );
    }
    if (cure.kind === 'pilot-diodes') {
      const diode = shelf.find((part) => part.kind === 'consumable' && part.use === 'diode');
      want(diode, 2, 'pilot lamp');
    }
    if (cure.kind === 'bleed-resistor') {
      want(
        shelf.find((part) => part.id === cure.piece.partId),
        1,
        'sensed brake wire',
      );
    }
  }
  return [...wanted.values()].map(({ part, quantity, why }) => shelfLine(part, quantity, why));
}

/** What broke or went missing at the vehicle, the same pieces together. */
function lostLines({ lost = [] }: Job): PickLine[] {
  const counts = new Map<string, number>();
  for (const { what, count } of lost) counts.set(what, (counts.get(what) ?? 0) + count);
  return [...counts].map(([what, quantity]) => ({
    key: `lost-${what}`,
    code: '',
    what,
    why: 'broken or lost at the vehicle',
    quantity,
    onShelf: 0,
    toBuy: quantity,
    unitPrice: null,
    total: null,
  }));
}

function toolsFor(job: Job, shelf: Shelf): string[] {
  const working = job.vehicle.lamps.filter((lamp) => ledOf(job, shelf, lamp.id) !== null);
  const opened = working.flatMap(({ access }) => openedFirst(job.vehicle, access.group));
  const tools = new Set(opened.flatMap((opening) => opening.tools));
  if (working.length > 0) for (const tool of ['clean gloves', 'labels and marker']) tools.add(tool);
  if (Object.values(job.cures).some((cure) => cure !== null)) {
    for (const tool of [
      'crimping pliers',
      'heat gun',
      'multimeter',
      'drill and 3 mm bit',
      'file or deburring tool',
    ])
      tools.add(tool);
  }
  return [...tools].toSorted((a, b) => a.localeCompare(b));
}
