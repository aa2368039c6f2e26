import type { Job } from '../model/job.ts';
import type { CameBack } from '../model/measuredEvidence.ts';
import type { Part, Shelf } from '../model/part.ts';
import type { JobMovement } from '../model/pieces.ts';
import { standing } from '../model/seen.ts';
import { modelName } from '../model/vehicle/lookUp.ts';
import { monthsAfter } from './monthsAfter.ts';

/** What became of a part on a vehicle. */
export type LineState = 'in' | 'came-back' | 'taken-out';

/** One part at one place of one vehicle. */
export interface LogLine {
  /** the same each time the log is made */
  key: string;
  jobId: string;
  job: string;
  vehicleId: string;
  vehicle: string;
  fleetNumber: string;
  model: string;
  partId: string;
  code: string;
  name: string;
  partKind: Part['kind'] | null;
  /** the lamp it is at; null where it is elsewhere, or nobody wrote down where */
  lampId: string | null;
  place: string;
  pieces: number;
  /** ISO 8601; null where nobody wrote it down */
  fittedAt: string | null;
  by: string;
  batch: string;
  state: LineState;
  /** when it came back or was taken out, ISO 8601 */
  endedAt: string | null;
  why: string;
  /** the last day its warranty runs; null where nobody knows */
  warrantyUntil: string | null;
  /** how it is known: pieces that were counted, or the plan of work that was done */
  from: 'pieces' | 'work';
}

/**
 * Everything that was ever fitted, over all jobs: a line for each part at each place, with what became of it. Where pieces
 * were counted they say it; where work was done and nobody counted, its plan does. Another LED fitted in the same lamp later
 * took the first one out.
 *
 * @param jobs all of them, those that are filed too
 */
export function logLines(jobs: readonly Job[], shelf: Shelf): LogLine[] {
  const parts: Parts = new Map(shelf.map((part) => [part.id, part]));
  const lines = jobs.flatMap((job) => [...linesOfPieces(job, parts), ...linesOfWork(job, parts)]);
  return withCameBack(withReplaced(lines), jobs).toSorted((a, b) =>
    (b.fittedAt ?? '').localeCompare(a.fittedAt ?? ''),
  );
}

/** A shelf by the ids of its parts. */
type Parts = ReadonlyMap<string, Part>;

function lineOf(job: Job, parts: Parts, partId: string, lampId: string | null): LogLine {
  const { vehicle } = job;
  const part = parts.get(partId);
  return {
    key: `${job.id} ${partId} ${lampId ?? ''}`,
    jobId: job.id,
    job: job.title,
    vehicleId: vehicle.id,
    vehicle: vehicle.name,
    fleetNumber: vehicle.fleetNumber ?? '',
    model: modelName(vehicle),
    partId,
    code: part?.code ?? partId,
    name: part?.name ?? 'no longer on the shelf',
    partKind: part?.kind ?? null,
    lampId,
    place: vehicle.lamps.find(({ id }) => id === lampId)?.name ?? '',
    pieces: 1,
    fittedAt: null,
    by: '',
    batch: '',
    state: 'in',
    endedAt: null,
    why: '',
    warrantyUntil: null,
    from: 'work',
  };
}

function withWarranty(line: LogLine, parts: Parts): LogLine {
  const months = parts.get(line.partId)?.warrantyMonths;
  return months === undefined || line.fittedAt === null
    ? line
    : { ...line, warrantyUntil: monthsAfter(line.fittedAt, months) };
}

/** The lamp a place of the work is at: a step is called after it. */
function lampAt({ vehicle }: Job, place: string | undefined): string | null {
  if (place === undefined) return null;
  const ends = vehicle.lamps.filter(({ id }) => place === id || place.endsWith(`-${id}`));
  // `position-left` and `left` may both be lamps: the longest is meant.
  return ends.toSorted((a, b) => b.id.length - a.id.length)[0]?.id ?? null;
}

/** What was counted: each time pieces went in, less what came out of the same place, the last in first. */
function linesOfPieces(job: Job, parts: Parts): LogLine[] {
  const lines: LogLine[] = [];
  const open: { line: LogLine; place: string | undefined }[] = [];
  for (const each of job.pieces ?? []) {
    if (parts.get(each.partId)?.kind === 'consumable') continue;
    if (each.kind === 'fitted') {
      const line = pieceLine(job, parts, each);
      lines.push(line);
      open.push({ line, place: each.place });
    } else if (each.kind === 'returned' || each.kind === 'scrapped') takeOut(open, lines, each);
  }
  return lines;
}

function pieceLine(
  job: Job,
  parts: Parts,
  { id, partId, place, pieces, at, by, batch }: JobMovement,
): LogLine {
  const lampId = lampAt(job, place);
  return withWarranty(
    {
      ...lineOf(job, parts, partId, lampId),
      key: `${job.id} ${id}`,
      place: job.vehicle.lamps.find((lamp) => lamp.id === lampId)?.name ?? place ?? '',
      pieces,
      fittedAt: at,
      by: by ?? '',
      batch: batch ?? '',
      from: 'pieces',
    },
    parts,
  );
}

function takeOut(
  open: { line: LogLine; place: string | undefined }[],
  lines: LogLine[],
  { partId, place, pieces, at, kind }: JobMovement,
): void {
  const ended = {
    state: 'taken-out',
    endedAt: at,
    why: WHY[kind === 'scrapped' ? 'scrapped' : 'returned'],
  } as const;
  let left = pieces;
  for (const each of open.toReversed()) {
    const { line } = each;
    if (left === 0 || line.state !== 'in' || line.partId !== partId) continue;
    if (place !== undefined && each.place !== place) continue;
    const gone = Math.min(left, line.pieces);
    left -= gone;
    // Undone within the hour it was never really in: a tick taken back is no part that lasted an hour.
    const briefly = Math.abs(Date.parse(at) - Date.parse(line.fittedAt ?? at)) < BRIEF;
    if (gone < line.pieces) {
      line.pieces -= gone;
      if (!briefly) lines.push({ ...line, key: `${line.key} ${at}`, pieces: gone, ...ended });
    } else if (briefly) lines.splice(lines.indexOf(line), 1);
    else Object.assign(line, ended);
  }
}

const BRIEF = 3600_000;
const WHY = { returned: 'put back on the shelf', scrapped: 'scrapped' } as const;

/** What the plan of a work that was done put in, where nobody counted pieces of it. */
function linesOfWork(job: Job, parts: Parts): LogLine[] {
  const done = Object.entries(job.fit).flatMap(([id, { doneAt }]) => (doneAt ? [{ id, doneAt }] : []));
  const last = done
    .map(({ doneAt }) => doneAt)
    .toSorted()
    .at(-1);
  if (!last) return [];
  const counted = new Set(
    (job.pieces ?? []).flatMap(({ kind, partId }) => (kind === 'fitted' ? [partId] : [])),
  );
  const placed: [partId: string | null, lampId: string | null, pieces: number][] = [
    ...Object.entries(job.chosen).map(([lampId, partId]): [string | null, string, number] => [
      partId,
      lampId,
      1,
    ]),
    ...Object.values(job.cures).flatMap((cure) =>
      (cure?.networks ?? []).flatMap(({ lampId, pieces }) =>
        pieces.map(({ partId }): [string | null, string, number] => [partId, lampId, 1]),
      ),
    ),
    ...job.vehicleCures.flatMap((cure): [string | null, string | null, number][] => {
      if (cure.kind === 'flasher-relay') return [[cure.partId, null, 1]];
      if (cure.kind === 'decoder') return [[cure.partId, cure.lampId, 1]];
      return cure.kind === 'bleed-resistor' ? [[cure.piece.partId, null, 1]] : [];
    }),
  ];
  const atLamp = (lampId: string | null) =>
    done.find(
      ({ id }) =>
        lampId !== null && lampAt(job, id) === lampId && /^(swap|whole|mount|tap|harness)-/.test(id),
    );
  return placed.flatMap(([partId, lampId, pieces], index) => {
    if (partId === null || counted.has(partId)) return [];
    const fittedAt = atLamp(lampId)?.doneAt ?? last;
    const line = { ...lineOf(job, parts, partId, lampId), pieces, fittedAt };
    return [withWarranty({ ...line, key: `${line.key} ${index}` }, parts)];
  });
}

/** An LED in a lamp that has another since. */
function withReplaced(lines: readonly LogLine[]): LogLine[] {
  const placeOf = ({ vehicleId, lampId }: LogLine) => `${vehicleId} ${lampId}`;
  const isLamp = ({ partKind, lampId }: LogLine) =>
    lampId !== null && (partKind === 'led' || partKind === 'whole-lamp');
  const atPlace = new Map<string, LogLine[]>();
  for (const line of lines.filter(isLamp)) {
    const there = atPlace.get(placeOf(line));
    if (there) there.push(line);
    else atPlace.set(placeOf(line), [line]);
  }
  return lines.map((line) => {
    if (line.state !== 'in' || !isLamp(line) || line.fittedAt === null) return line;
    const next = (atPlace.get(placeOf(line)) ?? [])
      .filter((other) => other.jobId !== line.jobId && (other.fittedAt ?? '') > (line.fittedAt ?? ''))
      .toSorted((a, b) => (a.fittedAt ?? '').localeCompare(b.fittedAt ?? ''))[0];
    if (!next) return line;
    return { ...line, state: 'taken-out' as const, endedAt: next.fittedAt, why: `replaced by ${next.code}` };
  });
}

/** What came back ends the line it is of: at its lamp, or of its part on that vehicle. */
function withCameBack(lines: readonly LogLine[], jobs: readonly Job[]): LogLine[] {
  const all = lines.map((line) => ({ ...line }));
  const seen = new Set<string>();
  for (const job of jobs)
    for (const each of standing(job)) {
      if (each.kind !== 'came-back' || seen.has(each.id)) continue;
      seen.add(each.id);
      const mine = all.filter(
        (line) =>
          line.vehicleId === each.vehicleId &&
          line.partId === each.partId &&
          (each.lampId === null || line.lampId === each.lampId) &&
          (line.fittedAt ?? '') <= each.at &&
          line.state !== 'came-back',
      );
      const line = mine.toSorted((a, b) => (b.fittedAt ?? '').localeCompare(a.fittedAt ?? ''))[0];
      if (line) endOf(all, line, each);
      else if (each.partId !== null) all.push(unknownLine(job, each));
    }
  return all;
}

function endOf(all: LogLine[], line: LogLine, each: CameBack): void {
  // Of several pieces of one line one came back; the others are in.
  if (line.pieces > 1) {
    line.pieces -= 1;
    all.push({
      ...line,
      key: `${line.key} ${each.id}`,
      pieces: 1,
      state: 'came-back',
      endedAt: each.at,
      why: each.words,
    });
    return;
  }
  line.state = 'came-back';
  line.endedAt = each.at;
  line.why = each.words;
}

/** Something came back that no job here fitted. */
function unknownLine(job: Job, each: CameBack): LogLine {
  const line = lineOf(job, new Map(), each.partId ?? '', each.lampId);
  return {
    ...line,
    key: `${job.id} ${each.id}`,
    code: each.part,
    name: each.part,
    fittedAt: each.fittedAt,
    state: 'came-back',
    endedAt: each.at,
    why: each.words,
  };
}
