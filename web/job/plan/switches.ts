import type { CircuitKind, WorkedBy } from '../../../core/model/vehicle/circuit.ts';
import type { Vehicle } from '../../../core/model/vehicle/vehicle.ts';
import type { Controls } from '../../../core/simulation/controls.ts';

export interface PanelSwitch {
  control: Exclude<keyof Controls, 'key' | 'turn'>;
  label: string;
  letter: string;
}

const LIT_BY_LIGHTS: readonly CircuitKind[] = [
  'tail',
  'marker',
  'plate',
  'dash',
  'dipped-beam',
  'main-beam',
  'cornering',
];

/** The switches this vehicle has besides key and stalk, with the key that works each. */
export function switchesOf(vehicle: Vehicle): PanelSwitch[] {
  const has = (...kinds: CircuitKind[]) => vehicle.circuits.some((circuit) => kinds.includes(circuit.kind));
  const opensBy = (by: WorkedBy) =>
    vehicle.circuits.some(({ kind, workedBy = 'door' }) => kind === 'interior' && workedBy === by);
  const stops =
    has('stop', 'third-brake') ||
    vehicle.circuits.some((circuit) => circuit.fullWithBrake || circuit.stopFuseId !== undefined);
  const all: readonly (PanelSwitch & { there: boolean })[] = [
    { control: 'hazard', label: 'Hazard', letter: 'H', there: vehicle.hazardSwitch },
    { control: 'lights', label: 'Lights', letter: 'T', there: has(...LIT_BY_LIGHTS) },
    { control: 'brake', label: 'Brake', letter: 'B', there: stops },
    { control: 'reverse', label: 'Reverse', letter: 'V', there: has('reverse') },
    { control: 'fog', label: 'Fog', letter: 'F', there: has('front-fog', 'rear-fog') },
    { control: 'mainBeam', label: 'Main beam', letter: 'J', there: has('main-beam') },
    { control: 'work', label: 'Work lamps', letter: 'O', there: has('work') },
    { control: 'beacon', label: 'Beacon', letter: 'E', there: has('beacon') },
    { control: 'doors', label: 'Door', letter: 'D', there: opensBy('door') },
    { control: 'lids', label: 'Lids', letter: 'I', there: opensBy('lid') },
    { control: 'lampSwitches', label: 'At lamps', letter: 'S', there: opensBy('lamp-switch') },
    {
      control: 'dimmed',
      label: 'Dim dash',
      letter: 'N',
      there: vehicle.circuits.some((circuit) => circuit.dimmerOhms !== undefined),
    },
  ];
  return all.filter((each) => each.there).map(({ there: _, ...each }) => each);
}
