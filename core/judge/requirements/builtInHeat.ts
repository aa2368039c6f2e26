import { type BuiltInHeat, builtInUses } from '../../heat/builtInLoad.ts';
import { chargingVolts } from '../workingPoints.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** An LED that its own load overheats. */
export type BuiltInHeatFinding = FindingOf<'built-in-heat', { heat: BuiltInHeat }>;

/** An LED with a load of its own must bear it in what its lamp does every day. */
export function builtInHeatRequirement({ vehicle, circuit, fitted }: Scene): BuiltInHeatFinding[] {
  const at = chargingVolts(vehicle.systemVolts);
  const burnt = circuit.feeds
    .filter(({ input }) => input === 'main')
    .flatMap(({ lampId }) => {
      const content = fitted.fitment.contents.get(lampId);
      return content?.kind === 'led' && content.part.builtInLoadOhms !== undefined
        ? builtInUses(vehicle, lampId, content.part, at)
        : [];
    })
    .filter(({ heat, everyDay }) => everyDay && heat.state === 'overheats')
    .toSorted((a, b) => b.heat.peakCelsius - a.heat.peakCelsius);
  return burnt.slice(0, 1).map(({ heat }) => ({ requirement: 'built-in-heat', state: 'too-much', heat }));
}
