import type { VehicleKind } from '../model/vehicle/vehicle.ts';

/** What is usual of a kind of vehicle (common practice throughout: makers differ, and every figure is asked). */
export interface VehicleKindUsual {
  /** as people say it */
  name: string;
  flasher: {
    /** the last year most have a thermal one, and the last it is met */
    thermalMostly: number;
    thermalMet: number;
    /** the first year most flash from a body controller, and the first one is met; null where none does */
    controllerMostly: number | null;
    controllerMet: number | null;
    /** the last year a relay is met; null where there still is one */
    relayMet: number | null;
  };
  /** fuse of the turn lamps and rating of a thermal flasher at 12 V, A */
  turnFuseAmps: number;
  thermalAmps: number;
  /** resistance of battery and leads at 12 V, ohms: a bigger vehicle has a bigger battery */
  internalOhms: number;
  /** the first year it has a hazard switch */
  hazardFrom: number;
  /** volts by the first year of each, the latest last */
  volts: readonly (readonly [from: number, volts: 6 | 12 | 24])[];
}

const ROAD = {
  turnFuseAmps: 15,
  thermalAmps: 3.8,
  internalOhms: 0.015,
  hazardFrom: 1968,
  volts: [
    [0, 6],
    [1955, 12],
  ],
} as const;
const HEAVY = {
  ...ROAD,
  volts: [
    [0, 12],
    [1955, 24],
  ],
} as const;
const thermal = { thermalMostly: 1979, thermalMet: 1985 } as const;

/** Every kind of vehicle there is, with what is usual of it. */
export const VEHICLE_KINDS: Record<VehicleKind, VehicleKindUsual> = {
  car: {
    ...ROAD,
    name: 'Car',
    flasher: { ...thermal, controllerMostly: 2002, controllerMet: 1996, relayMet: 2016 },
  },
  van: {
    ...ROAD,
    name: 'Van',
    flasher: { ...thermal, controllerMostly: 2006, controllerMet: 1999, relayMet: 2016 },
  },
  minibus: {
    ...ROAD,
    name: 'Minibus',
    flasher: { ...thermal, controllerMostly: 2006, controllerMet: 1999, relayMet: 2016 },
  },
  coach: {
    ...HEAVY,
    name: 'Coach or bus',
    flasher: { ...thermal, controllerMostly: 2013, controllerMet: 2004, relayMet: 2016 },
  },
  lorry: {
    ...HEAVY,
    name: 'Lorry',
    flasher: { ...thermal, controllerMostly: 2013, controllerMet: 2004, relayMet: 2016 },
  },
  // It flashes with the relay of what tows it, which mostly watches.
  trailer: {
    ...ROAD,
    name: 'Trailer',
    flasher: {
      thermalMostly: 0,
      thermalMet: 1985,
      controllerMostly: null,
      controllerMet: null,
      relayMet: null,
    },
  },
  moped: {
    name: 'Moped or motorcycle',
    flasher: {
      thermalMostly: 1999,
      thermalMet: 2010,
      controllerMostly: null,
      controllerMet: null,
      relayMet: null,
    },
    turnFuseAmps: 7.5,
    thermalAmps: 1.6,
    internalOhms: 0.06,
    hazardFrom: 2000,
    volts: [
      [0, 6],
      [1975, 12],
    ],
  },
  tractor: {
    ...ROAD,
    name: 'Tractor or plant',
    flasher: {
      thermalMostly: 1984,
      thermalMet: 1990,
      controllerMostly: null,
      controllerMet: null,
      relayMet: null,
    },
  },
};

/** A kind of vehicle as people say it. */
export function kindName(kind: VehicleKind): string {
  return VEHICLE_KINDS[kind].name;
}
