import { Unzip, UnzipInflate, type Zippable, zipSync } from 'fflate';

/** The same time on every entry: the same content is the same file. */
const NO_TIME = '1980-01-01T00:00:00';
/** What a file may unfold to, bytes: counted as it unfolds, whatever its directory declares. */
export const ZIP_MAX_BYTES = 600_000_000;
const MAX_ENTRIES = 20_000;
const MAX_NAME = 200;
/** Read so many bytes at a time, so that a bomb is noticed before it has gone off. */
const STEP = 65_536;

/** One file of an archive. */
export interface ZipEntry {
  /** with `/` between folders */
  name: string;
  bytes: Uint8Array;
  /** compressed already: a photograph */
  stored?: boolean;
}

/** An archive that is none, or does what no archive of ours does. Says what is wrong with it. */
export class BadZipError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'BadZipError';
  }
}

/** Files as a ZIP archive; the same files give the same bytes. */
export function writeZip(entries: readonly ZipEntry[]): Uint8Array {
  const files: Zippable = {};
  for (const { name, bytes, stored } of entries)
    files[name] = [bytes, { level: stored ? 0 : 6, mtime: NO_TIME }];
  return zipSync(files);
}

/**
 * Unfolds an archive a stranger may have made.
 *
 * @param most what it may unfold to in all, bytes
 * @returns the files by name, in their order
 * @throws BadZipError where it is damaged or cut off, unfolds to more, or has names that lead out of a folder
 */
export function readZip(archive: Uint8Array, most = ZIP_MAX_BYTES): Map<string, Uint8Array> {
  const files = new Map<string, Uint8Array>();
  const open = new Set<string>();
  let total = 0;
  const unzip = new Unzip();
  unzip.register(UnzipInflate);
  unzip.onfile = (file) => {
    const { name } = file;
    refuseName(name);
    if (files.has(name) || open.has(name)) throw new BadZipError(`The archive holds “${name}” twice.`);
    if (files.size + open.size >= MAX_ENTRIES)
      throw new BadZipError(
        `The archive holds more than ${MAX_ENTRIES} files. Choose one that Vumble wrote.`,
      );
    open.add(name);
    const chunks: Uint8Array[] = [];
    file.ondata = (error, chunk, final) => {
      if (error) throw new BadZipError(`“${name}” in the archive is damaged (${error.message}).`);
      total += chunk.length;
      if (total > most)
        throw new BadZipError(
          `The archive unfolds to more than ${Math.round(most / 1e6)} MB, which none of ours does. Nothing of it was read.`,
        );
      chunks.push(chunk);
      if (!final) return;
      open.delete(name);
      files.set(name, joined(chunks));
    };
    file.start();
  };
  try {
    for (let at = 0; at < archive.length; at += STEP)
      unzip.push(archive.subarray(at, at + STEP), at + STEP >= archive.length);
  } catch (error) {
    if (error instanceof BadZipError) throw error;
    throw new BadZipError(
      `The file is no ZIP archive, or is damaged (${(error as Error).message}). Choose a file that ends in .vumble.zip, or have it sent again.`,
    );
  }
  if (open.size > 0) throw new BadZipError('The archive is cut off in the middle. Have it sent again.');
  if (files.size === 0)
    throw new BadZipError('The file is no ZIP archive. Choose a file that ends in .vumble.zip.');
  return files;
}

function refuseName(name: string): void {
  const leadsOut =
    name === '' ||
    name.length > MAX_NAME ||
    /^[/~]|^[A-Za-z]:|\\|\0/.test(name) ||
    name.split('/').some((part) => part === '..' || part === '.' || part === '');
  if (leadsOut)
    throw new BadZipError(
      `The archive has a file named “${name.slice(0, 60)}”, which leads out of its folder or is no name. Nothing of it was read.`,
    );
}

function joined(chunks: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(chunks.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const chunk of chunks) {
    all.set(chunk, at);
    at += chunk.length;
  }
  return all;
}
