/**
 * Jobs written before vehicles had more than turn circuits. The old vehicle had one fuse in its supply and one
 * watching relay; nothing of it is lost.
 */
interface FirstVehicle {
  supply: { internalOhms: number; fuse: { name: string; ratedAmps: number; ohms: number }; wire: unknown };
  flasher: Record<string, unknown>;
  circuits: { id: string; side: string; lampIds: string[]; feed: unknown; switchOhms: number }[];
  [field: string]: unknown;
}

const TURN_FUSE = 'turn-fuse';

/**
 * A job as any earlier version wrote it, in the shape of today. What is not recognisably such a job is given back as it
 * came, for the schema to refuse by name.
 */
export function upgradeJob(job: unknown): unknown {
  return withConfigurations(withWholeVehicle(job));
}

/** Up to version 4 an observation named its configuration "stage". */
function withConfigurations(job: unknown): unknown {
  if (!isRecord(job) || !Array.isArray(job.observations)) return job;
  return { ...job, observations: job.observations.map(upgradeObservation) };
}

/** An observation of up to version 4 in the shape of today; anything else as it came. */
export function upgradeObservation(observation: unknown): unknown {
  if (!isRecord(observation) || !('stage' in observation)) return observation;
  const { stage, ...rest } = observation;
  return { configuration: stage, ...rest };
}

/** Version 1 knew turn circuits alone. */
function withWholeVehicle(job: unknown): unknown {
  if (!isRecord(job) || !isRecord(job.vehicle) || !isRecord(job.vehicle.supply)) return job;
  const { supply, flasher, circuits, ...vehicle } = job.vehicle as unknown as FirstVehicle;
  if (!isRecord(supply.fuse) || !isRecord(flasher) || !Array.isArray(circuits)) return job;
  return {
    ...job,
    vehicleCures: [],
    vehicle: {
      ...vehicle,
      hazardSwitch: true,
      internalOhms: supply.internalOhms,
      fuses: [{ id: TURN_FUSE, ...supply.fuse, wire: supply.wire }],
      earthPoints: [],
      flasher: { ...flasher, fuseId: TURN_FUSE },
      circuits: circuits.map(({ lampIds, feed, ...circuit }) => ({
        ...circuit,
        name: circuit.side === 'left' ? 'Left turn' : 'Right turn',
        feeds: Array.isArray(lampIds) ? lampIds.map((lampId) => ({ lampId, input: 'main' })) : lampIds,
        from: { by: 'flasher' },
        wire: feed,
      })),
    },
  };
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
