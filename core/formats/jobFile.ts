import { z } from 'zod';
import { ledProblems } from '../circuit/engine/ledProblems.ts';
import { hasNamed, namesOf } from '../model/evidenceNames.ts';
import { Moment } from '../model/fields.ts';
import { Job } from '../model/job.ts';
import { Part, type Shelf } from '../model/part.ts';
import { brokenReferences, namedParts } from '../model/partReferences.ts';
import { standing } from '../model/seen.ts';
import { upgradeJob } from '../model/upgradeJob.ts';
import { circuitsFeeding } from '../model/vehicle/lookUp.ts';
import { issueInWords, quoted } from './issueInWords.ts';
import { bulbKnown, repeated, vehicleProblems } from './vehicleProblems.ts';

export const JOB_FILE_FORMAT = 'vumble-job';
export const JOB_FILE_VERSION = 17;
/**
 * Older ones are read too and brought up to today's shape; what they could not say (how a relay's blades stand, whether
 * there is metal near a lamp) is unknown.
 */
const FIRST_VERSION = 1;
/** Larger than any honest job without photographs, bytes. */
export const JOB_FILE_MAX_BYTES = 8_000_000;
const MAX_DEPTH = 24;

/** One job with the shelf parts it was planned from, so that it means the same everywhere. */
export const JobFile = z.strictObject({
  format: z.literal(JOB_FILE_FORMAT),
  version: z.literal(JOB_FILE_VERSION),
  exportedAt: Moment,
  job: Job,
  parts: z.array(Part).max(2000),
});
export type JobFile = z.infer<typeof JobFile>;

export type JobFileResult = { ok: true; file: JobFile } | { ok: false; problems: readonly string[] };

/** A job with the parts of the shelf that bear on it: the LEDs it chose, and everything that could cure it. */
export function jobFileOf(job: Job, shelf: Shelf, exportedAt: string): JobFile {
  return { format: JOB_FILE_FORMAT, version: JOB_FILE_VERSION, exportedAt, job, parts: partsOf(job, shelf) };
}

/** The parts of a shelf that bear on a job: what it names, what is in its kits, and everything that could cure it. */
export function partsOf(job: Job, shelf: Shelf): Part[] {
  const named = namedParts(job, shelf);
  return shelf.filter(({ id, kind }) => !ONLY_NAMED.has(kind) || named.has(id));
}

/** Kinds of part that say nothing of a job that does not name them. */
const ONLY_NAMED: ReadonlySet<Part['kind']> = new Set(['led', 'whole-lamp', 'kit']);

/** A job file as text: JSON, two spaces a level, so that two of them can be compared line by line. */
export function writeJobFile(file: JobFile): string {
  return `${JSON.stringify(file, null, 2)}\n`;
}

/**
 * Reads a job file a stranger may have written. Nothing of it is used unless all of it is right; the
 * problems say where and what to do.
 */
export function readJobFile(text: string): JobFileResult {
  if (text.length > JOB_FILE_MAX_BYTES) {
    return refuse(
      `The file is larger than ${JOB_FILE_MAX_BYTES / 1e6} MB. A job file is far smaller: choose the right file.`,
    );
  }
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return refuse(
      `The file is not JSON (${quoted((error as Error).message)}). Choose a file that ends in .vumble.json.`,
    );
  }
  if (depth(data, MAX_DEPTH) > MAX_DEPTH) return refuse('The file is nested too deeply to be a job.');
  const kind = z.looseObject({ format: z.string(), version: z.unknown() }).safeParse(data);
  if (!kind.success || kind.data.format !== JOB_FILE_FORMAT) {
    return refuse(`This is not a Vumble job: it does not begin with "format": "${JOB_FILE_FORMAT}".`);
  }
  const { version } = kind.data;
  if (typeof version !== 'number' || !Number.isInteger(version))
    return refuse(
      `The version of the file is ${quoted(JSON.stringify(version) ?? 'missing')}, which is no whole number. Export it again.`,
    );
  if (version >= FIRST_VERSION && version <= JOB_FILE_VERSION)
    data = {
      ...kind.data,
      version: JOB_FILE_VERSION,
      job: upgradeJob((kind.data as { job?: unknown }).job, version),
    };
  else
    return refuse(
      `The file is version ${version}; this Vumble reads versions ${FIRST_VERSION} to ${JOB_FILE_VERSION}. Update Vumble, or export it again.`,
    );
  const parsed = JobFile.safeParse(data);
  if (!parsed.success) return { ok: false, problems: parsed.error.issues.slice(0, 12).map(issueInWords) };
  const problems = jobProblems(parsed.data.job, parsed.data.parts);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, file: parsed.data };
}

/** What does not hang together in a job whose shape is right, with the parts it names. */
export function jobProblems(job: Job, parts: Shelf): string[] {
  const problems = repeated(
    parts.map((part) => part.id),
    'part',
  );
  for (const { partId, where, kinds } of brokenReferences(job, parts))
    problems.push(
      `${where} names ${kinds[0] === 'led' ? 'LED' : 'part'} "${partId}", which is not among the parts.`,
    );
  for (const part of parts) if (part.kind === 'led') problems.push(...ledProblems(part));
  return [...jobOwnProblems(job), ...problems].slice(0, 12);
}

/** What does not hang together within a job, whatever parts there are. */
export function jobOwnProblems(job: Job): string[] {
  const problems = vehicleProblems(job.vehicle);
  const lampIds = job.vehicle.lamps.map((lamp) => lamp.id);
  const circuitIds = job.vehicle.circuits.map((circuit) => circuit.id);
  const lampKnown = (id: string, where: string) => {
    if (!lampIds.includes(id)) problems.push(`${where} names lamp "${id}", which the vehicle does not have.`);
  };
  const circuitKnown = (id: string, where: string) => {
    if (!circuitIds.includes(id))
      problems.push(`${where} names circuit "${id}", which the vehicle does not have.`);
  };
  for (const [lampId, bulbId] of Object.entries(job.identified)) {
    lampKnown(lampId, 'job.identified');
    bulbKnown(bulbId, `job.identified ${lampId}`, problems);
  }
  for (const lampId of Object.keys(job.lookOver.lamps)) lampKnown(lampId, 'job.lookOver');
  for (const lampId of Object.keys(job.chosen)) lampKnown(lampId, 'job.chosen');
  for (const [circuitId, cure] of Object.entries(job.cures)) {
    circuitKnown(circuitId, 'job.cures');
    for (const { lampId, input } of cure?.networks ?? []) {
      lampKnown(lampId, `job.cures ${circuitId}`);
      if (input === 'dim' && circuitsFeeding(job.vehicle, lampId, 'dim').length === 0)
        problems.push(`job.cures ${circuitId} loads the dim feed of lamp "${lampId}", which has none.`);
    }
  }
  problems.push(
    ...repeated(
      job.evidence.map(({ id }) => id),
      'observation',
    ),
  );
  for (const each of standing(job)) {
    const missing = namesOf(each).find((named) => !hasNamed(job.vehicle, named));
    if (!missing) continue;
    const { what, id, plugId } = missing;
    const whose = plugId === undefined ? 'the vehicle' : `plug ${plugId}`;
    problems.push(`job.evidence ${each.id} names ${what} "${id}", which ${whose} does not have.`);
  }
  problems.push(
    ...repeated(
      (job.pieces ?? []).map(({ id }) => id),
      'movement of pieces',
    ),
    ...repeated(
      (job.kits ?? []).map(({ partId }) => partId),
      'kit',
    ),
  );
  for (const id of Object.keys(job.polarity ?? {})) lampKnown(id, 'job.polarity');
  for (const { lampId } of job.repairs ?? []) lampKnown(lampId, 'job.repairs');
  for (const id of job.scope?.lampIds ?? []) lampKnown(id, 'job.scope');
  for (const cure of job.vehicleCures) {
    if ('circuitId' in cure) circuitKnown(cure.circuitId, `job.vehicleCures ${cure.kind}`);
    if ('lampId' in cure) lampKnown(cure.lampId, `job.vehicleCures ${cure.kind}`);
  }
  return problems.slice(0, 12);
}

function refuse(problem: string): JobFileResult {
  return { ok: false, problems: [problem] };
}

/** Nesting depth, given up once past `limit`. */
function depth(value: unknown, limit: number): number {
  if (typeof value !== 'object' || value === null) return 0;
  if (limit <= 0) return 1;
  let deepest = 0;
  for (const child of Object.values(value)) deepest = Math.max(deepest, depth(child, limit - 1));
  return deepest + 1;
}
