import type { ResistorNetwork } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import { circuitsFeeding, lampById } from '../model/vehicle/lookUp.ts';
import { networksOf } from '../simulation/fitment.ts';
import { functionName } from '../vehicle/lampWork.ts';
import type { KnownConnector } from './connectors.ts';
import { type FeedProof, feedProof, isProved } from './feedProof.ts';

/** A resistor that is joined to the loom at a lamp: which step it is, the feed in words, and how that feed is known. */
export interface LooseResistor {
  /** what its steps are called by */
  id: string;
  lampId: string;
  network: ResistorNetwork;
  /** `turn feed`, `tail feed` */
  feed: string;
  proof: FeedProof;
}

/** The feed a resistor lies across, in words: `turn feed`, `tail feed`. */
export function feedWords(
  { vehicle }: Pick<Job, 'vehicle'>,
  { lampId, input = 'main' }: ResistorNetwork,
): string {
  const feeding = circuitsFeeding(vehicle, lampId, input);
  if (feeding.some((circuit) => circuit.kind === 'turn')) return 'turn feed';
  return `${[...new Set(feeding.map((circuit) => functionName(circuit, lampId)))].join(', ')} feed`;
}

/** The resistors of one lamp that are joined to its wires: those on a plug are not. */
export function looseResistorsAt(
  job: Job,
  lampId: string,
  plugs?: readonly KnownConnector[],
): LooseResistor[] {
  return networksOf(job)
    .filter((network) => network.lampId === lampId && !network.plugged)
    .map((network, index) => ({
      ...loadAt(job, network, plugs),
      id: index === 0 ? lampId : `${lampId}-${index}`,
    }));
}

/** A resistor at its lamp, joined or on a plug of its own: the feed it lies across, and how that is known. */
export function loadAt(job: Job, network: ResistorNetwork, plugs?: readonly KnownConnector[]): LooseResistor {
  const { lampId, input } = network;
  return {
    id: lampId,
    lampId,
    network,
    feed: feedWords(job, network),
    proof: feedProof(job.vehicle, lampId, input, plugs),
  };
}

/** Those that were joined before anybody had shown by meter or probe that it is the right wire, in words for the owner. */
export function unprovedJoints(job: Job): string[] {
  return job.vehicle.lamps
    .flatMap(({ id }) => looseResistorsAt(job, id))
    .filter(({ id, proof }) => job.fit[`tap-${id}`]?.doneAt && !(proof.feed && isProved(proof.feed)))
    .map(
      ({ lampId, feed }) =>
        `${lampById(job.vehicle, lampId).name}: the resistor was joined to the ${feed} without the wire having been proved by meter. Have it measured.`,
    );
}
