/** kT/q at 27 °C, V, as SPICE takes it. */
export const THERMAL_VOLTS = 0.025864;
/** Conductance SPICE lays across every junction, S. */
export const JUNCTION_SIEMENS = 1e-12;

export interface JunctionModel {
  saturationAmps: number;
  emission: number;
}

/** Forward volts of a junction at a current. */
export function forwardVolts({ saturationAmps, emission }: JunctionModel, amps: number): number {
  return emission * THERMAL_VOLTS * Math.log(amps / saturationAmps + 1);
}

/** The emission coefficient that gives a string of LEDs its forward volts at a current. */
export function emissionFor(saturationAmps: number, volts: number, amps: number): number {
  return volts / (THERMAL_VOLTS * Math.log(amps / saturationAmps + 1));
}

/**
 * Keeps a junction's Newton step where its exponential can still be trusted: the rule SPICE calls
 * pnjlim (Nagel 1975). Returns the voltage at which to draw the next tangent.
 */
export function limitJunction(
  next: number,
  last: number,
  { saturationAmps, emission }: JunctionModel,
): number {
  const scale = emission * THERMAL_VOLTS;
  const critical = scale * Math.log(scale / (Math.SQRT2 * saturationAmps));
  if (next <= critical || Math.abs(next - last) <= 2 * scale) return next;
  if (last > 0) {
    const step = 1 + (next - last) / scale;
    return step > 0 ? last + scale * Math.log(step) : critical;
  }
  return scale * Math.log(Math.max(next / scale, 1e-12));
}
