import type { Side } from '../model/vehicle/lamp.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type Bearing, isOn } from './bearing.ts';
import { CONTROLS_OFF } from './controls.ts';
import type { Moment } from './moment.ts';

/** What else is on while a circuit is asked about. */
export interface Company {
  /** the parking lights */
  lights: boolean;
  brake: boolean;
  /** of a circuit that does otherwise while its own side turns: it does */
  turning?: boolean;
}

export const ALONE: Company = { lights: false, brake: false };

/** One lit moment of the turn circuits. Where nothing is said of lights and brake they are off. */
export interface LitState
  extends Partial<Company>,
    Pick<Moment, 'emfVolts' | 'resistorFactor' | 'without' | 'trial'> {
  sides: readonly Side[];
  /** so long after they came on in the rhythm of their flasher, s; settled where left out */
  lookSeconds?: number | undefined;
}

/** The moment of a vehicle that a lit state is. */
export function momentOf({
  sides,
  lights = false,
  brake = false,
  emfVolts,
  resistorFactor,
  without,
  trial,
}: LitState): Moment {
  return {
    controls: {
      ...CONTROLS_OFF,
      key: 'on',
      lights,
      brake,
      hazard: sides.length > 1,
      turn: sides[0] ?? null,
    },
    emfVolts,
    ...(resistorFactor === undefined ? {} : { resistorFactor }),
    without,
    trial,
  };
}

/**
 * Everything that may be on beside some circuits and bears on them, nothing first and all of it last: what shares
 * neither bulb nor earth with them makes no difference.
 *
 * @param about the turn circuits where left out
 */
export function companiesOf(
  vehicle: Vehicle,
  bearing: Bearing,
  about: readonly string[] = turnCircuits(vehicle).map((circuit) => circuit.id),
): readonly Company[] {
  const near = bearing.together(about);
  const others = vehicle.circuits.filter((circuit) => near.has(circuit.id) && !about.includes(circuit.id));
  const turnsToo = vehicle.circuits.filter((circuit) => about.includes(circuit.id));
  const bears = (company: Company) =>
    [...others, ...turnsToo].some((circuit) => isOn(circuit, { ...CONTROLS_OFF, ...company }));
  const lights = bears({ lights: true, brake: false });
  const brake = bears({ lights: false, brake: true });
  return [
    ALONE,
    ...(lights ? [{ lights: true, brake: false }] : []),
    ...(brake ? [{ lights: false, brake: true }] : []),
    ...(lights && brake ? [{ lights: true, brake: true }] : []),
  ];
}
