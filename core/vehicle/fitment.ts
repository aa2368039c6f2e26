import { bulbById } from '../catalogue/bulbs.ts';
import type { Bulb } from '../model/bulb.ts';
import type { Job, ResistorNetwork, Stage } from '../model/job.ts';
import type { LedPart, ResistorPart, Shelf } from '../model/part.ts';
import type { Lamp } from '../model/vehicle.ts';

/** What is in one socket. */
export type SocketContent =
  | { kind: 'filament'; bulb: Bulb }
  | { kind: 'led'; part: LedPart }
  | { kind: 'empty' };

/** What is in every socket, and what was wired across which lamp. */
export interface Fitment {
  contents: ReadonlyMap<string, SocketContent>;
  resistors: readonly ResistorNetwork[];
}

/** A job points at something that is not there. Says what, and what to do. */
export class UnknownReferenceError extends Error {
  constructor(what: string, id: string, remedy: string) {
    super(`${what} "${id}" is not known. ${remedy}`);
    this.name = 'UnknownReferenceError';
  }
}

/** The bulb in a lamp: as identified, else as the vehicle left the works. */
export function bulbOf(job: Job, lamp: Lamp): Bulb {
  const id = job.identified[lamp.id] ?? lamp.stockBulb;
  const bulb = bulbById(id);
  if (!bulb) throw new UnknownReferenceError('Bulb', id, `Choose the bulb of lamp "${lamp.name}" again.`);
  return bulb;
}

/** The LED chosen for a lamp, or null where its filament bulb stays. */
export function ledOf(job: Job, shelf: Shelf, lampId: string): LedPart | null {
  const id = job.chosen[lampId];
  if (id === undefined || id === null) return null;
  const part = shelf.find((entry): entry is LedPart => entry.kind === 'led' && entry.id === id);
  if (!part) {
    throw new UnknownReferenceError('LED', id, 'Put it back on the shelf, or choose another for that lamp.');
  }
  return part;
}

/** The resistor parts of a shelf. */
export function resistorsOf(shelf: Shelf): ResistorPart[] {
  return shelf.filter((part): part is ResistorPart => part.kind === 'resistor');
}

/** The load resistors of a job's cures, lamp by lamp. */
export function networksOf(job: Job): ResistorNetwork[] {
  return Object.values(job.cures).flatMap((cure) => cure?.networks ?? []);
}

/** Every bulb as it should be, all lit: what a maker set the watcher's threshold by. */
export function healthyStock(job: Job): Fitment {
  return {
    contents: new Map(
      job.vehicle.lamps.map((lamp) => [lamp.id, { kind: 'filament', bulb: bulbOf(job, lamp) }]),
    ),
    resistors: [],
  };
}

/**
 * The vehicle in one of its three states. Stock includes the bulbs found dead; an LED replaces a dead
 * bulb as it does a good one, while a dead bulb that is kept stays dead.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function fitmentOf(job: Job, shelf: Shelf, stage: Stage): Fitment {
  const contents = new Map<string, SocketContent>();
  for (const lamp of job.vehicle.lamps) {
    const led = stage === 'stock' ? null : ledOf(job, shelf, lamp.id);
    if (led) contents.set(lamp.id, { kind: 'led', part: led });
    else if (job.lookOver.lamps[lamp.id]?.condition === 'dead') contents.set(lamp.id, { kind: 'empty' });
    else contents.set(lamp.id, { kind: 'filament', bulb: bulbOf(job, lamp) });
  }
  return { contents, resistors: stage === 'cured' ? networksOf(job) : [] };
}
