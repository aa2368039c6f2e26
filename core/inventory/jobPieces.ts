import type { TakenKit } from '../kits/jobKits.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { JobMovement } from '../model/pieces.ts';
import type { FitStep } from '../work/steps/fitStep.ts';
import { partsFitted, takesOf } from '../work/steps/takes.ts';
import type { PickLine } from './pickLine.ts';
import { NO_STOCK, type PartStock, stockOf } from './stock.ts';

/** Who writes a movement down: an id of its own, and now. */
export interface Writing {
  id(): string;
  /** ISO 8601 */
  at: string;
  /** the shelf the pieces are of */
  shelf?: string;
  /** whoever works there */
  by?: string;
}

/** What a job holds of one part. */
export interface Held {
  reserved: number;
  fitted: number;
}

/** What a job holds of every part it has had pieces of, by the part's id. */
export function heldOf({ id, pieces = [] }: Pick<Job, 'id' | 'pieces'>): Map<string, Held> {
  const stock = stockOf(pieces.map((each) => ({ ...each, jobId: id })));
  return new Map([...stock].map(([partId, each]) => [partId, heldIn(each, id)]));
}

function heldIn({ reserved, fitted }: PartStock = NO_STOCK, jobId: string): Held {
  return { reserved: reserved.get(jobId) ?? 0, fitted: fitted.get(jobId) ?? 0 };
}

function add(job: Job, movements: readonly JobMovement[], { shelf, by }: Writing): void {
  const own = { ...(by ? { by } : {}), ...(shelf ? { shelf } : {}) };
  const signed = movements.map((each) => ({ ...each, ...own }));
  if (signed.length > 0) job.pieces = [...(job.pieces ?? []), ...signed];
}

/** Whether a movement is of the shelf somebody stands at; of one nobody named it may be. */
const isHere = ({ shelf }: JobMovement, writing: Writing) =>
  !shelf || !writing.shelf || shelf === writing.shelf;

/**
 * Puts the pieces aside that lines of a pick list have on the shelf and the job does not hold yet.
 *
 * @param job changed in place
 * @returns how many pieces, a count
 */
export function reserveLines(job: Job, lines: readonly PickLine[], writing: Writing): number {
  const held = heldOf(job);
  // What was put aside elsewhere is not put aside here; what is in the vehicle is, wherever it came from.
  const here = heldOf({ ...job, pieces: (job.pieces ?? []).filter((each) => isHere(each, writing)) });
  const movements = lines.flatMap(({ partId, quantity, onShelf }): JobMovement[] => {
    if (partId === null) return [];
    const { reserved = 0 } = here.get(partId) ?? {};
    const { fitted = 0 } = held.get(partId) ?? {};
    const pieces = Math.min(quantity, onShelf) - reserved - fitted;
    return pieces > 0 ? [{ id: writing.id(), partId, at: writing.at, kind: 'reserved', pieces }] : [];
  });
  add(job, movements, writing);
  return movements.reduce((sum, { pieces }) => sum + pieces, 0);
}

/**
 * Gives back what was only put aside, of some parts or of all.
 *
 * @param job changed in place
 */
export function releasePieces(job: Job, writing: Writing, partIds?: ReadonlySet<string>): void {
  add(
    job,
    [...heldOf(job)].flatMap(([partId, { reserved }]): JobMovement[] =>
      reserved > 0 && (!partIds || partIds.has(partId))
        ? [{ id: writing.id(), partId, at: writing.at, kind: 'released', pieces: reserved }]
        : [],
    ),
    writing,
  );
}

/**
 * A job that is put back to stock returns its pieces: what was fitted goes to the shelf, what was put aside is free.
 *
 * @param job changed in place
 */
export function putBackPieces(job: Job, writing: Writing): void {
  releasePieces(job, writing);
  const out = new Map<string, number>();
  for (const { kind, partId, pieces } of job.pieces ?? [])
    if (kind === 'fitted') out.set(partId, (out.get(partId) ?? 0) + pieces);
    else if (kind === 'returned' || kind === 'scrapped') out.set(partId, (out.get(partId) ?? 0) - pieces);
  add(
    job,
    [...out].flatMap(([partId, pieces]): JobMovement[] =>
      pieces > 0 ? [{ id: writing.id(), partId, at: writing.at, kind: 'returned', pieces }] : [],
    ),
    writing,
  );
}

/** Pieces that one step puts into the vehicle or uses up, of parts the shelf has; tubes and pens serve many jobs. */
export function piecesOf(job: Job, shelf: Shelf, kits: readonly TakenKit[], step: FitStep) {
  const parts = partsFitted(step, shelf, kits);
  const used = takesOf(job, shelf, step).flatMap(({ use, count, once }) => {
    const part = once ? undefined : shelf.find((each) => each.kind === 'consumable' && each.use === use);
    return part ? [{ partId: part.id, pieces: Math.ceil(count) }] : [];
  });
  return [...parts, ...used];
}

/**
 * A step is done: its pieces are in the vehicle, each with its batch and its place. A step that is told done twice fits its
 * pieces once.
 *
 * @param job changed in place
 * @param batchOf order or batch of the next piece of a part
 */
export function fitPieces(
  job: Job,
  step: Pick<FitStep, 'id'>,
  pieces: readonly { partId: string; pieces: number }[],
  batchOf: (partId: string) => string | undefined,
  writing: Writing,
): void {
  const there = fittedAt(job, step.id);
  add(
    job,
    pieces.flatMap(({ partId, pieces: count }): JobMovement[] => {
      const missing = count - (there.get(partId) ?? 0);
      const batch = batchOf(partId);
      return missing > 0
        ? [
            {
              id: writing.id(),
              partId,
              at: writing.at,
              kind: 'fitted',
              pieces: missing,
              place: step.id,
              ...(batch ? { batch } : {}),
            },
          ]
        : [];
    }),
    writing,
  );
}

/**
 * A step is not done after all: its pieces are on the shelf again.
 *
 * @param job changed in place
 */
export function unfitPieces(job: Job, step: Pick<FitStep, 'id'>, writing: Writing): void {
  add(
    job,
    [...fittedAt(job, step.id)].flatMap(([partId, pieces]): JobMovement[] =>
      pieces > 0
        ? [{ id: writing.id(), partId, at: writing.at, kind: 'returned', pieces, place: step.id }]
        : [],
    ),
    writing,
  );
}

/** What stands fitted at one step, pieces by part. */
function fittedAt({ pieces = [] }: Job, place: string): Map<string, number> {
  const there = new Map<string, number>();
  for (const each of pieces) {
    if (each.place !== place) continue;
    const sign = each.kind === 'fitted' ? 1 : each.kind === 'returned' || each.kind === 'scrapped' ? -1 : 0;
    there.set(each.partId, (there.get(each.partId) ?? 0) + sign * each.pieces);
  }
  return there;
}
