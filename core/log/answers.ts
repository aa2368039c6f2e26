import type { Job } from '../model/job.ts';
import { standing } from '../model/seen.ts';
import { modelName } from '../model/vehicle/lookUp.ts';
import type { LogLine } from './lines.ts';
import { type Life, medianLife, type SurvivalStep, survivalOf } from './survival.ts';

const DAY = 86_400_000;
/** Fewer ended lives make no curve: only counts are said. */
export const LEAST_ENDED = 5;

/** Every vehicle a part is in, or was of one order or batch: the list to recall. */
export function fittedWhere(lines: readonly LogLine[], partId: string, batch = ''): LogLine[] {
  return lines.filter((line) => line.partId === partId && (batch === '' || line.batch === batch));
}

/** What came back, together by part, model or place. */
export interface CameBackGroup {
  name: string;
  /** pieces that came back, and those ever fitted, counts */
  cameBack: number;
  fitted: number;
  /** their ages when they came back, days, those nobody knows left out */
  ages: readonly number[];
}

/**
 * How much came back, most first.
 *
 * @param by what is counted together
 */
export function cameBackBy(lines: readonly LogLine[], by: 'code' | 'model' | 'place'): CameBackGroup[] {
  const groups = new Map<string, { cameBack: number; fitted: number; ages: number[] }>();
  for (const line of lines) {
    const name = line[by] || 'place not written down';
    const group = groups.get(name) ?? { cameBack: 0, fitted: 0, ages: [] };
    group.fitted += line.pieces;
    if (line.state === 'came-back') {
      group.cameBack += line.pieces;
      const age = ageOf(line);
      if (age !== null) group.ages.push(age);
    }
    groups.set(name, group);
  }
  return [...groups]
    .map(([name, group]) => ({ name, ...group }))
    .filter(({ cameBack }) => cameBack > 0)
    .toSorted((a, b) => b.cameBack - a.cameBack || a.name.localeCompare(b.name));
}

/** How old a part was when it ended, days; null where nobody knows. */
export function ageOf({ fittedAt, endedAt }: LogLine): number | null {
  if (fittedAt === null || endedAt === null) return null;
  return Math.max(0, (Date.parse(endedAt) - Date.parse(fittedAt)) / DAY);
}

/** What is in and under warranty on a day, the one that runs out first before the others. */
export function underWarranty(lines: readonly LogLine[], today: string): LogLine[] {
  return lines
    .filter(({ state, warrantyUntil }) => state === 'in' && warrantyUntil !== null && warrantyUntil >= today)
    .toSorted((a, b) => (a.warrantyUntil ?? '').localeCompare(b.warrantyUntil ?? ''));
}

/** How long pieces of some lines last. */
export interface Lasting {
  steps: readonly SurvivalStep[];
  /** counts of pieces */
  fitted: number;
  ended: number;
  stillIn: number;
  takenOut: number;
  /** days half of them outlast; null where more than half still do, or too few ended */
  medianDays: number | null;
  /** too few ended for a curve */
  countsOnly: boolean;
}

/**
 * How long parts last. What is still in, or was taken out for another reason, counts until then. A part that was in before its
 * vehicle came on record counts from then on.
 *
 * @param lines of the parts that are asked about
 * @param since when each vehicle came on record, ISO 8601, by its id
 * @param now ISO 8601
 */
export function lasting(lines: readonly LogLine[], since: ReadonlyMap<string, string>, now: string): Lasting {
  const lives = lines.flatMap((line): Life[] => {
    if (line.fittedAt === null) return [];
    const fitted = Date.parse(line.fittedAt);
    const until = (Date.parse(line.endedAt ?? now) - fitted) / DAY;
    const watched = Math.max(0, (Date.parse(since.get(line.vehicleId) ?? line.fittedAt) - fitted) / DAY);
    const life = { from: watched, until: Math.max(until, 0), ended: line.state === 'came-back' };
    return Array.from({ length: line.pieces }, () => life);
  });
  const count = (state: LogLine['state']) =>
    lines.reduce((sum, line) => sum + (line.state === state ? line.pieces : 0), 0);
  const ended = count('came-back');
  const steps = ended < LEAST_ENDED ? [] : survivalOf(lives);
  // None of them ended while anybody watched: there is nothing to draw either.
  const countsOnly = steps.length === 0;
  return {
    steps,
    fitted: lines.reduce((sum, { pieces }) => sum + pieces, 0),
    ended,
    stillIn: count('in'),
    takenOut: count('taken-out'),
    medianDays: medianLife(steps),
    countsOnly,
  };
}

/** When each vehicle came on record: the first of its jobs, or of what was counted or done on them. */
export function sinceWhen(jobs: readonly Job[]): Map<string, string> {
  const since = new Map<string, string>();
  for (const { vehicle, createdAt, pieces = [], fit } of jobs) {
    const done = Object.values(fit).flatMap(({ doneAt }) => doneAt ?? []);
    const first = [createdAt, ...pieces.map(({ at }) => at), ...done].toSorted()[0] ?? createdAt;
    const there = since.get(vehicle.id);
    if (there === undefined || first < there) since.set(vehicle.id, first);
  }
  return since;
}

/** A cause that was found, and how often on one model. */
export interface FoundCause {
  model: string;
  words: string;
  times: number;
  mended: number;
  jobs: readonly { id: string; title: string }[];
}

/** Which causes were found, by model, the most frequent first. */
export function causesFound(jobs: readonly Job[]): FoundCause[] {
  const found = new Map<
    string,
    { model: string; words: string; mended: number; jobs: { id: string; title: string }[] }
  >();
  const seen = new Set<string>();
  for (const job of jobs)
    for (const each of standing(job)) {
      if (each.kind !== 'cause' || seen.has(each.id)) continue;
      seen.add(each.id);
      const model = modelName(job.vehicle);
      const key = `${model} ${each.words}`;
      const group = found.get(key) ?? { model, words: each.words, mended: 0, jobs: [] };
      if (each.outcome === 'mended') group.mended += 1;
      group.jobs.push({ id: job.id, title: job.title });
      found.set(key, group);
    }
  return [...found.values()]
    .map((group) => ({ ...group, times: group.jobs.length }))
    .toSorted((a, b) => b.times - a.times || a.model.localeCompare(b.model));
}

/** What the log says of one part in a few words: `12 fitted, 1 came back, half last 410 days`; empty where it says nothing. */
export function partRecordWords(lines: readonly LogLine[], lasts: Lasting): string {
  if (lines.length === 0) return '';
  const models = new Set(lines.map(({ vehicleId }) => vehicleId)).size;
  const median =
    lasts.medianDays === null ? '' : `, half came back within ${Math.round(lasts.medianDays)} days`;
  return `${lasts.fitted} fitted on ${models} ${models === 1 ? 'vehicle' : 'vehicles'}, ${lasts.ended === 0 ? 'none' : lasts.ended} came back${median}`;
}

/** What the log says of each part it knows, in a few words, by the part's id. */
export function partRecords(
  lines: readonly LogLine[],
  since: ReadonlyMap<string, string>,
  now: string,
): Map<string, string> {
  const byPart = new Map<string, LogLine[]>();
  for (const line of lines) {
    const mine = byPart.get(line.partId);
    if (mine) mine.push(line);
    else byPart.set(line.partId, [line]);
  }
  return new Map([...byPart].map(([id, mine]) => [id, partRecordWords(mine, lasting(mine, since, now))]));
}
