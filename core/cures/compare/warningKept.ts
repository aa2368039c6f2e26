import type { Judge } from '../../judge/judge.ts';
import { isTurn } from '../../judge/scenario.ts';
import { watchedBy } from '../../judge/watchedBy.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { lampById, lampIdsOf } from '../../model/vehicle/lookUp.ts';

/** What is left of the driver being told that a lamp has failed. */
export type WarningKept = 'kept' | 'partly' | 'lost';

/**
 * Whether whoever watches still calls the loss of each lamp it called before: each main lamp is taken dead and judged. A
 * load that outlives its LED hides it; what nothing watches, nothing is lost of.
 */
export function warningKept(judge: Judge, circuits: readonly Circuit[]): WarningKept {
  const { job } = judge;
  const fitted = judge.turns.fitment;
  const stock = job.vehicle.flasher;
  let noticed = 0;
  let hidden = 0;
  for (const circuit of circuits) {
    if (
      isTurn(circuit) &&
      (stock.kind === 'non-watching-relay' || fitted.flasher.kind === 'non-watching-relay')
    ) {
      hidden += 1;
      continue;
    }
    const { who, open } = watchedBy(job, fitted.flasher, circuit);
    if (who === null || open) continue;
    for (const lampId of new Set(lampIdsOf(circuit))) {
      if (lampById(job.vehicle, lampId).role !== 'main') continue;
      const content = fitted.contents.get(lampId);
      const outlived = content?.kind === 'led' && content.part.builtInLoadOhms !== undefined;
      if (!outlived && judge.withDead(circuit, lampId) === 'falls-short') noticed += 1;
      else hidden += 1;
    }
  }
  if (hidden === 0) return 'kept';
  return noticed === 0 ? 'lost' : 'partly';
}
