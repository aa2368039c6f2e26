import type { Job } from '../../../model/job.ts';
import type { Shelf } from '../../../model/part.ts';
import { turnCircuits } from '../../../model/vehicle/vehicle.ts';
import { ledOf } from '../../../simulation/fitment.ts';
import { type CureOption, option, refused } from '../option.ts';
import { turnLamps } from '../withCure.ts';

/** The controller told that LEDs are fitted. */
export function settingOptions({ vehicle }: Job): CureOption[] {
  const name = 'Controller setting “LED fitted”';
  const kinds = ['controller-setting'] as const;
  const { flasher } = vehicle;
  if (flasher.kind !== 'controller') return [];
  const circuits = turnCircuits(vehicle);
  const settable = circuits.filter((circuit) =>
    flasher.outputs.some((output) => output.circuitId === circuit.id && output.watch?.canSetLed),
  );
  if (settable.length < circuits.length)
    return [refused('setting', kinds, name, `The ${flasher.name} has no such setting for its turn lamps.`)];
  return [
    option('setting', kinds, name, {
      vehicleCures: settable.map((circuit) => ({
        kind: 'controller-setting',
        circuitId: circuit.id,
        setting: 'led',
        before: 'filament',
      })),
    }),
  ];
}

/** A decoder before each turn LED. */
export function decoderOptions(job: Job, shelf: Shelf): CureOption[] {
  const decoders = shelf.flatMap((part) => (part.kind === 'decoder' ? [part] : []));
  if (decoders.length === 0) return [];
  if (job.vehicle.flasher.kind !== 'controller')
    return [
      refused(
        'decoder',
        ['decoder'],
        'Decoders',
        'There is no controller here whose pulses or tests it could smooth: a plain relay needs none.',
      ),
    ];
  const lamps = turnLamps(job).filter((lamp) => ledOf(job, shelf, lamp.id) !== null);
  return decoders.map((part) =>
    option(`decoder-${part.id}`, ['decoder'], `${part.code} at each turn lamp`, {
      vehicleCures: lamps.map((lamp) => ({ kind: 'decoder', lampId: lamp.id, partId: part.id })),
    }),
  );
}
