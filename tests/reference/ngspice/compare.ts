import type { VehicleReport } from '../../../core/traces/vehicleReport.ts';

/** What ngspice gave, by the name of each vector. */
export type Vectors = Map<string, readonly number[]>;

/** Worst difference of a report's quantities, 1 being what is allowed. */
export function worstOf(report: VehicleReport, vectors: Vectors): number {
  const { flashing } = report;
  const times = vectors.get('time') ?? [];
  let worst = 0;
  for (const { name, value } of report.quantities) {
    // The .meas line of each name says which vector it looks at; in a steady state the name is the vector.
    const vector = flashing
      ? (new RegExp(`\\.meas tran ${name} FIND (\\S+) AT=(\\S+)`).exec(report.spice) ?? [])
      : [];
    const values = vectors.get(vector[1] ?? name);
    if (!values) throw new Error(`ngspice gave no ${vector[1] ?? name}`);
    const theirs = flashing ? interpolate(times, values, Number(vector[2])) : (values.at(-1) ?? Number.NaN);
    const least = flashing ? 2e-3 : 1e-3;
    worst = Math.max(worst, Math.abs(value - theirs) / Math.max(least, 0.01 * Math.abs(theirs)));
  }
  return worst;
}

/** The value of a vector at a moment, by straight line between two of its points. */
export function interpolate(times: readonly number[], values: readonly number[], seconds: number): number {
  const after = times.findIndex((time) => time >= seconds);
  const [t0, t1] = [times[after - 1] ?? 0, times[after] ?? 0];
  const [v0, v1] = [values[after - 1] ?? 0, values[after] ?? 0];
  return v0 + ((v1 - v0) * (seconds - t0)) / (t1 - t0);
}
