import { normalRate } from '../../devices/flasher.ts';
import { lampIdsOf, turnCircuits } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import type { Fitment } from '../../simulation/fitment.ts';
import { isTurn } from '../scenario.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** A sweep cut short, flashes a minute and s. */
export type SweepFinding = FindingOf<
  'sweep',
  {
    lampId: string;
    /** how many more lamps do not finish */
    others: number;
    ratePerMinute: number;
    onSeconds: number;
    sweepSeconds: number;
  }
>;

/** A sequential turn lamp that goes dark before its last segment is lit. */
interface UnfinishedSweep {
  lampId: string;
  sweepSeconds: number;
  onSeconds: number;
}

/** The sequential turn lamps that do not finish their sweep at a rate; none where nothing flashes. */
function unfinishedSweeps(
  vehicle: Vehicle,
  { contents, flasher }: Fitment,
  ratePerMinute: number,
): UnfinishedSweep[] {
  if (ratePerMinute <= 0) return [];
  const onSeconds = (60 / ratePerMinute) * flasher.onFraction;
  return turnCircuits(vehicle)
    .flatMap(lampIdsOf)
    .flatMap((lampId) => {
      const content = contents.get(lampId);
      const seconds = content?.kind === 'led' ? content.part.sweep?.seconds : undefined;
      return seconds !== undefined && seconds > onSeconds
        ? [{ lampId, sweepSeconds: seconds, onSeconds }]
        : [];
    });
}

/** A sequential lamp must finish its sweep while it is lit, at the fastest its flasher may run. */
export function sweepRequirement({ vehicle, circuit, fitted, ratePerMinute }: Scene): SweepFinding[] {
  if (!isTurn(circuit)) return [];
  const rate = ratePerMinute ?? normalRate(fitted.fitment.flasher);
  const ids = lampIdsOf(circuit);
  const sweeps = unfinishedSweeps(vehicle, fitted.fitment, rate).filter(({ lampId }) => ids.includes(lampId));
  const [first] = sweeps;
  return first
    ? [
        {
          requirement: 'sweep',
          state: 'falls-short',
          ...first,
          others: sweeps.length - 1,
          ratePerMinute: rate,
        },
      ]
    : [];
}
