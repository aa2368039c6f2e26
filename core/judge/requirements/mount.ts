import { hotterAt } from '../../heat/measured.ts';
import { condemnedIn } from '../../heat/mounts.ts';
import type { HeatVerdict } from '../../heat/useCases.ts';
import { chargingVolts } from '../workingPoints.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** A resistor that its place condemns. */
export type MountFinding = FindingOf<'mount', { heat: Omit<HeatVerdict, 'curve'> }>;

/** A resistor on its metal, with whatever else is screwed there, in every use of every feed it lies across. */
export function mountRequirement({ job, vehicle, circuit, fitted }: Scene): MountFinding[] {
  const { resistors } = fitted.fitment;
  // Beside a charge lamp it lives in air, and never has the vehicle's volts across it.
  if (resistors.length === 0 || circuit.excite) return [];
  const inputs = new Set(circuit.feeds.map(({ lampId, input }) => `${lampId} ${input}`));
  const own = resistors.filter((each) => inputs.has(`${each.lampId} ${each.input ?? 'main'}`));
  const heat = condemnedIn(
    vehicle,
    own,
    chargingVolts(vehicle.systemVolts),
    resistors,
    new Map(),
    hotterAt(job),
  );
  if (!heat) return [];
  const { curve: _, ...figures } = heat;
  return [{ requirement: 'mount', state: 'too-much', heat: figures }];
}
