import './writesAsHere.ts';
import { expose } from 'comlink';
import { JOB_FILE_MAX_BYTES, type JobFileResult, readJobFile } from '../../core/formats/jobFile.ts';
import { readShelfCsv, SHELF_CSV_MAX_BYTES, type ShelfCsvResult } from '../../core/formats/shelfCsv.ts';
import { textOfFile } from '../../core/formats/textOfFile.ts';
import type { Shelf } from '../../core/model/part.ts';

/** A table as it was read, and in what it was written. */
export type ShelfTable = ShelfCsvResult & { encoding: string | null };

/** What reads files a stranger may have written: off the main thread, however large they are. */
const api = {
  async shelfTable(file: File, shelf: Shelf): Promise<ShelfTable> {
    // A file far over the limit is refused before it is read into memory.
    if (file.size > 4 * SHELF_CSV_MAX_BYTES)
      return { ...readShelfCsv('x'.repeat(SHELF_CSV_MAX_BYTES + 1), shelf), encoding: null };
    const read = textOfFile(new Uint8Array(await file.arrayBuffer()));
    if (!read.ok)
      return { parts: [], problems: [{ line: 1, text: read.problem }], unknownColumns: [], encoding: null };
    return { ...readShelfCsv(read.text, shelf), encoding: read.encoding };
  },
  async jobFile(file: File): Promise<JobFileResult> {
    if (file.size > JOB_FILE_MAX_BYTES) return readJobFile(' '.repeat(JOB_FILE_MAX_BYTES + 1));
    const read = textOfFile(new Uint8Array(await file.arrayBuffer()));
    return read.ok ? readJobFile(read.text) : { ok: false, problems: [read.problem] };
  },
};
export type FilesWorker = typeof api;
expose(api);
