import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import { pinReadingsOf } from '../../model/seen.ts';
import { connectorsOf } from '../connectors.ts';
import { readingOf, readWords } from './agreement.ts';
import { expectedReadings } from './expected.ts';
import { PinFinder, type PinFinding, type Standing } from './finder.ts';

/** What the readings of one plug say, and what the next one would show. */
export interface FoundPins {
  finding: PinFinding;
  /** of the next reading: what each function would give, in words */
  wouldShow: readonly { name: string; shows: string }[];
}

/**
 * Finds the pins of one plug of a job from what was read there.
 *
 * @param standing what is switched on and set on the meter now
 * @throws RangeError when the vehicle has no such plug
 * @throws NoSolutionError when no steady state of the vehicle exists
 */
export function findPins(job: Job, shelf: Shelf, connectorId: string, standing: Standing | null): FoundPins {
  const known = connectorsOf(job.vehicle).find(({ connector }) => connector.id === connectorId);
  if (!known) throw new RangeError(`${job.vehicle.name} has no plug "${connectorId}"`);
  const { connector } = known;
  const finder = new PinFinder(job.vehicle, connector, expectedReadings(job, shelf, connector));
  const readings = pinReadingsOf(job, connectorId);
  const finding = finder.find(readings, standing);
  const expected = finding.next ? finder.expectedAt(finding.next) : [];
  return {
    finding,
    wouldShow: finder.groups.map(({ name }, at) => {
      const read = readingOf(expected[at] ?? null);
      return { name, shows: read ? readWords(read, job.vehicle) : 'nobody can say' };
    }),
  };
}
