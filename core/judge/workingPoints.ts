import type { SystemVolts } from '../model/fields.ts';

export interface WorkingPoint {
  id: 'tired' | 'rested' | 'test' | 'charging';
  /** battery EMF, V */
  volts: number;
  label: string;
}

const TWELVE_VOLT_POINTS: readonly WorkingPoint[] = [
  { id: 'tired', volts: 11.8, label: 'engine off, tired battery' },
  { id: 'rested', volts: 12.6, label: 'engine off, rested battery' },
  { id: 'test', volts: 13.5, label: 'test voltage of the bulb standard' },
  { id: 'charging', volts: 14.4, label: 'engine running, charging' },
];

/** The supply voltages every verdict is given at, lowest first (common practice). */
export function workingPoints(system: SystemVolts): WorkingPoint[] {
  return TWELVE_VOLT_POINTS.map((point) => ({ ...point, volts: point.volts * (system / 12) }));
}

/**
 * Where a supply nobody measured can have been, V: engine off, running, or either where that is not known.
 *
 * @returns the least and the most
 */
export function likelySupply(system: SystemVolts, engine: boolean | null | undefined): [number, number] {
  const at = (id: WorkingPoint['id']) =>
    (TWELVE_VOLT_POINTS.find((point) => point.id === id)?.volts ?? 12) * (system / 12);
  return [engine ? at('test') : at('tired'), engine === false ? at('rested') : at('charging')];
}

/** What bulbs are rated at by the UN standard, and what figures that need one voltage are given at, V. */
export function testVolts(system: SystemVolts): number {
  return 13.5 * (system / 12);
}

/** The highest voltage of normal running, where resistors run hottest, V. */
export function chargingVolts(system: SystemVolts): number {
  return 14.4 * (system / 12);
}
