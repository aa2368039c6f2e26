import type { Vehicle } from '../../model/vehicle/vehicle.ts';

/** What one P21W class turn bulb of a trailer draws at its test volts, A, by system volts (P21W: about 25 W). */
const TRAILER_BULB_AMPS: Record<Vehicle['systemVolts'], number> = { 6: 3.7, 12: 1.85, 24: 0.95 };

/**
 * What a trailer's turn bulbs, one a side, add to whatever feeds its socket too, A; 0 where there is no socket, or a
 * module of its own feeds it.
 */
export function trailerAmps({ facts, systemVolts }: Vehicle, sides: number): number {
  return facts?.towing === 'plain-socket' ? sides * TRAILER_BULB_AMPS[systemVolts] : 0;
}
