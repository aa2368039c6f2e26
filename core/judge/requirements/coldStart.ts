import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { hasCapacitor } from '../../simulation/fitment.ts';
import { inrushOf } from '../../simulation/inrush.ts';
import { chargingVolts } from '../workingPoints.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** Capacitors that trip an output from cold, A. */
export type ColdStartFinding = FindingOf<'cold-start', { amps: number; limitAmps: number }>;

/**
 * What an output finds when its circuit comes on from cold, capacitors empty, must be under its limits. Played only where a
 * capacitor could draw what cold filaments did not: without one a conversion never draws more than the stock bulbs' inrush and
 * what the steady limits allow.
 */
export function coldStartRequirement({ vehicle, circuit, fitted }: Scene): ColdStartFinding[] {
  const { simulation, fitment } = fitted;
  if (circuit.from.by !== 'output' || !lampIdsOf(circuit).some((id) => hasCapacitor(fitment, id))) return [];
  const { trips } = inrushOf(simulation, circuit, chargingVolts(vehicle.systemVolts));
  if (!trips) return [];
  return [
    {
      requirement: 'cold-start',
      state: 'too-much',
      amps: trips.amps,
      limitAmps: trips.limitAmps,
    },
  ];
}
