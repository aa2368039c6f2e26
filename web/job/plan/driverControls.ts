import type { Side } from '../../../core/model/vehicle/lamp.ts';
import type { Workspace } from '../workspace.ts';

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
