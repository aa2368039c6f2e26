import { lampIdsOf, turnCircuits } from '../../model/vehicle/lookUp.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { isTurn } from '../scenario.ts';
import { testVolts } from '../workingPoints.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** An LED lit from the other side, A and as a share of its own. */
export type BackFeedFinding = FindingOf<'back-feed', { lampId: string; amps: number; ratedShare: number }>;

/** Share of an LED's rated current at which it visibly glows (typical). */
const GLOWS = 0.05;

/** With this side lit, the other must stay dark. */
export function backFeedRequirement({ vehicle, circuit, fitted }: Scene): BackFeedFinding[] {
  if (!vehicle.pilot || !isTurn(circuit)) return [];
  const lit = pilotBackFeed(fitted, circuit.id);
  return lit ? [{ requirement: 'back-feed', state: 'falls-short', ...lit }] : [];
}

/**
 * Whether the pilot between the sides lights an LED of the side that should be dark, with how much, A and as a share of its
 * own; null where it does not.
 *
 * @param litId the lit side
 */
function pilotBackFeed(
  turns: TurnCircuits,
  litId: string,
): { lampId: string; amps: number; ratedShare: number } | null {
  const { vehicle, fitment } = turns;
  const lit = turnCircuits(vehicle).find((circuit) => circuit.id === litId);
  if (!lit) return null;
  const dark = turnCircuits(vehicle).filter((circuit) => circuit.side !== lit.side);
  const emfVolts = testVolts(vehicle.systemVolts);
  for (const lampId of dark.flatMap(lampIdsOf)) {
    const content = fitment.contents.get(lampId);
    if (content?.kind !== 'led') continue;
    const back = turns.darkAmps({ emfVolts, sides: [lit.side] }, lampId);
    const rated = content.part.watts / content.part.atVolts;
    if (back > GLOWS * rated) return { lampId, amps: back, ratedShare: back / rated };
  }
  return null;
}
