import { length } from '../../formatting/units.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import type { Shelf } from '../../model/part.ts';
import { lampById } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';

/** Whether the leads of a lamp's resistors reach from its feed to the metal they go on. */
export interface LeadReach {
  lampId: string;
  /** free length of the shortest lead, mm, and whether it is printed or only usual */
  leadsMm: number;
  printed: boolean;
  /** to the nearest bare metal, mm; null where nobody has measured it */
  metalMm: number | null;
  reaches: boolean | null;
  text: string;
}

/** Free length of a load resistor's leads where the part does not say, mm (typical). */
export const USUAL_LEADS = 150;
/** What a lead loses to the joint, the bend and the way round, mm (common practice). */
const SLACK = 40;

/** The reach of each place with resistors, to be known before anything is drilled. */
export function leadReach(vehicle: Vehicle, shelf: Shelf, networks: readonly ResistorNetwork[]): LeadReach[] {
  const lampIds = [...new Set(networks.map((network) => network.lampId))];
  return lampIds.map((lampId) => {
    const printed = networks
      .filter((network) => network.lampId === lampId)
      .flatMap((network) => network.pieces)
      .flatMap(({ partId }) => {
        const part = shelf.find((each) => each.id === partId);
        return (part?.kind === 'resistor' || part?.kind === 'harness') && part.leadsMm ? [part.leadsMm] : [];
      });
    const lamp = lampById(vehicle, lampId);
    const leadsMm = printed.length > 0 ? Math.min(...printed) : USUAL_LEADS;
    const metalMm = lamp.room?.metalWithinMm ?? null;
    const reaches = metalMm === null ? null : metalMm + SLACK <= leadsMm;
    const leads = `leads of ${length(leadsMm)} (${printed.length > 0 ? 'printed' : 'typical'})`;
    const name = lamp.name.toLowerCase();
    return {
      lampId,
      leadsMm,
      printed: printed.length > 0,
      metalMm,
      reaches,
      text:
        metalMm === null
          ? `How far bare metal is from ${name} has not been measured: hold the resistor there, ${leads}, before drilling.`
          : reaches
            ? `Bare metal is ${length(metalMm)} from ${name}; ${leads} reach.`
            : `Bare metal is ${length(metalMm)} from ${name}, too far for ${leads} with ${length(SLACK)} for joint and bend: lengthen them with wire of the same size, or find nearer metal.`,
    };
  });
}
