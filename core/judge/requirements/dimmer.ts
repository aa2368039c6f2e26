import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { controlsFor } from '../../simulation/moment.ts';
import { testVolts } from '../workingPoints.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** The share of the current that a dimmer at its darkest leaves. */
export type DimmerFinding = FindingOf<'dimmer', { leftShare: number }>;

/** What is left at the dimmer's darkest: an LED asks for so little that its dimmer hardly reaches it. */
export function dimmerRequirement({ vehicle, circuit, fitted }: Scene): DimmerFinding[] {
  if (circuit.dimmerOhms === undefined) return [];
  if (!lampIdsOf(circuit).some((id) => fitted.fitment.contents.get(id)?.kind === 'led')) return [];
  const at = (dimmed: boolean) =>
    fitted.simulation
      .at({ controls: { ...controlsFor(circuit), dimmed }, emfVolts: testVolts(vehicle.systemVolts) }, [
        circuit.id,
      ])
      .wireAmps(circuit.id);
  return [
    {
      requirement: 'dimmer',
      state: 'holds',
      leftShare: at(true) / at(false),
    },
  ];
}
