import { mapRelay } from '../../devices/relayMapping.ts';
import { capital, ohms } from '../../formatting/format.ts';
import type { VehicleCure } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { FlasherPart, Shelf } from '../../model/part.ts';
import type { FitStep } from './fitStep.ts';

/** Steps of cures that are not a load on a lamp. */
export function vehicleCureSteps(job: Job, shelf: Shelf): FitStep[] {
  const step = (
    id: string,
    place: string,
    title: string,
    text: string,
    cautions: string[] = [],
  ): FitStep => ({
    id,
    kind: 'cure',
    lampId: null,
    openingId: null,
    place,
    title,
    text,
    cautions,
    minutes: [4, 12],
    timedAs: id.replace(/-[^-]*$/, ''),
  });
  const stepFor = (cure: VehicleCure): FitStep => {
    switch (cure.kind) {
      case 'flasher-relay': {
        const part = shelf.find(
          (each): each is FlasherPart => each.kind === 'flasher' && each.id === cure.partId,
        );
        const { adapterLines } = part ? mapRelay(job.vehicle.flasher, part) : { adapterLines: [] };
        return step(
          'cure-flasher',
          'Flasher',
          `Swap the ${job.vehicle.flasher.name} for ${part?.code ?? cure.partId}`,
          [
            'Compare terminals by their letters, never by their place: supply to supply, lamps to lamps. Reuse the rubber mount, and see that the cover closes.',
            ...adapterLines.map((line) => `${capital(line)}.`.replace(/\.\.$/, '.')),
          ].join(' '),
          ['Supply and lamp terminals exchanged keep it from flashing. It no longer warns of a dead lamp.'],
        );
      }
      case 'pilot-diodes':
        return step(
          'cure-pilot',
          'Behind the dash',
          'Two diodes to the pilot lamp',
          'Take the pilot off both turn wires. A diode from the left wire and one from the right, their banded ends joined to the pilot; the pilot’s other end to earth.',
          ['Diodes with the pilot left between the sides change nothing.'],
        );
      case 'bleed-resistor':
        return step(
          `cure-bleed-${cure.circuitId}`,
          'At the lamp',
          `Bleed resistor ${ohms(cure.piece.ohms)} from the sensed wire to earth`,
          'Prove the wire with the meter: battery volts with the pedal down. Mount it clear of plastic.',
          ['It gets warm while the pedal is held down.'],
        );
      case 'controller-setting':
        return step(
          `cure-setting-${cure.circuitId}`,
          'Diagnostic socket',
          `Set ${circuitName(job, cure.circuitId)} to LED`,
          `Write down the old value (${cure.before}) first. Turn the key off and on after it, then clear the stored codes.`,
        );
      case 'decoder': {
        const part = shelf.find((each) => each.id === cure.partId);
        return step(
          `cure-decoder-${cure.lampId}`,
          'At the lamp',
          `Plug ${part?.code ?? cure.partId} in before the LED`,
          'Mind its plus and minus. Tie it up where water does not stand.',
        );
      }
    }
  };
  return job.vehicleCures.map(stepFor);
}

function circuitName({ vehicle }: Job, id: string): string {
  return vehicle.circuits.find((circuit) => circuit.id === id)?.name.toLowerCase() ?? id;
}
