import { Button } from '@mantine/core';
import type { WholeLampPart } from '../../../core/model/part.ts';
import { noteModel } from '../../../core/vehicle/wholeLampFits.ts';
import { useDesk } from '../../job/workspace.ts';
import { putParts, undoShelf } from '../../store/shelf.ts';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';

/** Held against the old lamp, it fits: written on the shelf, so that nobody has to look again. */
export function NoteFit({ part }: { part: WholeLampPart }) {
  const { vehicle } = useDesk().job;
  const note = async () => {
    try {
      const change = await putParts([noteModel(part, vehicle)]);
      offerUndo(`${part.code} fits a ${vehicle.model}, ${vehicle.year}`, () => undoShelf(change));
    } catch (error) {
      tellTrouble(error as Error);
    }
  };
  return (
    <Button variant="default" onClick={note} disabled={vehicle.model.trim() === ''}>
      I looked: it fits
    </Button>
  );
}
