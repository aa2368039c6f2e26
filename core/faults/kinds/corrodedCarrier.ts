import { lampsByPanel } from '../../model/vehicle/lookUp.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { comesAndGoes } from '../loose.ts';

/** A carrier through which every lamp of a housing is earthed, corroded: they feed back through each other. */
export interface CorrodedCarrier {
  kind: 'corroded-carrier';
  /** the opening its housing is behind */
  group: string;
  lampIds: readonly string[];
  ohms: number;
}

/** Ohms (from memory of what meters show at bad contacts). */
const OHMS = { typical: 4, from: 1.2, to: 30 };

export const corrodedCarrier: FaultKindOf<CorrodedCarrier> = {
  prior: 3,
  minutes: [3, 10],
  natures: ['contact', 'age', 'water'],
  of: ({ lamps }) =>
    [...lampsByPanel(lamps.map(({ lamp }) => lamp))].flatMap(([group, housed]): CorrodedCarrier[] =>
      housed.length > 1
        ? [{ kind: 'corroded-carrier', group, lampIds: housed.map(({ id }) => id), ohms: OHMS.typical }]
        : [],
    ),
  where: ({ group }) => group,
  lampIds: ({ lampIds }) => lampIds,
  atLamp: true,
  size: { of: () => OHMS, as: (fault, ohms) => ({ ...fault, ohms }), between: true },
  strike: ({ lampIds, ohms }) => ({
    vehicle: (vehicle) => {
      const id = `carrier-${lampIds[0] ?? ''}`;
      return {
        ...vehicle,
        earthPoints: [...vehicle.earthPoints, { id, name: 'Corroded carrier', ohms }],
        lamps: vehicle.lamps.map((lamp) => (lampIds.includes(lamp.id) ? { ...lamp, earthPoint: id } : lamp)),
      };
    },
    throughEarths: true,
  }),
  shows: ({ lampIds }, worked) => comesAndGoes(lampIds, worked),
};
