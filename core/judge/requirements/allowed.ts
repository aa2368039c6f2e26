import { ratedAmps } from '../../devices/flasher.ts';
import { FUSE_CONTINUOUS_SHARE, fuseRating } from '../../model/vehicle/fuseRating.ts';
import { turnFuse } from '../../model/vehicle/lookUp.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { chargingVolts } from '../workingPoints.ts';
import { CircuitAmps, type Memory } from './circuitAmps.ts';
import { fuseLoad } from './fuse.ts';
import type { LimitCheck } from './limit.ts';
import { trailerAmps } from './trailer.ts';

/**
 * The most that hazard (or a side, where there is no hazard switch) may draw while lit by each of the rules that the
 * judge holds it against, A: what goes on beside it on the fuse, and a trailer on the socket, is taken off.
 *
 * @param memory what other circuits were found to draw before
 * @param read what the turn fuse is taken to say: what it is drawn with, or as nobody has read it the most it may say
 */
export function litAmpsAllowed(
  fitted: TurnCircuits,
  memory?: Memory,
  read: 'drawn' | 'most' = 'drawn',
): {
  kind: Extract<LimitCheck['kind'], 'fuse-heating' | 'fuse-lit' | 'relay'>;
  allowedAmps: number;
}[] {
  const { vehicle, fitment } = fitted;
  const { flasher } = fitment;
  const fuse = turnFuse(vehicle);
  const fuseAmps = read === 'most' ? fuseRating(fuse).most : fuse.ratedAmps;
  const rated = ratedAmps(flasher);
  const share = flasher.onFraction;
  const { besideAmps } = fuseLoad(
    fitted,
    fuse.id,
    chargingVolts(vehicle.systemVolts),
    1,
    new CircuitAmps(fitted, memory),
  );
  const sides = vehicle.hazardSwitch ? 2 : 1;
  const trailer = flasher.kind === 'non-watching-relay' ? trailerAmps(vehicle, sides) : 0;
  // f·(I + b)² + (1 − f)·b² at most the square of what it may carry for hours.
  const heating = (fuseAmps * FUSE_CONTINUOUS_SHARE) ** 2 - (1 - share) * besideAmps ** 2;
  return [
    { kind: 'fuse-heating', allowedAmps: Math.sqrt(Math.max(0, heating) / share) - besideAmps },
    { kind: 'fuse-lit', allowedAmps: fuseAmps - besideAmps },
    ...(rated === null ? [] : [{ kind: 'relay' as const, allowedAmps: rated - trailer }]),
  ];
}
