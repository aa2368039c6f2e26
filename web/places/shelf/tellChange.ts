import { type ShelfChange, undoShelf } from '../../store/shelf.ts';
import { offerUndo } from '../../ui/offerUndo.tsx';

/** A change of the shelf may touch hundreds of parts: it can be taken back for longer. */
const UNDO_FOR = 12_000;

/** Says what was done to the shelf, and offers to take it back. */
export function tellChange(title: string, change: ShelfChange): void {
  offerUndo(title, () => undoShelf(change), UNDO_FOR);
}
