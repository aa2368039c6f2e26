import { cureKind } from './cureKinds/kinds.ts';
import type { VehicleCure } from './cures.ts';
import type { Evidence } from './evidence.ts';
import type { Job } from './job.ts';
import type { Part, Shelf } from './part.ts';
import { PART_KINDS } from './partKinds.ts';
import { standing } from './seen.ts';

/** One place of a job that names a part of the shelf. */
export interface PartReference {
  partId: string;
  /** where it stands, as the file writes it */
  where: string;
  /** kinds of part that may stand there */
  kinds: readonly Part['kind'][];
  /** whether nothing can be computed without it; what a resistor is, the job says itself */
  needed: boolean;
}

/** What becomes of a reference: another id, or none at all. */
type Visit = (reference: PartReference) => string | null;

const LIGHTS = ['led', 'whole-lamp'] as const;
const RESISTORS = ['resistor', 'harness', 'kit'] as const;

/**
 * Walks every place of a job that names a part, once: export, check, import, removal and repair all see the same ones.
 * What `visit` gives takes its place; null drops it: a lamp is open again, a resistor is still to be bought, a relay
 * or decoder goes with its cure, a finding with what was fitted then.
 *
 * @param job changed in place
 */
export function visitParts(job: Job, visit: Visit): void {
  for (const [lampId, partId] of Object.entries(job.chosen)) {
    if (partId === null) continue;
    const next = visit({ partId, where: `job.chosen ${lampId}`, kinds: LIGHTS, needed: true });
    if (next === null) delete job.chosen[lampId];
    else if (next !== partId) job.chosen[lampId] = next;
  }
  for (const [circuitId, cure] of Object.entries(job.cures)) {
    for (const piece of (cure?.networks ?? []).flatMap((network) => network.pieces))
      visitPiece(piece, `job.cures ${circuitId}`, visit);
  }
  job.vehicleCures = visitCures(job.vehicleCures, 'job.vehicleCures', visit);
  if (job.kits)
    job.kits = job.kits.filter((kit) => {
      const next = visit({ partId: kit.partId, where: 'job.kits', kinds: ['kit'], needed: true });
      if (next !== null && next !== kit.partId) kit.partId = next;
      return next !== null;
    });
  // What became of pieces stays on record, whatever became of the part's own record.
  for (const [where, named] of [
    ['job.pieces', job.pieces ?? []],
    ['job.wrongParts', job.wrongParts ?? []],
  ] as const)
    for (const each of named) {
      const next = visit({ partId: each.partId, where, kinds: PART_KINDS, needed: false });
      if (next !== null && next !== each.partId) each.partId = next;
    }
  const kept = job.evidence.filter((each) => {
    const where = `job.evidence ${each.id}`;
    if (!('fitted' in each)) {
      visitMeasured(each, where, visit);
      return true;
    }
    const { kind, fitted } = each;
    for (const [lampId, partId] of Object.entries(fitted.lamps)) {
      if (partId === null) continue;
      // What a trial tells hangs on its part; a rate or a proof stays on record without it.
      const next = visit({ partId, where, kinds: LIGHTS, needed: kind === 'trial' });
      if (next === null && kind === 'trial') return false;
      if (next === null) delete fitted.lamps[lampId];
      else if (next !== partId) fitted.lamps[lampId] = next;
    }
    for (const piece of fitted.networks.flatMap((network) => network.pieces)) visitPiece(piece, where, visit);
    const { vehicleCures: cures } = fitted;
    if (!cures) return true;
    fitted.vehicleCures = visitCures(cures, where, visit, kind === 'trial');
    // Without its relay it would be taken for what the vehicle's own watcher did.
    return kind !== 'trial' || fitted.vehicleCures.length === cures.length;
  });
  if (kept.length !== job.evidence.length) job.evidence = kept;
}

/** A figure stays on record, whatever became of the part it was taken of. */
function visitMeasured(each: Evidence, where: string, visit: Visit): void {
  if (each.kind === 'heat') for (const piece of each.network?.pieces ?? []) visitPiece(piece, where, visit);
  if ((each.kind !== 'light' && each.kind !== 'came-back') || !each.partId) return;
  const kinds = each.kind === 'light' ? LIGHTS : PART_KINDS;
  const next = visit({ partId: each.partId, where, kinds, needed: false });
  if (next !== null) each.partId = next;
  else if (each.kind === 'light') delete each.partId;
  else each.partId = null;
}

function visitCures(cures: VehicleCure[], where: string, visit: Visit, needed = true): VehicleCure[] {
  return cures.filter((cure) =>
    (cureKind(cure).parts?.(cure) ?? []).every(({ holder, kinds, what }) => {
      if (holder.partId === null) return true;
      const next = visit({
        partId: holder.partId,
        where: `${where} ${cure.kind}`,
        kinds,
        needed: what !== null && needed,
      });
      if (next === null && what !== null) return false;
      if (next !== holder.partId) (holder as { partId: string | null }).partId = next;
      return true;
    }),
  );
}

function visitPiece(piece: { partId: string | null }, where: string, visit: Visit): void {
  if (piece.partId === null) return;
  const next = visit({ partId: piece.partId, where, kinds: RESISTORS, needed: false });
  if (next !== piece.partId) piece.partId = next;
}

/** Every reference of a job to a part. */
export function partReferences(job: Job): PartReference[] {
  const found: PartReference[] = [];
  visitParts(structuredClone(job), (reference) => {
    found.push(reference);
    return reference.partId;
  });
  return found;
}

/** References that name what is not on the shelf, or what is there as another kind of part; what was taken back needs none. */
export function brokenReferences(job: Job, shelf: Shelf): PartReference[] {
  const kinds = new Map(shelf.map((part) => [part.id, part.kind]));
  return partReferences({ ...job, evidence: [...standing(job)] }).filter(
    ({ partId, kinds: fitting, needed }) => {
      const kind = kinds.get(partId);
      return needed && (kind === undefined || !fitting.includes(kind));
    },
  );
}

/** Takes out of a job whatever names a part that is not there. */
export function dropBroken(job: Job, shelf: Shelf): void {
  const gone = new Set(brokenReferences(job, shelf).map(({ partId }) => partId));
  visitParts(job, ({ partId }) => (gone.has(partId) ? null : partId));
}

/** The parts a job names, and those in the boxes of its kits, by their ids. */
export function namedParts(job: Job, shelf: Shelf): Set<string> {
  const named = new Set(partReferences(job).map(({ partId }) => partId));
  for (const part of shelf)
    if (part.kind === 'kit' && named.has(part.id))
      for (const { partId } of part.sheet.items) if (partId) named.add(partId);
  return named;
}
