import { ELEMENTS } from '../../model/vehicle/netlistNames.ts';
import { moreOhms } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';

/** A loose or rusted earth point, ohms more than it should have. */
export interface BadEarth {
  kind: 'bad-earth';
  earthPointId: string;
  ohms: number;
}

/** Ohms (from memory of what meters show at bad contacts). */
const OHMS = { typical: 12, from: 3, to: 120 };

export const badEarth: FaultKindOf<BadEarth> = {
  prior: 6,
  minutes: [3, 10],
  natures: ['age', 'water'],
  of: ({ vehicle }) =>
    vehicle.earthPoints.map(({ id }) => ({ kind: 'bad-earth', earthPointId: id, ohms: OHMS.typical })),
  where: ({ earthPointId }) => earthPointId,
  lampIds: ({ earthPointId }, { lamps }) =>
    lamps.flatMap(({ id, earthPoint }) => (earthPoint === earthPointId ? [id] : [])),
  size: { of: () => OHMS, as: (fault, ohms) => ({ ...fault, ohms }), between: true },
  strike: ({ earthPointId, ohms }) => ({
    ...moreOhms([ELEMENTS.earthPoint(earthPointId)], ohms),
    throughEarths: true,
  }),
};
