import { circuitsOf } from '../model/vehicle/lookUp.ts';
import { isOn } from '../simulation/bearing.ts';
import type { Fitment } from '../simulation/fitment.ts';
import type { Showing, Sizes, Worked } from './faultKind.ts';
import { isLed } from './leds.ts';
import { AT_LAMP } from './sites.ts';

/** Ohms of a bad contact or earth (from memory of what meters show): an LED draws a tenth of a bulb, and feels ten times the ohms. */
const AT_BULB = { typical: 4, from: 1.5, to: 40 };
const AT_LED = { typical: 150, from: 25, to: 3000 };

/** Ohms a contact or earth at one lamp has where it is bad. */
export function contactSizes(fitment: Fitment, lampId: string): Sizes {
  return isLed(fitment, lampId) ? AT_LED : AT_BULB;
}

/** A contact or earth that is bad comes and goes while it shakes (common practice: no steady state shows it). */
export function comesAndGoes(lampIds: readonly string[], { vehicle, controls }: Worked): Showing {
  const lit = lampIds.filter((id) => circuitsOf(vehicle, id).some((circuit) => isOn(circuit, controls)));
  return { sure: [], maybe: lit.map((id) => `${id} flickers` as const) };
}

/** In the contacts of one lamp, or of its earth. */
export const BAD_CONTACT = {
  ...AT_LAMP,
  place: ({ lampId }: { lampId: string }) => `contacts:${lampId}`,
  shows: ({ lampId }: { lampId: string }, worked: Worked) => comesAndGoes([lampId], worked),
} as const;
