import { bulbById } from '../catalogue/bulbs.ts';
import type { Bulb } from '../model/bulb.ts';
import { cureKind } from '../model/cureKinds/kinds.ts';
import type { Wired } from '../model/cureKinds/wired.ts';
import type { Configuration, ResistorNetwork, VehicleCure } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { DecoderPart, FlasherPart, LedPart, ResistorPart, Shelf, WholeLampPart } from '../model/part.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { panelAsLed, sectionFor } from './wholeLamp.ts';
import { worksAsLed } from './worksLed.ts';

/** What is in one socket. */
export type SocketContent =
  | { kind: 'filament'; bulb: Bulb }
  /** reversed: put in the wrong way round */
  | { kind: 'led'; part: LedPart; reversed?: boolean }
  | { kind: 'empty' };

/** What is in every socket, what was wired across which lamp, and which flasher is plugged in. */
export interface Fitment {
  contents: ReadonlyMap<string, SocketContent>;
  resistors: readonly ResistorNetwork[];
  flasher: Flasher;
  /** what cures put into the wiring beside resistors across lamps */
  wired: readonly Wired[];
}

/** A job points at something that is not there. Says what, and what to do. */
export class UnknownReferenceError extends Error {
  constructor(what: string, id: string, remedy: string) {
    super(`${what} "${id}" is not known. ${remedy}`);
    this.name = 'UnknownReferenceError';
  }
}

/**
 * The bulb in a lamp: as identified, else as the vehicle left the works.
 *
 * @throws UnknownReferenceError for a bulb that is not in the catalogue
 */
export function bulbOf(job: Pick<Job, 'identified'>, lamp: Lamp): Bulb {
  const id = job.identified[lamp.id] ?? lamp.stockBulb;
  const bulb = bulbById(id);
  if (!bulb) throw new UnknownReferenceError('Bulb', id, `Choose the bulb of lamp "${lamp.name}" again.`);
  return bulb;
}

/**
 * The LED chosen for a lamp, or null where its filament bulb stays: of a whole lamp the panel that does this lamp's
 * work, or null where that is a socket the old bulb moves into.
 *
 * @throws UnknownReferenceError for an LED that is not on the shelf
 */
export function ledOf(job: Job, shelf: Shelf, lampId: string): LedPart | null {
  const id = job.chosen[lampId];
  if (id === undefined || id === null) return null;
  const part = shelf.find(
    (entry): entry is LedPart | WholeLampPart =>
      (entry.kind === 'led' || entry.kind === 'whole-lamp') && entry.id === id,
  );
  if (part?.kind === 'whole-lamp') {
    const lamp = lampById(job.vehicle, lampId);
    const section = sectionFor(job.vehicle, lamp, part);
    return section ? panelAsLed(part, section, lamp.base) : null;
  }
  if (!part) {
    throw new UnknownReferenceError('LED', id, 'Put it back on the shelf, or choose another for that lamp.');
  }
  return part;
}

/** The loose resistors of a shelf. */
export function resistorsOf(shelf: Shelf): ResistorPart[] {
  return shelf.filter((part): part is ResistorPart => part.kind === 'resistor');
}

/** The load resistors of a job's cures, lamp by lamp. */
export function networksOf(job: Job): ResistorNetwork[] {
  return Object.values(job.cures).flatMap((cure) => cure?.networks ?? []);
}

/** Whether a capacitor stands behind the feed of a lamp's LED: inside it, or in a decoder before it. */
export function hasCapacitor({ contents, wired }: Fitment, lampId: string): boolean {
  const content = contents.get(lampId);
  const inside = content?.kind === 'led' && content.part.capacitorFarads !== undefined;
  return (
    inside ||
    wired.some(
      (each) =>
        each.kind === 'before-lamp' && each.lampId === lampId && each.part.capacitorFarads !== undefined,
    )
  );
}

/**
 * What a lamp left the works with, whole: its bulb, or the LED it was born with.
 *
 * @throws UnknownReferenceError for a bulb that is not in the catalogue
 */
export function stockContent(job: Pick<Job, 'vehicle' | 'identified'>, lamp: Lamp): SocketContent {
  // What this job adds was not there.
  if (lamp.added) return { kind: 'empty' };
  return asListed(job, lamp);
}

function asListed(job: Pick<Job, 'vehicle' | 'identified'>, lamp: Lamp): SocketContent {
  return lamp.works
    ? { kind: 'led', part: worksAsLed(job.vehicle, lamp) }
    : { kind: 'filament', bulb: bulbOf(job, lamp) };
}

/**
 * What a lamp left the works with, by name: `P21W`, `LED from the works`.
 *
 * @throws UnknownReferenceError for a bulb that is not in the catalogue
 */
export function stockName(job: Pick<Job, 'vehicle' | 'identified'>, lamp: Lamp): string {
  const content = stockContent(job, lamp);
  if (content.kind === 'led') return content.part.name;
  return content.kind === 'filament' ? (content.bulb.names[0] ?? content.bulb.id) : '';
}

/** Every bulb as it should be, all lit: what a maker set the watcher's threshold by. */
export function healthyStock(job: Pick<Job, 'vehicle' | 'identified'>): Fitment {
  return {
    contents: new Map(job.vehicle.lamps.map((lamp) => [lamp.id, stockContent(job, lamp)])),
    resistors: [],
    flasher: job.vehicle.flasher,
    wired: [],
  };
}

/**
 * The vehicle in one of its three states. Stock includes the bulbs found dead; an LED replaces a dead
 * bulb as it does a good one, while a dead bulb that is kept stays dead.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function fitmentOf(job: Job, shelf: Shelf, configuration: Configuration): Fitment {
  const contents = new Map<string, SocketContent>();
  for (const lamp of job.vehicle.lamps) {
    const led = configuration === 'stock' ? null : ledOf(job, shelf, lamp.id);
    if (led) contents.set(lamp.id, { kind: 'led', part: led });
    else if (lamp.added && configuration !== 'stock') contents.set(lamp.id, asListed(job, lamp));
    else if (job.lookOver.lamps[lamp.id]?.condition === 'dead') contents.set(lamp.id, { kind: 'empty' });
    else contents.set(lamp.id, stockContent(job, lamp));
  }
  const coils = configuration === 'stock' ? [] : coilsOf(job.vehicle);
  if (configuration !== 'cured')
    return { contents, resistors: [], flasher: job.vehicle.flasher, wired: coils };
  return {
    contents,
    resistors: networksOf(job),
    flasher: flasherOf(job, shelf),
    wired: [
      ...coils,
      ...job.vehicleCures.flatMap((cure) => cureKind(cure).wired?.(cure, partOf(cure, shelf)) ?? []),
    ],
  };
}

/** Coils of relays put in for added lamps: each draws from the feed that works it. */
function coilsOf({ circuits }: Vehicle): Wired[] {
  return circuits.flatMap(({ relay }) =>
    relay ? [{ kind: 'feed-to-earth' as const, circuitId: relay.by, ohms: relay.coilOhms }] : [],
  );
}

/** The flasher a cured vehicle has: the stock one as it was set, or the relay that replaces it. */
function flasherOf({ vehicle, vehicleCures }: Job, shelf: Shelf): Flasher {
  return vehicleCures.reduce(
    (flasher, cure) => cureKind(cure).flasher?.(cure, flasher, partOf(cure, shelf)) ?? flasher,
    vehicle.flasher,
  );
}

/** The part a cure cannot be without, as it stands on the shelf; null where it names none. */
function partOf(cure: VehicleCure, shelf: Shelf): DecoderPart | FlasherPart | null {
  for (const { holder, kinds, what } of cureKind(cure).parts?.(cure) ?? []) {
    if (what === null) continue;
    const part = shelf.find(({ id, kind }) => id === holder.partId && kinds.includes(kind));
    if (part?.kind === 'decoder' || part?.kind === 'flasher') return part;
    throw new UnknownReferenceError(what, holder.partId, 'Put it back on the shelf, or take that cure out.');
  }
  return null;
}
