import { lampById, lampIdsOf, turnCircuits } from '../model/vehicle/vehicle.ts';
import { amps, percent } from '../quantities/format.ts';
import type { TurnNetwork } from '../vehicle/turnNetwork.ts';
import { testVolts } from './workingPoints.ts';

/** Share of an LED's rated current at which it visibly glows (typical). */
const GLOWS = 0.05;

/**
 * Whether the pilot between the sides lights LEDs of the side that should be dark: which, in words; null where it
 * does not.
 */
export function pilotBackFeed(network: TurnNetwork): string | null {
  const { vehicle, fitment } = network;
  const [left, right] = turnCircuits(vehicle);
  if (!vehicle.pilot || !left || !right) return null;
  const emfVolts = testVolts(vehicle.systemVolts);
  for (const [lit, dark] of [
    [left, right],
    [right, left],
  ] as const) {
    for (const lampId of lampIdsOf(dark)) {
      const content = fitment.contents.get(lampId);
      if (content?.kind !== 'led') continue;
      const back = network.darkAmps({ emfVolts, sides: [lit.side] }, lampId);
      const rated = content.part.watts / content.part.atVolts;
      if (back > GLOWS * rated)
        return `Through the pilot ${amps(back)} lights ${lampById(vehicle, lampId).name.toLowerCase()}, ${percent(back / rated)} of its own: all four flash.`;
    }
  }
  return null;
}
