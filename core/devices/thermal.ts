import type { Element } from '../circuit/engine/netlist.ts';

/** A thermal flasher as its maker means it to run. */
export interface ThermalFlasherRating {
  /** current of all lamps lit and warm, A */
  ratedAmps: number;
  /** flashes a minute at that current */
  ratePerMinute: number;
  /** share of each period its contact is closed */
  onFraction: number;
  contactOhms: number;
}

/**
 * Where the bimetal closes again, in units of where it opens. Sets how sharply the rate follows the load:
 * nearer to 1 is livelier (typical, fitted to "one bulb of two missing and it stays on").
 */
const CLOSES_AT = 0.6;

/**
 * By how much the inrush of cold filaments speeds up a flasher that is rated on a steady load of the same current
 * (fitted on two signal bulbs a side, in simulation).
 */
export const LAMP_INRUSH_SPEEDS_UP = 1.18;

/**
 * A thermal flasher as a circuit element. Off, it cools from 1 to `CLOSES_AT`, which fixes its time
 * constant; on, the rated current must warm it back in the rated time, which fixes the current it needs
 * to open at all. The rating is that of a steady load: the inrush of cold filaments warms it sooner, so on
 * bulbs it runs faster than on a resistor of the same current.
 *
 * @throws RangeError when the on-fraction leaves no time to warm or to cool
 */
export function thermalFlasher(rating: ThermalFlasherRating, id: string, a: string, b: string): Element {
  const { ratedAmps, ratePerMinute, onFraction, contactOhms } = rating;
  if (!(onFraction > 0.05 && onFraction < 0.95)) {
    throw new RangeError(`an on-fraction of ${onFraction} leaves no time to warm or to cool`);
  }
  const period = 60 / ratePerMinute;
  const timeConstant = (period * (1 - onFraction)) / Math.log(1 / CLOSES_AT);
  const share = Math.exp((period * onFraction) / timeConstant);
  // (target − closesAt) / (target − 1) = share, solved for the warmth the rated current would end at.
  const target = (share - CLOSES_AT) / (share - 1);
  return {
    kind: 'thermal-flasher',
    id,
    a,
    b,
    closedOhms: contactOhms,
    holdAmps: ratedAmps / Math.sqrt(target),
    closesAt: CLOSES_AT,
    timeConstant,
  };
}
