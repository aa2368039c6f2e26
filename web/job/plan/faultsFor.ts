import type { Job } from '../../../core/model/job.ts';
import { flashes, scopeCircuits } from '../../../core/model/scope.ts';
import { circuitsOf, lampIdsOf, turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import type { Fault } from '../../../core/simulation/fault.ts';
import type { Fitment } from '../../../core/simulation/fitment.ts';

/** A rusted earth bolt, and a feed that lets a couple of milliamperes through while off (typical). */
const BAD_EARTH_OHMS = 12;
const LEAK_OHMS = 6000;

/** What may be wrong with a job's vehicle as it is fitted, in the words of a list. */
export function faultsFor(job: Job, { contents }: Fitment): { fault: Fault; label: string }[] {
  const { vehicle } = job;
  // A lamp that is out is told of by its neighbours only where they flash together.
  const tried = flashes(job) ? turnCircuits(vehicle) : scopeCircuits(job);
  const pulled = new Set(tried.flatMap(lampIdsOf));
  return [
    ...vehicle.lamps
      .filter((lamp) => pulled.has(lamp.id) && lamp.role === 'main')
      .map((lamp) => ({
        fault: { kind: 'bulb-out' as const, lampId: lamp.id },
        label: `${lamp.name}: out of its socket`,
      })),
    ...vehicle.lamps.flatMap((lamp) => {
      const content = contents.get(lamp.id);
      const oneWay = content?.kind === 'led' && content.part.polarity === 'one-way' && !content.part.twin;
      return oneWay
        ? [
            {
              fault: { kind: 'reversed' as const, lampId: lamp.id },
              label: `${lamp.name}: the wrong way round`,
            },
          ]
        : [];
    }),
    ...vehicle.earthPoints.map((point) => ({
      fault: { kind: 'bad-earth' as const, earthPointId: point.id, ohms: BAD_EARTH_OHMS },
      label: `${point.name}: rusted`,
    })),
    ...vehicle.circuits
      .filter((circuit) =>
        circuit.feeds.some(
          (feed) => contents.get(feed.lampId)?.kind === 'led' && circuitsOf(vehicle, feed.lampId).length > 0,
        ),
      )
      .map((circuit) => ({
        fault: { kind: 'leakage' as const, circuitId: circuit.id, ohms: LEAK_OHMS },
        label: `${circuit.name}: its feed leaks while off`,
      })),
  ];
}
