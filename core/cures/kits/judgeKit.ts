import { kitChange, takeVariant } from '../../kits/jobKits.ts';
import type { Job } from '../../model/job.ts';
import type { KitVariant } from '../../model/kit.ts';
import type { KitPart, Shelf } from '../../model/part.ts';
import { type BoardRow, cureBoard } from '../board/board.ts';

/** What the judge thinks of a variant on one vehicle. */
export interface KitVerdict {
  /** of the whole vehicle with it */
  state: BoardRow['cured']['state'];
  /** the circuits its resistors are on, each with what it then does and what decides */
  rows: readonly BoardRow[];
}

/**
 * A variant's resistors and lamps judged on this vehicle as if they were planned: the sheet prescribes, the circuit decides.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function judgeKit(job: Job, shelf: Shelf, part: KitPart, variant: KitVariant): KitVerdict {
  const change = kitChange(job, shelf, part, variant);
  const planned = structuredClone(job);
  takeVariant(planned, part, variant, change);
  const board = cureBoard(planned, shelf);
  const touched = new Set(Object.keys(change.cures));
  return {
    state: board.state,
    rows: board.rows.filter(({ circuitIds }) => circuitIds.some((id) => touched.has(id))),
  };
}
