import { useNavigate } from 'react-router';
import type { Side } from '../../core/model/vehicle/lamp.ts';
import { STOPS } from '../../core/order/stops.ts';
import { useKeys } from '../app/useKeys.ts';
import { switchesOf } from './plan/switches.ts';
import type { Workspace } from './workspace.ts';

const NEXT_KEY = { off: 'on', on: 'running', running: 'off' } as const;

/** What the key does when it is turned one notch. */
export function turnKey({ controls, setControls }: Pick<Workspace, 'controls' | 'setControls'>): void {
  setControls({ key: NEXT_KEY[controls.key] });
}

/** The stalk: pressing the side it stands at puts it back. */
export function moveStalk(
  { controls, setControls }: Pick<Workspace, 'controls' | 'setControls'>,
  side: Side,
): void {
  const turn = controls.turn === side ? null : side;
  // A stalk does nothing with the key off; whoever moves it wants to see the lamps.
  setControls(turn !== null && controls.key === 'off' ? { turn, key: 'on' } : { turn });
}

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
    ...STOPS.map((stop, index): [string, () => void] => [
      String(index + 1),
      () => {
        navigate(`/jobs/${job.id}/${stop}`);
      },
    ]),
  ]);
}
