import { inARow, percent } from '../../../formatting/format.ts';
import type { Job } from '../../../model/job.ts';
import type { Shelf } from '../../../model/part.ts';
import { circuitById } from '../../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../../model/vehicle/vehicle.ts';
import { outputOf } from '../../../simulation/controls.ts';
import { ledOf } from '../../../simulation/fitment.ts';
import { type CureOption, option, refused, supposing } from '../option.ts';
import { type CureScope, circuitScope, lampsIn } from '../scope.ts';
import { ENDS, type End } from './ends.ts';

/** The controller told that LEDs are fitted. */
export function settingOptions({ vehicle }: Job, { circuits, turning }: CureScope): CureOption[] {
  const name = 'Controller setting “LED fitted”';
  const kinds = ['controller-setting'] as const;
  const { flasher } = vehicle;
  if (flasher.kind !== 'controller') return [];
  const watches = circuits.map((circuit) => ({
    circuitId: circuit.id,
    watch: flasher.outputs.find((output) => output.circuitId === circuit.id)?.watch,
  }));
  if (!turning && watches.every(({ watch }) => !watch)) return [];
  if (watches.some(({ watch }) => watch?.canSetLed === false || !watch)) {
    const which = turning ? 'its turn lamps' : inARow(circuits.map((circuit) => circuit.name.toLowerCase()));
    return [refused('setting', kinds, name, `The ${flasher.name} has no such setting for ${which}.`)];
  }
  // What is set already is not offered to be written again, with an old value that is not there.
  const open = watches.filter(({ watch }) => watch?.setting === 'filament');
  if (open.length === 0) return [];
  const told = (id: string, called: string, some: typeof open) =>
    supposing(
      option(id, kinds, called, {
        vehicleCures: some.map(({ circuitId }) => ({
          kind: 'controller-setting',
          circuitId,
          setting: 'led',
          before: 'filament',
        })),
      }),
      some.some(({ watch }) => watch?.canSetLed === null)
        ? [`the ${flasher.name} has such a setting, which nobody has looked up yet`]
        : [],
    );
  // Front and rear are often set apart.
  const ends = ENDS.flatMap((end) => {
    const there = open.filter(({ circuitId }) => isAt(vehicle, circuitId, end));
    return turning && there.length > 0 && there.length < open.length
      ? [told(`setting-${end}`, `${name}, at the ${end}`, there)]
      : [];
  });
  return [told('setting', name, open), ...ends];
}

/** Whether all main lamps of a circuit are at one end of the vehicle. */
function isAt(vehicle: Vehicle, circuitId: string, end: End): boolean {
  const mains = lampsIn(vehicle, circuitScope(circuitById(vehicle, circuitId))).filter(
    ({ role }) => role === 'main',
  );
  return mains.length > 0 && mains.every((lamp) => lamp.end === end);
}

/** A decoder before each LED of some circuits. */
export function decoderOptions(job: Job, shelf: Shelf, scope: CureScope): CureOption[] {
  const decoders = shelf.flatMap((part) => (part.kind === 'decoder' ? [part] : []));
  if (decoders.length === 0) return [];
  if (job.vehicle.flasher.kind !== 'controller')
    return scope.turning
      ? [
          refused(
            'decoder',
            ['decoder'],
            'Decoders',
            'There is no controller here whose pulses or tests it could smooth: a plain relay needs none.',
          ),
        ]
      : [];
  const lamps = lampsIn(job.vehicle, scope).filter((lamp) => ledOf(job, shelf, lamp.id) !== null);
  const pwm = scope.circuits.map((circuit) => outputOf(job.vehicle, circuit)?.pwm);
  const dimmed = pwm.find((each) => each?.to === 'dim');
  return decoders.map((part) => {
    const name = `${part.code} at each ${scope.turning ? 'turn lamp' : 'LED'}`;
    if (dimmed?.to === 'dim' && part.capacitorFarads)
      return refused(
        `decoder-${part.id}`,
        ['decoder'],
        name,
        `This feed dims by pulses of ${percent(dimmed.duty)}: a capacitor carries the LED over the pauses and makes nearly stop light of tail light. The stop-to-tail ratio of 5 to 1 is lost.`,
      );
    return option(`decoder-${part.id}`, ['decoder'], name, {
      vehicleCures: lamps.map((lamp) => ({ kind: 'decoder', lampId: lamp.id, partId: part.id })),
    });
  });
}
