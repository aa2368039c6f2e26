import { ampacityOf } from '../catalogue/ampacity.ts';
import { chargingVolts } from '../judge/workingPoints.ts';
import { feedFuseId } from '../model/vehicle/lookUp.ts';
import type { Fuse, Vehicle } from '../model/vehicle/vehicle.ts';
import { type Controls, EVERYTHING_STEADY } from '../simulation/controls.ts';
import { fuseHeatAmps } from '../simulation/fuseHeat.ts';
import type { VehicleSimulation } from '../simulation/vehicleSimulation.ts';

/** One fuse with everything on it switched on, before and after. */
export interface FuseRow {
  id: string;
  name: string;
  ratedAmps: number;
  /** nobody has read what is printed on it */
  assumed: boolean;
  /** what heats it with stock bulbs and as planned, A */
  stockAmps: number;
  plannedAmps: number;
  /** the thinnest wire on it, mm², and what that carries for long, A */
  thinnestMm2: number;
  carriesAmps: number;
}

/** The panels a fuse is asked at: all steady lamps and hazard, with the beams either way. */
const WORST: readonly Controls[] = [
  { ...EVERYTHING_STEADY, key: 'running', hazard: true },
  { ...EVERYTHING_STEADY, key: 'running', hazard: true, mainBeam: true },
];

/**
 * Every fuse with all of its lamps on while the engine charges: what heats it before and after, beside what it and its
 * thinnest wire carry.
 *
 * @throws NoSolutionError when no steady state exists
 */
export function fuseRows(simulations: Record<'stock' | 'planned', VehicleSimulation>): FuseRow[] {
  const { vehicle } = simulations.stock;
  const volts = chargingVolts(vehicle.systemVolts);
  const heats = (simulation: VehicleSimulation, fuse: Fuse) =>
    Math.max(...WORST.map((controls) => fuseHeatAmps(simulation, fuse.id, { controls, emfVolts: volts })));
  return vehicle.fuses
    .filter((fuse) => feedsSomething(vehicle, fuse))
    .map((fuse) => {
      const thinnestMm2 = thinnestWire(vehicle, fuse);
      return {
        id: fuse.id,
        name: fuse.name,
        ratedAmps: fuse.ratedAmps,
        assumed: fuse.assumed === true,
        stockAmps: heats(simulations.stock, fuse),
        plannedAmps: heats(simulations.planned, fuse),
        thinnestMm2,
        carriesAmps: ampacityOf(thinnestMm2),
      };
    });
}

function circuitsOn(vehicle: Vehicle, { id }: Fuse) {
  return vehicle.circuits.filter(
    (circuit) => circuit.stopFuseId === id || feedFuseId(vehicle, circuit) === id,
  );
}

const feedsSomething = (vehicle: Vehicle, fuse: Fuse) => circuitsOn(vehicle, fuse).length > 0;

/** The smallest wire behind a fuse, mm²: it decides how large the fuse may be. */
export function thinnestWire(vehicle: Vehicle, fuse: Fuse): number {
  const circuits = circuitsOn(vehicle, fuse);
  return Math.min(
    fuse.wire.areaMm2,
    ...circuits.map(({ wire }) => wire.areaMm2),
    ...circuits.flatMap(({ feeds }) =>
      feeds.flatMap(({ lampId }) => vehicle.lamps.find(({ id }) => id === lampId)?.lead.areaMm2 ?? []),
    ),
  );
}
