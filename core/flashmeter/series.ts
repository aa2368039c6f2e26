/** A quantity as it was recorded: the brightness of a patch, a voltage, a current. */
export interface Series {
  /** moments, s, ascending, not necessarily even */
  at: Float64Array;
  /** in any unit: only its two levels matter */
  values: Float64Array;
}

/** Middle of the times from one sample to the next, s; not a number of fewer than two. */
export function usualStep({ at }: Series): number {
  const steps = Float64Array.from({ length: Math.max(0, at.length - 1) }, (_, index) => {
    return (at[index + 1] ?? 0) - (at[index] ?? 0);
  }).sort();
  return steps[steps.length >> 1] ?? Number.NaN;
}

/** A series in stretches of some length, each the mean of what is in it, at the mean of its moments. */
export function averaged(series: Series, seconds: number): Series {
  const at: number[] = [];
  const values: number[] = [];
  let begun = series.at[0] ?? 0;
  let [sumAt, sum, count] = [0, 0, 0];
  const close = () => {
    if (count === 0) return;
    at.push(sumAt / count);
    values.push(sum / count);
    [sumAt, sum, count] = [0, 0, 0];
  };
  for (let index = 0; index < series.at.length; index++) {
    const moment = series.at[index] ?? 0;
    if (moment - begun >= seconds) {
      close();
      begun += seconds * Math.floor((moment - begun) / seconds);
    }
    sumAt += moment;
    sum += series.values[index] ?? 0;
    count += 1;
  }
  close();
  return { at: Float64Array.from(at), values: Float64Array.from(values) };
}
