import { useMemo } from 'react';
import { type LedCriterion, type LedWeights, weightsFor } from '../../../core/choose/rank.ts';
import type { Aim } from '../../../core/model/job.ts';
import { readWeights, useKept } from '../../store/kept.ts';

/** What matters in an LED: what the aim of the job asks for, until the user weighs otherwise for that aim. */
export function useLedWeights(aim: Aim | null | undefined) {
  const [kept, setKept] = useKept<Partial<LedWeights>>(`led-weights-${aim ?? 'none'}`, {}, readWeights);
  const weights = useMemo(() => ({ ...weightsFor(aim), ...kept }), [aim, kept]);
  return {
    weights,
    weigh: (criterion: LedCriterion, weight: number) => setKept((now) => ({ ...now, [criterion]: weight })),
    reset: () => setKept({}),
  };
}
