import { amps, percent } from '../../formatting/format.ts';
import { lampById, lampIdsOf, turnCircuits } from '../../model/vehicle/lookUp.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { isTurn } from '../scenario.ts';
import { testVolts } from '../workingPoints.ts';
import type { Finding } from './finding.ts';
import type { Scene } from './scene.ts';

/** Share of an LED's rated current at which it visibly glows (typical). */
const GLOWS = 0.05;

/** With this side lit, the other must stay dark. */
export function backFeedRequirement({ vehicle, circuit, fitted }: Scene): Finding[] {
  if (!vehicle.pilot || !isTurn(circuit)) return [];
  const text = pilotBackFeed(fitted, circuit.id);
  return text ? [{ requirement: 'back-feed', state: 'falls-short', text }] : [];
}

/**
 * Whether the pilot between the sides lights LEDs of the side that should be dark: which, in words; null where it
 * does not.
 *
 * @param litId the lit side
 */
function pilotBackFeed(turns: TurnCircuits, litId: string): string | null {
  const { vehicle, fitment } = turns;
  const lit = turnCircuits(vehicle).find((circuit) => circuit.id === litId);
  const dark = turnCircuits(vehicle).find((circuit) => circuit.id !== litId);
  if (!lit || !dark) return null;
  const emfVolts = testVolts(vehicle.systemVolts);
  for (const lampId of lampIdsOf(dark)) {
    const content = fitment.contents.get(lampId);
    if (content?.kind !== 'led') continue;
    const back = turns.darkAmps({ emfVolts, sides: [lit.side] }, lampId);
    const rated = content.part.watts / content.part.atVolts;
    if (back > GLOWS * rated)
      return `Through the pilot ${amps(back)} lights ${lampById(vehicle, lampId).name.toLowerCase()}, ${percent(back / rated)} of its own: all four flash.`;
  }
  return null;
}
