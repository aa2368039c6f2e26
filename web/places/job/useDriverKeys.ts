import { useNavigate } from 'react-router';
import { STAGES } from '../../../core/work/stages.ts';
import { useSwitchKeys } from '../../job/plan/useSwitchKeys.ts';
import type { Workspace } from '../../job/workspace.ts';
import { useKeys } from '../../ui/useKeys.ts';

/** The keys of the job screen; they rest while somebody types. */
export function useDriverKeys(workspace: Workspace): void {
  const navigate = useNavigate();
  const { job, lamp, selectLamp } = workspace;
  const step = (by: number) => () => {
    const { lamps } = job.vehicle;
    const now = lamps.findIndex((each) => each.id === lamp?.id);
    const next = lamps[(now + by + lamps.length + (now < 0 && by < 0 ? 1 : 0)) % lamps.length];
    if (next) selectLamp(next.id);
  };
  useSwitchKeys(workspace);
  useKeys([
    ['[', step(-1)],
    [']', step(1)],
    ...STAGES.map((stage, index): [string, () => void] => [
      String(index + 1),
      () => {
        navigate(`/jobs/${job.id}/${stage}`);
      },
    ]),
  ]);
}
