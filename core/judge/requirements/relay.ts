import { ratedAmps } from '../../devices/flasher.ts';
import type { Flasher } from '../../model/vehicle/flasher.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { type LimitCheck, limitCheck } from './limit.ts';
import { trailerAmps } from './trailer.ts';

/**
 * The relay's rating against all it switches at once, a trailer on the socket included. The stock relay was rated by
 * its maker for whatever may hang on the socket; one that replaces it was not.
 *
 * @param litAmpsOf asked for the highest lit current of hazard, or of one side where there is no hazard switch, A
 * @param draws what draws it
 */
export function relayLimit(
  vehicle: Vehicle,
  flasher: Flasher,
  litAmpsOf: () => number,
  draws: 'hazard' | 'side',
): LimitCheck[] {
  const rated = ratedAmps(flasher);
  if (rated === null) return [];
  const litAmps = litAmpsOf();
  const trailer =
    flasher.kind === 'non-watching-relay' ? trailerAmps(vehicle, vehicle.hazardSwitch ? 2 : 1) : 0;
  return [limitCheck({ kind: 'relay', draws, trailerAmps: trailer }, flasher.name, litAmps + trailer, rated)];
}
