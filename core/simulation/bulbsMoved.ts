import type { Job } from '../model/job.ts';
import type { WholeLampPart } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { bulbOf } from './fitment.ts';
import { lampsFilledBy, sectionFor } from './wholeLamp.ts';

/** A filament bulb that moves from the old lamp into a socket of the new one. */
export interface MovedBulb {
  lamp: Lamp;
  /** `P21W` */
  bulb: string;
  base: string;
  /** the socket of the new lamp */
  socket: string;
  fits: boolean;
}

/**
 * The bulbs a whole lamp does not bring: each with its base against the new lamp's socket.
 *
 * @param at the lamp whose place it takes, its neighbours on that corner with it
 * @throws UnknownReferenceError for a bulb that is not in the catalogue
 */
export function bulbsMoved(
  job: Pick<Job, 'vehicle' | 'identified'>,
  at: Lamp,
  part: WholeLampPart,
): MovedBulb[] {
  return lampsFilledBy(job.vehicle, at, part).flatMap((lamp) => {
    const section = sectionFor(job.vehicle, lamp, part);
    if (section?.light.kind !== 'socket' || lamp.works) return [];
    const bulb = bulbOf(job, lamp);
    const socket = section.light.base;
    return [{ lamp, bulb: bulb.names[0] ?? bulb.id, base: bulb.base, socket, fits: bulb.base === socket }];
  });
}
