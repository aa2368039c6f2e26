import { volts } from '../../formatting/format.ts';
import { CONTROLS_OFF } from '../../simulation/controls.ts';
import { chargingVolts } from '../workingPoints.ts';
import type { Finding } from './finding.ts';
import type { Scene } from './scene.ts';

/** With the pedal up the unit's pull-up must find the wire tied to earth, resistors at the high end of theirs too. */
export function senseRequirement({ vehicle, circuit, fitted, tolerance }: Scene): Finding[] {
  const { sense } = circuit;
  if (!sense) return [];
  const held = fitted.simulation
    .at(
      {
        controls: { ...CONTROLS_OFF, key: 'on' },
        emfVolts: chargingVolts(vehicle.systemVolts),
        resistorFactor: 1 + tolerance,
      },
      [circuit.id],
    )
    .busVolts(circuit.id);
  return held > sense.heldUnderVolts
    ? [
        {
          requirement: 'sense',
          state: 'falls-short',
          text: `${sense.what}: ${volts(held)} on the wire with the pedal up, where it must be under ${volts(sense.heldUnderVolts)}. A bleed resistor, or one filament left in, cures it.`,
        },
      ]
    : [];
}
