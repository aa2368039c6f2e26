import ELK from 'elkjs/lib/elk-api.js';
import elkWorker from 'elkjs/lib/elk-worker.min.js?url';
import type { Pack } from '../../core/formats/pack.ts';
import { jobDrawings } from '../../core/handoff/jobDrawings.ts';

/** A pack with netlists and wiring sheets beside its jobs. A job that cannot be drawn goes without. */
export async function withDrawings(pack: Pack): Promise<Pack> {
  const elk = new ELK({ workerUrl: elkWorker, workerFactory: (url) => new Worker(url ?? elkWorker) });
  const drawings: { name: string; text: string }[] = [];
  for (const { file } of pack.jobs)
    try {
      drawings.push(...(await jobDrawings(file.job, file.parts, elk)));
    } catch {
      // It names a part nobody has: it is handed on all the same, and whoever opens it is told.
    }
  elk.terminateWorker();
  return { ...pack, drawings };
}
