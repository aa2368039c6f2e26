import type { SimulatedThreshold } from '../model/vehicle/flasher.ts';

/** Steady current of a filament follows about this power of its volts (comes out of `Filament`; tested there). */
const FILAMENT_POWER = 0.54;

/** A simulated watcher's own threshold at a supply voltage, A. */
export function thresholdAt({ amps, atVolts, law }: SimulatedThreshold, emfVolts: number): number {
  const ratio = emfVolts / atVolts;
  switch (law) {
    case 'fixed':
      return amps;
    case 'proportional':
      return amps * ratio;
    case 'filament':
      return amps * ratio ** FILAMENT_POWER;
  }
}
