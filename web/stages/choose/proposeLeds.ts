import { impossibleClaim } from '../../../core/light/throughLens.ts';
import type { Job } from '../../../core/model/job.ts';
import type { LedPart, Shelf } from '../../../core/model/part.ts';
import { scopeLamps } from '../../../core/model/scope.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { lampIdsOf, turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import { coloursFor, neverByDefault } from '../../../core/vehicle/lampWork.ts';
import { ledFit } from '../../../core/vehicle/ledFits.ts';

/** The lamps still open that a first choice would be made for: the turn lamps, and after them all others. */
export function openLamps(job: Job): { lamps: Lamp[]; what: 'turn' | 'other' } {
  const turn = new Set(turnCircuits(job.vehicle).flatMap(lampIdsOf));
  const open = scopeLamps(job).filter((lamp) => job.chosen[lamp.id] === undefined);
  const turning = open.filter((lamp) => turn.has(lamp.id));
  if (turning.length > 0) return { lamps: turning, what: 'turn' };
  // A charge lamp starts the alternator, dash lamps hang on a dimmer, fog capsules are a matter of aim.
  return { lamps: open.filter((lamp) => !neverByDefault(job.vehicle, lamp.id)), what: 'other' };
}

/**
 * A first choice for some lamps: of the LEDs that fit, those of the usual colour, with the fewest cautions, without
 * a load of its own (the Cure stage sizes that better) and without a sweep, then the one on the shelf, then the
 * cheapest.
 */
export function proposeLeds(job: Job, shelf: Shelf, lamps: readonly Lamp[]): Map<string, LedPart> {
  const proposal = new Map<string, LedPart>();
  for (const lamp of lamps) {
    const usual = coloursFor(job.vehicle, lamp)[0];
    const ranked = shelf
      .filter((part): part is LedPart => part.kind === 'led')
      .map((part) => ({ part, fit: ledFit(job.vehicle, lamp, part) }))
      .filter(({ fit }) => fit.fits)
      .sort(
        (a, b) =>
          Number(b.part.colour === usual) - Number(a.part.colour === usual) ||
          Number(impossibleClaim(a.part) !== null) - Number(impossibleClaim(b.part) !== null) ||
          a.fit.cautions.length - b.fit.cautions.length ||
          Number(a.part.builtInLoadOhms !== undefined) - Number(b.part.builtInLoadOhms !== undefined) ||
          Number(a.part.sweep !== undefined) - Number(b.part.sweep !== undefined) ||
          Number(b.part.stock > 0) - Number(a.part.stock > 0) ||
          a.part.price - b.part.price,
      );
    const best = ranked[0];
    if (best) proposal.set(lamp.id, best.part);
  }
  return proposal;
}
