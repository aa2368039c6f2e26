import type { WireRun } from '../model/fields.ts';

/** Resistivity of annealed copper at 20 °C, Ω·mm²/m (IEC 60028, from memory). */
export const COPPER_OHM_MM2_PER_M = 1 / 58;
/** Its temperature coefficient at 20 °C, per kelvin (IEC 60028, from memory). */
export const COPPER_PER_KELVIN = 0.00393;

/** Resistance of a run of copper wire, ohms; `celsius` is the conductor's temperature. */
export function wireOhms(run: WireRun, celsius = 20): number {
  return ((COPPER_OHM_MM2_PER_M * run.lengthM) / run.areaMm2) * (1 + COPPER_PER_KELVIN * (celsius - 20));
}
