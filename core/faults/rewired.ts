import type { Circuit } from '../model/vehicle/circuit.ts';
import type { LampInput } from '../model/vehicle/lamp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

export const otherInput = (input: LampInput): LampInput => (input === 'main' ? 'dim' : 'main');

/** A vehicle whose circuits feed otherwise. */
export function withFeeds(
  vehicle: Vehicle,
  change: (feed: Circuit['feeds'][number]) => Circuit['feeds'][number],
): Vehicle {
  return {
    ...vehicle,
    circuits: vehicle.circuits.map((circuit) => ({ ...circuit, feeds: circuit.feeds.map(change) })),
  };
}
