import type { CircuitVerdict } from '../../../core/judge/verdict.ts';
import { reasonOf } from '../../../core/words/verdicts.ts';
import { useDesk } from '../../job/workspace.ts';

/** Why a circuit’s verdict is what it is. Loaded once there is a verdict: the first load needs no sentence of it. */
export function Reason({ verdict }: { verdict: CircuitVerdict }) {
  const { vehicle } = useDesk().job;
  return <>{reasonOf(vehicle, verdict)} Computed from the rated bulbs and the wiring.</>;
}
