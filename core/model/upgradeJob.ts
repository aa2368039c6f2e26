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
 *
 * @param version that wrote it
 */
export function upgradeJob(job: unknown, version = 1): unknown {
  const whole = withConfigurations(withWholeVehicle(job));
  const seen = version < 6 ? withoutUnseen(whole) : whole;
  return version < 7 ? withScope(seen) : seen;
}

/** Up to version 6 no job said what it converts: what it had LEDs for. One without any is still about all of its lamps. */
function withScope(job: unknown): unknown {
  if (!isRecord(job) || !isRecord(job.chosen) || 'scope' in job) return job;
  const lampIds = Object.entries(job.chosen).flatMap(([id, part]) => (part === null ? [] : [id]));
  return lampIds.length > 0 ? { ...job, scope: { lampIds, aim: null } } : job;
}

/** What the editor put into every lamp nobody had been at yet. */
const NOT_LOOKED_AT = 'Not looked at yet.';

/**
 * Up to version 5 a starting layout wrote down what nobody had looked at: that there is no metal near a lamp, and that a
 * controller can be set to LED. Both are unknown again where that mark of the layout is still on them.
 */
function withoutUnseen(job: unknown): unknown {
  if (!isRecord(job) || !isRecord(job.vehicle)) return job;
  const { lamps, flasher } = job.vehicle;
  return {
    ...job,
    vehicle: {
      ...job.vehicle,
      ...(Array.isArray(lamps) ? { lamps: lamps.map(withUnseenMount) } : {}),
      ...(isRecord(flasher) && Array.isArray(flasher.outputs)
        ? { flasher: { ...flasher, outputs: flasher.outputs.map(withUnseenSetting) } }
        : {}),
    },
  };
}

function withUnseenMount(lamp: unknown): unknown {
  if (!isRecord(lamp) || !isRecord(lamp.access)) return lamp;
  return lamp.resistorMount === 'none' && lamp.access.how === NOT_LOOKED_AT
    ? { ...lamp, resistorMount: 'unknown' }
    : lamp;
}

function withUnseenSetting(output: unknown): unknown {
  if (!isRecord(output) || !isRecord(output.watch) || !isRecord(output.watch.simulatedFilament))
    return output;
  return output.watch.canSetLed === true && output.watch.simulatedFilament.assumed === true
    ? { ...output, watch: { ...output.watch, canSetLed: null } }
    : output;
}

/** Up to version 4 an observation named its configuration "stage". */
function withConfigurations(job: unknown): unknown {
  if (!isRecord(job) || !Array.isArray(job.observations)) return job;
  return { ...job, observations: job.observations.map(upgradeObservation) };
}

/**
 * An observation of an earlier version in the shape of today; anything else as it came. Up to version 4 its configuration
 * was its stage, up to version 6 all were made with the lights off, in so many words.
 */
export function upgradeObservation(observation: unknown): unknown {
  if (!isRecord(observation)) return observation;
  const { stage, condition, ...rest } = observation;
  return {
    ...(stage === undefined ? {} : { configuration: stage }),
    ...(condition === 'lights-off' ? { lights: false } : condition === undefined ? {} : { condition }),
    ...rest,
  };
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
