import type { Element } from '../circuit/engine/netlist.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';

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
const LAMP_INRUSH_SPEEDS_UP = 1.18;

/**
 * A thermal flasher as a circuit element. Off, it cools from 1 to `CLOSES_AT`, which fixes its time
 * constant; on, the rated current must warm it back in the rated time, which fixes the current it needs
 * to open at all. The rating is that of a steady load: the inrush of cold filaments warms it sooner, so on
 * bulbs it runs faster than on a resistor of the same current.
 *
 * @throws RangeError when the on-fraction leaves no time to warm or to cool
 */
export function thermalFlasher(
  rating: ThermalFlasherRating,
  id: string,
  a: string,
  b: string,
): Extract<Element, { kind: 'thermal-flasher' }> {
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

/** The rating of a thermal flasher of a vehicle, which is rated on its bulbs. */
export function ratingOnBulbs(flasher: Extract<Flasher, { kind: 'thermal' }>): ThermalFlasherRating {
  const { ratedAmps, normalRate, onFraction, contactOhms } = flasher;
  return { ratedAmps, ratePerMinute: normalRate / LAMP_INRUSH_SPEEDS_UP, onFraction, contactOhms };
}

/** Moments after it closes at which what flows is asked for, s: filaments warm within the first quarter second. */
const ASKED_AT = [0.004, 0.015, 0.035, 0.07, 0.12, 0.2, 0.35, 0.8] as const;
const STEP = 0.001;
/** What has not opened by then stays on, s. */
const PATIENCE = 6;

/**
 * Flashes a minute of a thermal flasher under a load that draws more at first than later, by its heat step by step; 0 where
 * it stays on.
 *
 * @param ampsAt what flows so many seconds after it closed, A
 * @throws RangeError when the on-fraction leaves no time to warm or to cool
 */
export function thermalRate(rating: ThermalFlasherRating, ampsAt: (seconds: number) => number): number {
  const { holdAmps, closesAt, timeConstant } = thermalFlasher(rating, '', '', '');
  const squares = ASKED_AT.map((seconds) => (ampsAt(seconds) / holdAmps) ** 2);
  const warmth = (seconds: number) => {
    const next = ASKED_AT.findIndex((each) => each >= seconds);
    if (next < 0) return squares.at(-1) ?? 0;
    if (next === 0) return squares[0] ?? 0;
    const [from = 0, to = 0] = [ASKED_AT[next - 1], ASKED_AT[next]];
    const share = (seconds - from) / (to - from);
    return (squares[next - 1] ?? 0) * (1 - share) + (squares[next] ?? 0) * share;
  };
  let heat = closesAt;
  let seconds = 0;
  while (heat < 1) {
    heat += ((warmth(seconds) - heat) * STEP) / timeConstant;
    seconds += STEP;
    if (seconds > PATIENCE) return 0;
  }
  return 60 / (seconds + timeConstant * Math.log(1 / closesAt));
}
