import type { Circuit } from '../model/vehicle/circuit.ts';
import { CONTROLS_OFF, type Controls, INSIDE_SWITCH } from './controls.ts';

/** A resistor that is only being thought about: across one lamp, or at the head of each lit side. */
export interface Trial {
  ohms: number;
  at: { lampId: string } | 'side-feed';
}

/** What is asked of a vehicle in one moment: switches, supply, and what is only supposed. */
export interface Moment {
  controls: Controls;
  /** battery EMF, V */
  emfVolts: number;
  /** whether what flashes is in the lit part of its flash; it is where left out */
  lit?: boolean;
  /** by how much every load resistor is off its printed ohms; 1 where left out */
  resistorFactor?: number;
  /** a lamp whose bulb is taken out */
  without?: string | undefined;
  trial?: Trial | undefined;
}

/** How the driver's panel stands when a circuit is on. */
export function controlsFor({ kind, side, workedBy }: Pick<Circuit, 'kind' | 'side' | 'workedBy'>): Controls {
  const on = { ...CONTROLS_OFF, key: 'on' as const };
  switch (kind) {
    case 'turn':
      return { ...on, turn: side };
    case 'stop':
    case 'third-brake':
      return { ...on, brake: true };
    case 'reverse':
      return { ...on, reverse: true };
    case 'front-fog':
    case 'rear-fog':
      return { ...on, lights: true, fog: true };
    case 'main-beam':
      return { ...on, lights: true, mainBeam: true };
    case 'interior':
      return { ...on, [INSIDE_SWITCH[workedBy ?? 'door']]: true };
    case 'cornering':
      return { ...on, lights: true, turn: side };
    case 'work':
      return { ...on, work: true };
    case 'beacon':
      return { ...on, beacon: true };
    case 'daytime-running':
      return on;
    case 'charge':
      return on;
    default:
      return { ...on, lights: true };
  }
}
