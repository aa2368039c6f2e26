import { signalFilament } from '../catalogue/bulbs.ts';
import { Filament } from '../circuit/filament.ts';
import type { Bulb } from '../model/bulb.ts';
import { lastThat } from '../numerics/rootFinding.ts';

/** A lamp counts as lit from this share of its light on (typical of what studies of reaction take). */
const LIT_SHARE = 0.9;
/** Lead and switch before a bulb (typical), ohms. */
const SOURCE_OHMS = 0.1;
/** No signal filament takes longer, s. */
const LONGEST = 3;

/**
 * How much sooner an LED is lit than the filament it replaces, s: the time that the filament takes from cold to nine
 * tenths of its light. An LED on a plain ballast needs under a millisecond, which is left out.
 *
 * @param emfVolts at the bulb's feed
 */
export function leadSeconds(bulb: Bulb, emfVolts: number): number {
  const filament = new Filament(signalFilament(bulb));
  const settled = filament.lightAt(filament.warmedKelvin(emfVolts, SOURCE_OHMS, 20));
  const lit = (seconds: number) => filament.lightAt(filament.warmedKelvin(emfVolts, SOURCE_OHMS, seconds));
  return lastThat((seconds) => lit(seconds) < LIT_SHARE * settled, 0, LONGEST);
}

/** How far a vehicle goes in some seconds, m. */
export function metresIn(seconds: number, kilometresPerHour: number): number {
  return (seconds * kilometresPerHour) / 3.6;
}
