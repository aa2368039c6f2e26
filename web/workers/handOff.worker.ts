import './writesAsHere.ts';
import { expose, proxy } from 'comlink';
import { PACK_MAX_BYTES, type Pack, readPack, writePack } from '../../core/formats/pack.ts';
import { db } from '../store/db.ts';
import { packOf, type Wanted } from '../store/handOff/packing.ts';
import { type PackPreview, previewPack } from '../store/handOff/preview.ts';
import { takePack } from '../store/handOff/take.ts';
import type { AllAnswers } from '../store/handOff/together.ts';
import { withDrawings } from './packDrawings.ts';

export type PackRead = { ok: true; preview: PackPreview } | { ok: false; problems: readonly string[] };

/** The pack that was read last: it is looked at, answered, looked at again, and then taken. */
let open: Pack | null = null;

/** What makes packs and takes them in, off the main thread: photographs are large, and years of work many. */
const api = {
  async pack(wanted: Wanted, heard: (done: number, of: number) => void): Promise<Uint8Array> {
    const pack = await packOf(wanted, db, heard);
    return writePack(wanted.content === 'jobs' ? await withDrawings(pack) : pack);
  },
  async read(bytes: Uint8Array | File): Promise<PackRead> {
    if (bytes instanceof File && bytes.size > PACK_MAX_BYTES)
      return readPack(new Uint8Array(PACK_MAX_BYTES + 1)) as PackRead;
    const read = readPack(bytes instanceof File ? new Uint8Array(await bytes.arrayBuffer()) : bytes);
    if (!read.ok) return read;
    open = read.pack;
    return { ok: true, preview: await previewPack(open, {}, db) };
  },
  /** The same pack with what was answered since. */
  async again(answers: AllAnswers): Promise<PackPreview> {
    return previewPack(opened(), answers, db);
  },
  async take(answers: AllAnswers): Promise<{ jobIds: readonly string[]; undo(): Promise<void> }> {
    const { jobIds, undo } = await takePack(opened(), answers, db);
    open = null;
    return proxy({ jobIds, undo });
  },
};

function opened(): Pack {
  if (!open) throw new Error('The file is no longer at hand. Choose it again.');
  return open;
}

export type HandOffWorker = typeof api;
expose(api);
