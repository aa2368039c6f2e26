import type { CureReport } from '../../../core/cures/compare/evaluate.ts';
import type { CureScope } from '../../../core/cures/compare/scope.ts';
import { withCure } from '../../../core/cures/compare/withCure.ts';
import { useDesk } from '../../job/workspace.ts';

/** Takes a cure that was tried, in the place of whatever cure its circuits had; one step to undo. */
export function useTakeCure(scope: CureScope): (report: CureReport) => void {
  const { edit, setConfiguration } = useDesk();
  return ({ option }) => {
    const { change } = option;
    if (!change) return;
    edit(option.name, (draft) => {
      // Of the job as it is now, not as it was when this was worked out.
      const { chosen, cures, vehicleCures } = withCure(draft, change, scope);
      draft.chosen = chosen;
      draft.cures = cures;
      draft.vehicleCures = vehicleCures;
    });
    setConfiguration(option.kinds.includes('nothing') ? 'leds' : 'cured');
  };
}
