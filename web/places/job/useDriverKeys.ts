import { useNavigate } from 'react-router';
import { STAGES } from '../../../core/work/stages.ts';
import { moveStalk, turnKey } from '../../job/plan/driverControls.ts';
import { switchesOf } from '../../job/plan/switches.ts';
import type { Workspace } from '../../job/workspace.ts';
import { useKeys } from '../../ui/useKeys.ts';

/** The keys of the job screen; they rest while somebody types. */
export function useDriverKeys(workspace: Workspace): void {
  const navigate = useNavigate();
  const { job, lamp, controls, setControls, selectLamp } = workspace;
  const step = (by: number) => () => {
    const { lamps } = job.vehicle;
    const now = lamps.findIndex((each) => each.id === lamp?.id);
    const next = lamps[(now + by + lamps.length + (now < 0 && by < 0 ? 1 : 0)) % lamps.length];
    if (next) selectLamp(next.id);
  };
  useKeys([
    ['K', () => turnKey(workspace)],
    ['L', () => moveStalk(workspace, 'left')],
    ['R', () => moveStalk(workspace, 'right')],
    ...switchesOf(job.vehicle).map(({ letter, control }): [string, () => void] => [
      letter,
      () => setControls({ [control]: !controls[control] }),
    ]),
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
