import type { Side } from '../model/vehicle/lamp.ts';

/** One steady lit moment of the turn circuits. */
export interface LitState {
  /** battery EMF, V */
  emfVolts: number;
  sides: readonly Side[];
  /** whether the parking lights are on too */
  lights?: boolean;
  /** by how much every load resistor is off its printed ohms; 1 where left out */
  resistorFactor?: number;
  /** a lamp whose bulb is taken out */
  without?: string;
  /** a resistor that is only being thought about: across one lamp, or at the head of each lit side */
  trial?: { ohms: number; at: { lampId: string } | 'side-feed' };
}
