import { bulbById } from '../../catalogue/bulbs.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { bladeFor } from '../../model/vehicle/fuseRating.ts';
import { lampById } from '../../model/vehicle/lookUp.ts';
import type { Fuse, Vehicle } from '../../model/vehicle/vehicle.ts';
import { bladeOhms, rateFuse } from './bladeFuse.ts';

/** Share of its rating that makers let a fuse carry for long (common practice: 70 to 80 %). */
const CARRIES = 0.8;

/**
 * Fuses nobody has read are as large as the bulbs the vehicle left the works with need: no maker fits one that their own
 * lamps would melt. None becomes smaller than is usual of its work.
 *
 * @param vehicle changed in place
 */
export function sizeOpenFuses(vehicle: Vehicle): void {
  for (const fuse of vehicle.fuses) {
    if (!fuse.assumed || fuse.id === vehicle.flasher.fuseId) continue;
    const needed = bladeFor(stockAmps(vehicle, fuse) / CARRIES);
    if (needed <= fuse.ratedAmps) continue;
    rateFuse(fuse, needed);
    fuse.ohms = bladeOhms(needed);
  }
}

/** What all steady lamps behind a fuse draw together as listed, a filament that stops and turns by its stop feed, A. */
function stockAmps(vehicle: Vehicle, { id }: Fuse): number {
  return vehicle.circuits.reduce((sum, circuit) => {
    const steady = circuit.from.by === 'switch' && circuit.from.fuseId === id;
    const stopping = circuit.stopFuseId === id;
    return steady || stopping ? sum + circuitAmps(vehicle, circuit, stopping) : sum;
  }, 0);
}

function circuitAmps(vehicle: Vehicle, { feeds }: Circuit, stopping: boolean): number {
  return feeds
    .filter(({ turnOnly }) => !stopping || !turnOnly)
    .reduce((sum, { lampId, input }) => {
      const { stockBulb, works, added } = lampById(vehicle, lampId);
      if (added) return sum;
      if (works) return sum + (works.amps ?? 0);
      const filaments = bulbById(stockBulb)?.filaments ?? [];
      const lit = filaments.find(({ role }) => (role === 'dim') === (input === 'dim')) ?? filaments[0];
      return sum + (lit?.amps ?? 0);
    }, 0);
}
