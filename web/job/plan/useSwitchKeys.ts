import { useKeys } from '../../ui/useKeys.ts';
import type { Workspace } from '../workspace.ts';
import { moveStalk, turnKey } from './driverControls.ts';
import { switchesOf } from './switches.ts';

/** The keys of the driver's panel; they rest while somebody types. */
export function useSwitchKeys(workspace: Pick<Workspace, 'job' | 'controls' | 'setControls'>): void {
  const { job, controls, setControls } = workspace;
  useKeys([
    ['K', () => turnKey(workspace)],
    ['L', () => moveStalk(workspace, 'left')],
    ['R', () => moveStalk(workspace, 'right')],
    ...switchesOf(job.vehicle).map(({ letter, control }): [string, () => void] => [
      letter,
      () => setControls({ [control]: !controls[control] }),
    ]),
  ]);
}
