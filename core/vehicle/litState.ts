import type { Side } from '../model/vehicle/lamp.ts';

/** What else is on while the turn lamps are lit. */
export interface Company {
  /** the parking lights */
  lights: boolean;
  brake: boolean;
}

export const ALONE: Company = { lights: false, brake: false };

/** One steady lit moment of the turn circuits. Where nothing is said of lights and brake they are off. */
export interface LitState extends Partial<Company> {
  /** battery EMF, V */
  emfVolts: number;
  sides: readonly Side[];
  /** by how much every load resistor is off its printed ohms; 1 where left out */
  resistorFactor?: number;
  /** a lamp whose bulb is taken out */
  without?: string;
  /** a resistor that is only being thought about: across one lamp, or at the head of each lit side */
  trial?: { ohms: number; at: { lampId: string } | 'side-feed' };
}
