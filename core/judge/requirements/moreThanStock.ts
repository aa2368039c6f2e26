import { controlsFor } from '../../simulation/moment.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { isTurn } from '../scenario.ts';
import { testVolts } from '../workingPoints.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** More current than the stock bulbs took, A and V. */
export type MoreThanStockFinding = FindingOf<
  'more-than-stock',
  { amps: number; stockAmps: number; atVolts: number }
>;

/** Nothing is wrong with a steady circuit that draws more than its bulbs did, but whoever fits it wants to know. */
export function moreThanStock({ vehicle, circuit, fitted, healthy }: Scene): MoreThanStockFinding[] {
  if (isTurn(circuit)) return [];
  const emfVolts = testVolts(vehicle.systemVolts);
  const at = ({ simulation }: TurnCircuits) =>
    simulation.at({ controls: controlsFor(circuit), emfVolts }, [circuit.id]).wireAmps(circuit.id);
  const now = at(fitted);
  const stock = at(healthy);
  return now > stock * 1.02
    ? [
        {
          requirement: 'more-than-stock',
          state: 'holds',
          amps: now,
          stockAmps: stock,
          atVolts: emfVolts,
        },
      ]
    : [];
}
