import type { LampInput } from '../model/vehicle/lamp.ts';
import type { Fault } from '../simulation/fault.ts';
import type { Fitment } from '../simulation/fitment.ts';

/**
 * How large faults are that have a size, ohms: as typical, and the smallest and largest that are looked for (from memory
 * of what meters show at bad contacts; an LED draws a tenth of a bulb, and feels ten times the ohms).
 */
const AT_BULB = { typical: 4, from: 1.5, to: 40 };
const AT_LED = { typical: 150, from: 25, to: 3000 };
const AT_POINT = { typical: 12, from: 3, to: 120 };
const IN_CARRIER = { typical: 4, from: 1.2, to: 30 };
const LEAK = { typical: 6000, from: 15_000, to: 1500 };
const WRONG_VALUE = { typical: 4, from: 2.5, to: 10 };

interface Sizes {
  typical: number;
  from: number;
  to: number;
}

/** Ohms a contact or earth at one feed of a lamp has where it is bad: more at an LED, which shows less of them. */
export function contactSizes({ contents }: Fitment, lampId: string): Sizes {
  return contents.get(lampId)?.kind === 'led' ? AT_LED : AT_BULB;
}

export const EARTH_POINT_OHMS = AT_POINT.typical;
export const CARRIER_OHMS = IN_CARRIER.typical;
export const LEAK_OHMS = LEAK.typical;
export const WRONG_VALUE_FACTOR = WRONG_VALUE.typical;

/** A poor contact of the size it typically has at what is in a lamp. */
export function poorContact(fitment: Fitment, lampId: string, input: LampInput): Fault {
  return { kind: 'poor-contact', lampId, input, ohms: contactSizes(fitment, lampId).typical };
}

/** A lamp's own bad earth, of the size it typically has there. */
export function poorEarth(fitment: Fitment, lampId: string): Fault {
  return { kind: 'poor-earth', lampId, ohms: contactSizes(fitment, lampId).typical };
}

/**
 * A fault at some share between its smallest and its largest size, by equal factors; itself where it has none.
 *
 * @param share 0 the smallest, 1 the largest
 */
export function atSize(fault: Fault, fitment: Fitment, share: number): Fault {
  const between = ({ from, to }: Sizes) => from * (to / from) ** share;
  switch (fault.kind) {
    case 'poor-contact':
    case 'poor-earth':
      return { ...fault, ohms: between(contactSizes(fitment, fault.lampId)) };
    case 'bad-earth':
      return { ...fault, ohms: between(AT_POINT) };
    case 'corroded-carrier':
      return { ...fault, ohms: between(IN_CARRIER) };
    case 'leakage':
      return { ...fault, ohms: between(LEAK) };
    case 'resistor-value':
      return { ...fault, factor: between(WRONG_VALUE) };
    default:
      return fault;
  }
}

/**
 * A fault as small and as large as it is looked for, and of what lamps share in between too: there one lamp feeds back
 * through another most at neither end. Itself alone where it has no size.
 */
export function sizesOf(fault: Fault, fitment: Fitment): readonly Fault[] {
  const small = atSize(fault, fitment, 0);
  if (small === fault) return [fault];
  const shared = fault.kind === 'bad-earth' || fault.kind === 'corroded-carrier';
  return [small, ...(shared ? [atSize(fault, fitment, 0.5)] : []), atSize(fault, fitment, 1)];
}
