/** How long something lasted, as far as anybody knows. */
export interface Life {
  /** its age when it was first watched: 0 where it was from the beginning, days */
  from: number;
  /** its age when it ended, or when it was last known to be in, days */
  until: number;
  /** it failed; false where it is still in, or was taken out for another reason */
  ended: boolean;
}

/** One step of the curve. */
export interface SurvivalStep {
  /** age, in the unit of the lives */
  at: number;
  atRisk: number;
  ended: number;
  /** share that lasts longer than this */
  survival: number;
  /** standard error of it by Greenwood's formula */
  error: number;
  /** 95 % limits, by Greenwood's formula on the log-log scale: they stay between 0 and 1 */
  low: number;
  high: number;
}

/** Half-width of 95 % of a bell curve, standard deviations. */
const NORMAL_95 = 1.959_963_985;

/**
 * The share of lives that last longer than each age, by Kaplan and Meier (1958): at each age at which one ended, those that
 * ended over those that were in and watched just before. What is still in, or was taken out for another reason, counts until
 * then; what came under watch late counts from then on. Limits by Greenwood (1926) on the log-log scale (Kalbfleisch and
 * Prentice).
 *
 * @param lives ages in one unit, days here
 * @returns a step for each age at which one ended, in order
 */
export function survivalOf(lives: readonly Life[]): SurvivalStep[] {
  // Counted along one walk over the ages: those who came under watch, and those who went, before each.
  const watched = lives.filter(({ from, until }) => from <= until);
  const came = Float64Array.from(watched, ({ from }) => from).toSorted();
  const went = Float64Array.from(watched, ({ until }) => until).toSorted();
  const ends = new Map<number, number>();
  for (const { from, until, ended } of lives)
    if (ended && from < until) ends.set(until, (ends.get(until) ?? 0) + 1);
  const steps: SurvivalStep[] = [];
  let [survival, sum, under, gone] = [1, 0, 0, 0];
  for (const [at, ended] of [...ends].toSorted(([a], [b]) => a - b)) {
    while (under < came.length && (came[under] as number) < at) under += 1;
    while (gone < went.length && (went[gone] as number) < at) gone += 1;
    const atRisk = under - gone;
    survival *= 1 - ended / atRisk;
    sum += atRisk > ended ? ended / (atRisk * (atRisk - ended)) : 0;
    const error = survival * Math.sqrt(sum);
    const [low, high] = limits(survival, sum);
    steps.push({ at, atRisk, ended, survival, error, low, high });
  }
  return steps;
}

function limits(survival: number, sum: number): [low: number, high: number] {
  if (survival <= 0) return [0, 0];
  if (survival >= 1) return [1, 1];
  const width = (NORMAL_95 * Math.sqrt(sum)) / Math.abs(Math.log(survival));
  return [survival ** Math.exp(width), survival ** Math.exp(-width)];
}

/** The age half of the lives outlast, in the unit of the lives; null where more than half still do. */
export function medianLife(steps: readonly SurvivalStep[]): number | null {
  return steps.find(({ survival }) => survival <= 0.5)?.at ?? null;
}
