import { mirrorCure } from '../../../core/cures/loadResistor/mirrorCure.ts';
import type { LoadResistorCure } from '../../../core/model/cures.ts';
import { turnAcross, turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import { useDesk } from '../../job/workspace.ts';

/** Puts a cure on the side in hand and its mirror image on the other, as one edit. */
export function useChooseCure(): (cure: LoadResistorCure | null, name: string) => void {
  const { job, circuit, edit, setConfiguration } = useDesk();
  return (cure, name) => {
    edit(name, (draft) => {
      for (const each of turnCircuits(job.vehicle)) {
        if (cure === null) {
          // The other outputs of a side keep what they have.
          const across = turnAcross(job.vehicle, circuit);
          if (each.id === circuit.id || each.id === across?.id) delete draft.cures[each.id];
        } else if (each.id === circuit.id) draft.cures[each.id] = cure;
        else {
          const mirrored = mirrorCure(job.vehicle, cure, each);
          if (mirrored) draft.cures[each.id] = mirrored;
        }
      }
    });
    setConfiguration(cure === null ? 'leds' : 'cured');
  };
}
