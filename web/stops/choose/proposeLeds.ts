import type { Job } from '../../../core/model/job.ts';
import type { LedPart, Shelf } from '../../../core/model/part.ts';
import { ledFit } from '../../../core/vehicle/ledFits.ts';

/**
 * A first choice for every lamp still open: of the LEDs that fit, amber ones, with the fewest cautions, without
 * a load of its own (the Cure stop sizes that better), then the one on the shelf, then the cheapest.
 */
export function proposeLeds(job: Job, shelf: Shelf): Map<string, LedPart> {
  const proposal = new Map<string, LedPart>();
  for (const lamp of job.vehicle.lamps) {
    if (job.chosen[lamp.id] !== undefined) continue;
    const ranked = shelf
      .filter((part): part is LedPart => part.kind === 'led')
      .map((part) => ({ part, fit: ledFit(job.vehicle, lamp, part) }))
      .filter(({ fit }) => fit.fits)
      .sort(
        (a, b) =>
          Number(b.part.colour === 'amber') - Number(a.part.colour === 'amber') ||
          a.fit.cautions.length - b.fit.cautions.length ||
          Number(a.part.builtInLoadOhms !== undefined) - Number(b.part.builtInLoadOhms !== undefined) ||
          Number(b.part.stock > 0) - Number(a.part.stock > 0) ||
          a.part.price - b.part.price,
      );
    const best = ranked[0];
    if (best) proposal.set(lamp.id, best.part);
  }
  return proposal;
}
