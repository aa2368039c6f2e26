import { useMemo } from 'react';
import type { CureReport } from '../../../core/cures/compare/evaluate.ts';
import {
  type Criterion,
  DEFAULT_WEIGHTS,
  type RankedCure,
  rankCures,
  type Weights,
} from '../../../core/cures/compare/rank.ts';
import { readWeights, useKept } from '../../store/kept.ts';

/** Cures in the order of the user's own weights. */
export interface Ranking {
  ranked: readonly RankedCure[];
  weights: Weights;
  weigh(criterion: Criterion, weight: number): void;
  /** as the trade mostly weighs */
  reset(): void;
}

/** Ranks reports by weights that are kept in this browser. */
export function useRanking(reports: readonly CureReport[] | undefined): Ranking {
  const [kept, setKept] = useKept<Partial<Weights>>('cure-weights', DEFAULT_WEIGHTS, readWeights);
  const weights = useMemo(() => ({ ...DEFAULT_WEIGHTS, ...kept }), [kept]);
  const ranked = useMemo(() => rankCures(reports ?? [], weights), [reports, weights]);
  return {
    ranked,
    weights,
    weigh: (criterion, weight) => setKept((now) => ({ ...DEFAULT_WEIGHTS, ...now, [criterion]: weight })),
    reset: () => setKept(DEFAULT_WEIGHTS),
  };
}
