import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { z } from 'zod';
import { History } from '../merge/history.ts';
import { Id, Line, Moment } from '../model/fields.ts';
import { Part } from '../model/part.ts';
import { ShelfMovement } from '../model/pieces.ts';
import { issueInWords } from './issueInWords.ts';
import { JOB_FILE_VERSION, JobFile, readJobFile, writeJobFile } from './jobFile.ts';
import { BadZipError, readZip, writeZip, type ZipEntry } from './zip.ts';

export const PACK_FORMAT = 'vumble-pack';
export const PACK_VERSION = 1;
/** Larger than a workshop's years with photographs, bytes. */
export const PACK_MAX_BYTES = 400_000_000;

/** What a pack is for: jobs that are handed on, the shelf alone, or everything a browser keeps. */
export const PackContent = z.enum(['jobs', 'shelf', 'everything']);
export type PackContent = z.infer<typeof PackContent>;

const JobEntry = z.strictObject({
  id: Id,
  title: Line,
  updatedAt: Moment,
  /** in the bin */
  binned: z.literal(true).optional(),
});
const PhotoEntry = z.strictObject({
  id: Id,
  jobId: Id,
  lampId: Id.nullable(),
  takenAt: Moment,
  name: z.string().max(400),
  type: z.enum(['image/jpeg', 'image/png', 'image/webp']),
  binned: z.literal(true).optional(),
});

const Manifest = z.strictObject({
  format: z.literal(PACK_FORMAT),
  version: z.literal(PACK_VERSION),
  /** of the job files in it */
  jobVersion: z.int().min(1),
  exportedAt: Moment,
  content: PackContent,
  jobs: z.array(JobEntry).max(5000),
  photos: z.array(PhotoEntry).max(15_000),
  /** every other file of the archive: its size in bytes, and the SHA-256 of what is in it */
  files: z.record(
    z.string().max(200),
    z.strictObject({ bytes: z.int().min(0), sha256: z.string().length(64) }),
  ),
});

const ShelfFile = z.strictObject({
  parts: z.array(Part).max(20_000),
  movements: z.array(ShelfMovement).max(500_000),
  /** what devices call this shelf */
  shelves: z.array(Id).max(200),
});
const Histories = z.record(Id, History);
const Kept = z.record(z.string().max(200), z.string().max(4_000_000));

export type PackJob = z.infer<typeof JobEntry> & { file: JobFile; history: History | null };
export type PackPhoto = z.infer<typeof PhotoEntry> & { bytes: Uint8Array };

/** What is handed on. */
export interface Pack {
  content: PackContent;
  exportedAt: string;
  jobs: readonly PackJob[];
  photos: readonly PackPhoto[];
  /** null where it is left out */
  shelf: z.infer<typeof ShelfFile> | null;
  /** of parts, by id */
  partHistories: Readonly<Record<string, History>>;
  /** settings and drafts, as they are kept; of a backup alone */
  kept: Readonly<Record<string, string>>;
  /** netlists and wiring sheets, to look at; never read back */
  drawings: readonly { name: string; text: string }[];
}

export type PackResult = { ok: true; pack: Pack } | { ok: false; problems: readonly string[] };

const MANIFEST = 'vumble.json';
const SHELF = 'shelf.json';
const PART_HISTORIES = 'parts.history.json';
const KEPT = 'kept.json';
const ENDINGS = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' } as const;

const jobName = (id: string) => `jobs/${id}.vumble.json`;
const historyName = (id: string) => `jobs/${id}.history.json`;
const photoName = ({ id, type }: Pick<PackPhoto, 'id' | 'type'>) => `photos/${id}.${ENDINGS[type]}`;

/** A pack as a `.vumble.zip`. The same pack gives the same bytes. */
export function writePack(pack: Pack): Uint8Array {
  const entries: ZipEntry[] = [];
  const text = (name: string, content: string) =>
    entries.push({ name, bytes: new TextEncoder().encode(content) });
  const json = (name: string, content: unknown) => text(name, `${JSON.stringify(content, null, 1)}\n`);
  for (const { file, history, id } of pack.jobs) {
    // In the order of its schema: read and written again it is the same.
    text(jobName(id), writeJobFile(JobFile.parse(file)));
    if (history) json(historyName(id), history);
  }
  for (const photo of pack.photos) entries.push({ name: photoName(photo), bytes: photo.bytes, stored: true });
  if (pack.shelf) json(SHELF, ShelfFile.parse(pack.shelf));
  if (Object.keys(pack.partHistories).length > 0) json(PART_HISTORIES, pack.partHistories);
  if (Object.keys(pack.kept).length > 0) json(KEPT, pack.kept);
  for (const { name, text: content } of pack.drawings) text(name, content);
  const files = Object.fromEntries(
    entries.map(({ name, bytes }) => [name, { bytes: bytes.length, sha256: bytesToHex(sha256(bytes)) }]),
  );
  const manifest: z.infer<typeof Manifest> = {
    format: PACK_FORMAT,
    version: PACK_VERSION,
    jobVersion: JOB_FILE_VERSION,
    exportedAt: pack.exportedAt,
    content: pack.content,
    jobs: pack.jobs.map(({ file: _, history: __, ...entry }) => entry),
    photos: pack.photos.map(({ bytes: _, ...entry }) => entry),
    files,
  };
  const first = new TextEncoder().encode(`${JSON.stringify(manifest, null, 1)}\n`);
  return writeZip([{ name: MANIFEST, bytes: first }, ...entries]);
}

/** What stops the reading of a pack, in words. */
class Refused extends Error {
  constructor(readonly problems: readonly string[]) {
    super(problems[0]);
  }
}

/**
 * Reads a pack a stranger may have made: nothing of it is used unless all of it is right.
 *
 * @throws Error where the reading itself breaks; what is wrong with the file is in the problems
 */
export function readPack(archive: Uint8Array): PackResult {
  if (archive.length > PACK_MAX_BYTES)
    return {
      ok: false,
      problems: [`The file is larger than ${PACK_MAX_BYTES / 1e6} MB. Hand fewer jobs on at a time.`],
    };
  try {
    return { ok: true, pack: unpacked(readZip(archive)) };
  } catch (error) {
    if (error instanceof Refused) return { ok: false, problems: error.problems };
    if (error instanceof BadZipError) return { ok: false, problems: [error.message] };
    throw error;
  }
}

function unpacked(files: ReadonlyMap<string, Uint8Array>): Pack {
  const manifest = manifestOf(files);
  checkFiles(files, manifest);
  const jobs = manifest.jobs.map((entry): PackJob => {
    const read = readJobFile(textOf(files, jobName(entry.id)));
    if (!read.ok) throw new Refused(read.problems.map((problem) => `${jobName(entry.id)}: ${problem}`));
    if (read.file.job.id !== entry.id)
      throw new Refused([`${jobName(entry.id)} holds another job, “${read.file.job.id}”.`]);
    const name = historyName(entry.id);
    return { ...entry, file: read.file, history: files.has(name) ? historyOf(files, name) : null };
  });
  const partHistories = files.has(PART_HISTORIES) ? parsed(files, PART_HISTORIES, Histories) : {};
  for (const [id, history] of Object.entries(partHistories)) checkHistory(history, `${PART_HISTORIES} ${id}`);
  return {
    content: manifest.content,
    exportedAt: manifest.exportedAt,
    jobs,
    photos: manifest.photos.map((entry) => ({ ...entry, bytes: bytesOf(files, photoName(entry)) })),
    shelf: files.has(SHELF) ? parsed(files, SHELF, ShelfFile) : null,
    partHistories,
    kept: files.has(KEPT) ? parsed(files, KEPT, Kept) : {},
    drawings: [],
  };
}

function manifestOf(files: ReadonlyMap<string, Uint8Array>): z.infer<typeof Manifest> {
  const raw = jsonOf(files, MANIFEST);
  const kind = z.looseObject({ format: z.string(), version: z.unknown() }).safeParse(raw);
  if (!kind.success || kind.data.format !== PACK_FORMAT)
    throw new Refused([
      `This is not a pack of Vumble's: its ${MANIFEST} does not begin with "format": "${PACK_FORMAT}".`,
    ]);
  if (kind.data.version !== PACK_VERSION)
    throw new Refused([
      `The pack is version ${JSON.stringify(kind.data.version)?.slice(0, 20) ?? 'missing'}; this Vumble reads version ${PACK_VERSION}. Update Vumble.`,
    ]);
  const result = Manifest.safeParse(raw);
  if (!result.success)
    throw new Refused(result.error.issues.slice(0, 8).map((issue) => `${MANIFEST}: ${issueInWords(issue)}`));
  for (const [what, ids] of [
    ['job', result.data.jobs.map(({ id }) => id)],
    ['photograph', result.data.photos.map(({ id }) => id)],
  ] as const)
    if (new Set(ids).size < ids.length) throw new Refused([`${MANIFEST} lists a ${what} twice.`]);
  return result.data;
}

/** Every file is as the list says, and none is there that it does not name. */
function checkFiles(files: ReadonlyMap<string, Uint8Array>, manifest: z.infer<typeof Manifest>): void {
  for (const name of files.keys())
    if (name !== MANIFEST && !Object.hasOwn(manifest.files, name))
      throw new Refused([
        `The archive holds “${name}”, which its own list does not know. Nothing of it was read.`,
      ]);
  for (const [name, { bytes, sha256: hash }] of Object.entries(manifest.files)) {
    const content = bytesOf(files, name);
    if (content.length !== bytes || bytesToHex(sha256(content)) !== hash)
      throw new Refused([
        `“${name}” is not as it was packed: the file was damaged on the way. Have it sent again.`,
      ]);
  }
}

function historyOf(files: ReadonlyMap<string, Uint8Array>, name: string): History {
  const history = parsed(files, name, History);
  checkHistory(history, name);
  return history;
}

function checkHistory({ head, revisions, fields }: History, name: string): void {
  const ids = new Set(revisions.map(({ id }) => id));
  const sound =
    ids.has(head) &&
    ids.size === revisions.length &&
    revisions.every(({ parents }) => parents.every((id) => ids.has(id))) &&
    Object.values(fields).every(({ rev }) => rev < revisions.length);
  if (!sound) throw new Refused([`${name}: a revision is named that is not there. Have it sent again.`]);
}

function bytesOf(files: ReadonlyMap<string, Uint8Array>, name: string): Uint8Array {
  const bytes = files.get(name);
  if (!bytes)
    throw new Refused([`“${name}” is missing: the archive was cut off or taken apart. Have it sent again.`]);
  return bytes;
}

function textOf(files: ReadonlyMap<string, Uint8Array>, name: string): string {
  return new TextDecoder().decode(bytesOf(files, name));
}

function jsonOf(files: ReadonlyMap<string, Uint8Array>, name: string): unknown {
  try {
    return JSON.parse(textOf(files, name));
  } catch (error) {
    if (error instanceof Refused) throw error;
    throw new Refused([`${name} is not JSON (${(error as Error).message}).`]);
  }
}

function parsed<T>(files: ReadonlyMap<string, Uint8Array>, name: string, schema: z.ZodType<T>): T {
  const result = schema.safeParse(jsonOf(files, name));
  if (!result.success)
    throw new Refused(result.error.issues.slice(0, 8).map((issue) => `${name}: ${issueInWords(issue)}`));
  return result.data;
}
