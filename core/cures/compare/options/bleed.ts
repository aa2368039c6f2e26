import { ohms, watts } from '../../../formatting/format.ts';
import type { Job } from '../../../model/job.ts';
import type { Shelf } from '../../../model/part.ts';
import { sensedOn } from '../../../model/vehicle/brakeSense.ts';
import type { Circuit } from '../../../model/vehicle/circuit.ts';
import { bleedResistor } from '../../bleedResistor.ts';
import { type CureOption, option, refused } from '../option.ts';

const NAME = 'Bleed resistor to earth';
const KINDS = ['bleed-resistor'] as const;

/** A resistor that holds a sensed wire down with the pedal up. */
export function bleedOptions({ vehicle }: Job, shelf: Shelf, circuit: Circuit): CureOption[] {
  const sensed = sensedOn(vehicle, circuit);
  if (!sensed) return [];
  const { piece, maxOhms, pressedWatts } = bleedResistor(sensed.input, vehicle.systemVolts, shelf);
  if (!piece)
    return [
      refused('bleed', KINDS, NAME, `At most ${ohms(maxOhms)} would do, and none that low lives in air.`),
    ];
  const name = `${NAME}, ${ohms(piece.ohms)} ${watts(piece.watts)}`;
  return [
    {
      ...option('bleed', KINDS, name, {
        vehicleCures: [{ kind: 'bleed-resistor', circuitId: circuit.id, piece }],
      }),
      why: `${sensed.known ? '' : 'Needed only if a control unit reads the wire; without one it does no harm. '}At most ${ohms(maxOhms)} holds the wire down; ${watts(pressedWatts)} while pressed.`,
    },
  ];
}
