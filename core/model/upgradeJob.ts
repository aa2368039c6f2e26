import { upgradeLog } from './upgradeLog.ts';

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
 * @param until the version whose shape is wanted; today's where left out
 */
export function upgradeJob(job: unknown, version = 1, until = Number.POSITIVE_INFINITY): unknown {
  const whole = withConfigurations(withWholeVehicle(job));
  const seen = version < 6 ? withoutUnseen(whole) : whole;
  const scoped = version < 7 ? withScope(seen) : seen;
  const recorded = version < 8 && until >= 8 ? withOpenBrake(withEvidence(scoped)) : scoped;
  const signed = version < 11 && until >= 11 ? withSignedLog(recorded) : recorded;
  return version < 12 && until >= 12 ? withOpenOutputs(signed) : signed;
}

/** Up to version 11 a controller was taken to drive a side from one output: nobody had looked, and it is open now. */
function withOpenOutputs(job: unknown): unknown {
  if (!isRecord(job) || !isRecord(job.vehicle)) return job;
  const { flasher, circuits, facts } = job.vehicle;
  if (!isRecord(flasher) || !Array.isArray(circuits)) return job;
  const several = circuits.some(
    (each) => isRecord(each) && each.kind === 'turn' && Array.isArray(each.feeds) && each.feeds.length > 1,
  );
  const known = isRecord(facts) ? facts : {};
  const flashers = Array.isArray(known.flashers) ? known.flashers : [];
  if (!several || 'turnOutputs' in known) return job;
  if (flasher.kind !== 'controller' && !flashers.includes('controller')) return job;
  const vehicle = { ...job.vehicle, facts: { ...known, turnOutputs: ['side', 'corner', 'lamp'] } };
  return flasher.kind === 'controller'
    ? withReopened({ ...job, vehicle }, { outputs: true })
    : { ...job, vehicle };
}

/** Up to version 10 a record did not say of which vehicle and visit it is, nor a figure in which unit. */
function withSignedLog(job: unknown): unknown {
  if (!isRecord(job) || !Array.isArray(job.evidence) || !isRecord(job.vehicle)) return job;
  return { ...job, evidence: upgradeLog(job.evidence, String(job.vehicle.id)) };
}

/** What of a job was seen, under the names it had up to version 7. */
export const SEEN_UNTIL_7 = ['observations', 'circuitProofs', 'findings'] as const;

/** Up to version 7 rates, proofs and trials were three records; they are one. */
function withEvidence(job: unknown): unknown {
  if (!isRecord(job) || 'evidence' in job) return job;
  const { observations = [], circuitProofs = [], findings = [], ...rest } = job;
  if (![observations, circuitProofs, findings].every(Array.isArray)) return job;
  const each = (list: unknown, to: (old: Record<string, unknown>) => unknown) =>
    (list as unknown[]).map((old) => (isRecord(old) ? to(old) : old));
  return {
    ...rest,
    evidence: [
      ...each(observations, rateOf),
      ...each(circuitProofs, (old) => ({
        ...old,
        kind: 'proof',
        on: null,
        supply: null,
        fitted: fittedThen('cured'),
      })),
      ...each(findings, trialOf),
    ].toSorted(byTime),
  };
}

/** The one record is in the order it was told in; three that were kept apart have only their times for that. */
function byTime(a: unknown, b: unknown): number {
  const at = (each: unknown) => (isRecord(each) && typeof each.at === 'string' ? each.at : '');
  return at(a).localeCompare(at(b));
}

const fittedThen = (configuration: unknown) => ({ configuration, lamps: {}, networks: [], out: [] });
const conditions = (lights: unknown) => ({ lights, brake: false, engine: null });

function rateOf({ configuration, lights, supplyVolts, note, ...old }: Record<string, unknown>): unknown {
  return {
    ...old,
    kind: 'rate',
    ...(note === '' ? {} : { note }),
    on: conditions(lights),
    supply: supplyVolts === null ? null : { fromVolts: supplyVolts, toVolts: supplyVolts },
    fitted: fittedThen(configuration),
  };
}

function trialOf({
  lights,
  supplyVolts,
  supplyToVolts = supplyVolts,
  fitted: lamps,
  networks,
  out,
  ...old
}: Record<string, unknown>): unknown {
  return {
    ...old,
    kind: 'trial',
    on: conditions(lights),
    supply: { fromVolts: supplyVolts, toVolts: supplyToVolts },
    fitted: { configuration: null, lamps, networks, out },
  };
}

/** Up to version 7 nobody was taken to read the brake wire until somebody had said so: it is open now. */
function withOpenBrake(job: unknown): unknown {
  if (!isRecord(job) || !isRecord(job.vehicle)) return job;
  const facts = isRecord(job.vehicle.facts) ? job.vehicle.facts : {};
  return facts.brakeSensed === undefined ? withReopened(job, { brakeSense: true }) : job;
}

/** What was taken for granted and is open now is remembered until somebody has read what it changes. */
function withReopened(job: Record<string, unknown>, more: Record<string, unknown>): Record<string, unknown> {
  const before = isRecord(job.reopened) ? job.reopened : { settings: [], mounts: [], brakeSense: false };
  return { ...job, reopened: { ...before, ...more } };
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
  const old = {
    lamps: Array.isArray(lamps) ? lamps : [],
    outputs: isRecord(flasher) && Array.isArray(flasher.outputs) ? flasher.outputs : [],
  };
  const next = { lamps: old.lamps.map(withUnseenMount), outputs: old.outputs.map(withUnseenSetting) };
  const mounts = changed(old.lamps, next.lamps, 'id');
  const settings = changed(old.outputs, next.outputs, 'circuitId');
  if (mounts.length + settings.length === 0) return job;
  return withReopened(
    {
      ...job,
      vehicle: {
        ...job.vehicle,
        lamps: next.lamps,
        ...(isRecord(flasher) ? { flasher: { ...flasher, outputs: next.outputs } } : {}),
      },
    },
    { mounts, settings },
  );
}

/** The ids of what is not the same any more. */
function changed(before: readonly unknown[], after: readonly unknown[], id: string): unknown[] {
  return after.flatMap((each, index) => (each !== before[index] && isRecord(each) ? [each[id]] : []));
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
