import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { networksOf } from '../../simulation/fitment.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** What a cure rests on and nobody has looked at. */
export type UnlookedFinding = FindingOf<
  'unlooked',
  { look: 'setting'; flasherName: string } | { look: 'mount'; lampIds: readonly string[] }
>;

/**
 * What a cure that was taken rests on and nobody has looked at: a setting the controller may not have, metal that may not
 * be there. It may do, or not, until somebody has.
 */
export function unlookedRequirement(scene: Scene): UnlookedFinding[] {
  return scene.configuration === 'cured' ? [...openSetting(scene), ...openMount(scene)] : [];
}

function openSetting({ job, vehicle, circuit }: Scene): UnlookedFinding[] {
  const { flasher } = vehicle;
  const told = job.vehicleCures.find(
    (cure) => cure.kind === 'controller-setting' && cure.circuitId === circuit.id,
  );
  if (flasher.kind !== 'controller' || told?.kind !== 'controller-setting' || told.readBack) return [];
  const output = flasher.outputs.find(({ circuitId }) => circuitId === circuit.id);
  if (output?.watch?.canSetLed !== null) return [];
  return [
    {
      requirement: 'unlooked',
      state: 'either-way',
      look: 'setting',
      flasherName: flasher.name,
    },
  ];
}

function openMount({ job, vehicle, circuit }: Scene): UnlookedFinding[] {
  const mine = new Set(lampIdsOf(circuit));
  const screwed = new Set(
    networksOf(job).flatMap(({ lampId, plugged }) => (mine.has(lampId) && !plugged ? [lampId] : [])),
  );
  // Beside a charge lamp it lives in air.
  const lamps = vehicle.lamps.filter(
    ({ id, resistorMount }) => screwed.has(id) && resistorMount === 'unknown',
  );
  if (lamps.length === 0 || circuit.excite) return [];
  return [
    {
      requirement: 'unlooked',
      state: 'either-way',
      look: 'mount',
      lampIds: lamps.map(({ id }) => id),
    },
  ];
}
