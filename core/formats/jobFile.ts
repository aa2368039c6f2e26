import { z } from 'zod';
import { bulbById } from '../catalogue/bulbs.ts';
import { ledElements } from '../circuit/engine/ledElements.ts';
import { Moment } from '../model/fields.ts';
import { Job } from '../model/job.ts';
import { type LedPart, Part, type Shelf } from '../model/part.ts';

export const JOB_FILE_FORMAT = 'vumble-job';
export const JOB_FILE_VERSION = 1;
/** Larger than any honest job without photographs, bytes. */
export const JOB_FILE_MAX_BYTES = 2_000_000;
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

/** A job with the parts of the shelf that bear on it: every LED it chose, and every resistor and consumable. */
export function jobFileOf(job: Job, shelf: Shelf, exportedAt: string): JobFile {
  const chosen = new Set(Object.values(job.chosen));
  const parts = shelf.filter((part) => part.kind !== 'led' || chosen.has(part.id));
  return { format: JOB_FILE_FORMAT, version: JOB_FILE_VERSION, exportedAt, job, parts };
}

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
      `The file is not JSON (${(error as Error).message}). Choose a file that ends in .vumble.json.`,
    );
  }
  if (depth(data, MAX_DEPTH) > MAX_DEPTH) return refuse('The file is nested too deeply to be a job.');
  const kind = z.looseObject({ format: z.string(), version: z.number() }).safeParse(data);
  if (!kind.success || kind.data.format !== JOB_FILE_FORMAT) {
    return refuse(`This is not a Vumble job: it does not begin with "format": "${JOB_FILE_FORMAT}".`);
  }
  if (kind.data.version !== JOB_FILE_VERSION) {
    return refuse(
      `The file is version ${kind.data.version}; this Vumble reads version ${JOB_FILE_VERSION}. Update Vumble, or export it again.`,
    );
  }
  const parsed = JobFile.safeParse(data);
  if (!parsed.success) return { ok: false, problems: parsed.error.issues.slice(0, 12).map(issueInWords) };
  const problems = jobProblems(parsed.data.job, parsed.data.parts);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, file: parsed.data };
}

/** What does not hang together in a job whose shape is right. */
export function jobProblems(job: Job, parts: Shelf): string[] {
  const { vehicle } = job;
  const lampIds = vehicle.lamps.map((lamp) => lamp.id);
  const circuitIds = vehicle.circuits.map((circuit) => circuit.id);
  const problems: string[] = [
    ...repeated(lampIds, 'lamp'),
    ...repeated(circuitIds, 'circuit'),
    ...repeated(
      parts.map((part) => part.id),
      'part',
    ),
    ...repeated(
      vehicle.circuits.map((circuit) => circuit.side),
      'turn circuit for side',
    ),
    ...repeated(
      vehicle.circuits.flatMap((circuit) => circuit.lampIds),
      'circuit for lamp',
    ),
  ];
  const lampKnown = (id: string, where: string) => {
    if (!lampIds.includes(id)) problems.push(`${where} names lamp "${id}", which the vehicle does not have.`);
  };
  for (const lamp of vehicle.lamps) {
    bulbKnown(lamp.stockBulb, `vehicle.lamps ${lamp.id}`, problems);
    if (lamp.access.minutes[0] > lamp.access.minutes[1]) {
      problems.push(`vehicle.lamps ${lamp.id}: its access time runs backwards. Put the shorter time first.`);
    }
  }
  for (const circuit of vehicle.circuits) {
    for (const id of circuit.lampIds) lampKnown(id, `circuit ${circuit.id}`);
    const lamps = vehicle.lamps.filter((lamp) => circuit.lampIds.includes(lamp.id));
    if (!lamps.some((lamp) => lamp.role === 'main')) {
      problems.push(
        `circuit ${circuit.id} has no main lamp, so nothing tells when a bulb is missing. Mark one as main.`,
      );
    }
  }
  for (const [lampId, bulbId] of Object.entries(job.identified)) {
    lampKnown(lampId, 'job.identified');
    bulbKnown(bulbId, `job.identified ${lampId}`, problems);
  }
  for (const lampId of Object.keys(job.lookOver.lamps)) lampKnown(lampId, 'job.lookOver');
  for (const [lampId, partId] of Object.entries(job.chosen)) {
    lampKnown(lampId, 'job.chosen');
    const part = parts.find((each): each is LedPart => each.id === partId && each.kind === 'led');
    if (partId !== null && !part)
      problems.push(`job.chosen ${lampId} names LED "${partId}", which is not among the parts.`);
  }
  for (const [circuitId, cure] of Object.entries(job.cures)) {
    if (!circuitIds.includes(circuitId))
      problems.push(`job.cures names circuit "${circuitId}", which the vehicle does not have.`);
    for (const network of cure?.networks ?? []) lampKnown(network.lampId, `job.cures ${circuitId}`);
  }
  for (const part of parts) if (part.kind === 'led') problems.push(...ledProblems(part));
  return problems.slice(0, 12);
}

function ledProblems(part: LedPart): string[] {
  try {
    ledElements(part, part.id, 'feed', 'earth');
    return [];
  } catch (error) {
    return [(error as Error).message];
  }
}

function bulbKnown(id: string, where: string, problems: string[]): void {
  if (!bulbById(id)) problems.push(`${where} names bulb "${id}", which is not in the catalogue.`);
}

function repeated(ids: readonly string[], what: string): string[] {
  return [...new Set(ids.filter((id, index) => ids.indexOf(id) !== index))].map(
    (id) => `There is more than one ${what} "${id}".`,
  );
}

function issueInWords(issue: z.core.$ZodIssue): string {
  const where = issue.path.map(String).join('.');
  return `${where || 'the file'}: ${issue.message}.`.replace(/\.\.$/, '.');
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
