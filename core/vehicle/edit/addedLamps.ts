import { testVolts } from '../../judge/workingPoints.ts';
import type { Job } from '../../model/job.ts';
import type { Circuit, CircuitKind } from '../../model/vehicle/circuit.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { feedFuseId, lampById } from '../../model/vehicle/lookUp.ts';
import type { Fuse, Vehicle } from '../../model/vehicle/vehicle.ts';
import { type NewFeed, newFeed } from '../newFeed.ts';
import { retuneAssumed } from './assumed.ts';
import { bladeFuse, bladeOhms } from './bladeFuse.ts';
import { addLamps, removeLamp } from './lamps.ts';
import type { LampTemplateId } from './lampTemplates.ts';
import { VehicleEditError } from './vehicleEditError.ts';

/** Coil of a small vehicle relay, ohms: about 0.15 A (typical). */
const COIL_OHMS: Record<6 | 12 | 24, number> = { 6: 24, 12: 85, 24: 320 };

/** A lamp somebody wants to add. */
export interface NewLamp {
  /** what kind of lamp it is like, which says where it stands and what it does */
  templateId: LampTemplateId;
  name: string;
  side: Lamp['side'];
  /** as printed, W */
  watts: number;
  feed: 'existing' | 'relay';
  /** from the feed to the lamp, m */
  lengthM: number;
  drilled: boolean;
  price?: number;
}

/** The circuit a function's lamps hang on now; undefined where the vehicle has none. */
export function feedFor(vehicle: Vehicle, kind: CircuitKind, side: Lamp['side']): Circuit | undefined {
  const known = vehicle.circuits.filter((circuit) => circuit.kind === kind && !circuit.relay);
  return known.find((circuit) => circuit.side === (side === 'centre' ? null : side)) ?? known[0];
}

/** The wire and fuse a new lamp would get. */
export function feedOfNewLamp(
  vehicle: Vehicle,
  kind: CircuitKind,
  { watts, lengthM, feed, side }: Pick<NewLamp, 'watts' | 'lengthM' | 'feed' | 'side'>,
): NewFeed {
  const circuit = feedFor(vehicle, kind, side);
  const fuse = circuit && vehicle.fuses.find(({ id }) => id === feedFuseId(vehicle, circuit));
  return newFeed({
    amps: watts / testVolts(vehicle.systemVolts),
    lengthM,
    systemVolts: vehicle.systemVolts,
    fuseAmps: feed === 'existing' && fuse ? fuse.ratedAmps : null,
  });
}

/**
 * Adds a lamp the vehicle did not have: on the feed of its function, or on a relay with a fuse of its own that this feed
 * works. Nothing that is there gets another fuse.
 *
 * @param job changed in place
 * @returns its id
 * @throws VehicleEditError where the vehicle has no feed of that function, or no room for another lamp or fuse
 */
export function addNewLamp(job: Job, wanted: NewLamp): string {
  const { vehicle } = job;
  if (!(wanted.watts > 0) || !(wanted.lengthM > 0))
    throw new VehicleEditError('Write what is printed on it in W, and how long its wire is in m.');
  const fusesBefore = vehicle.fuses.map((fuse) => ({ ...fuse }));
  const circuitsBefore = new Set(vehicle.circuits.map(({ id }) => id));
  const [id] = addLamps(vehicle, wanted.templateId, wanted.side);
  const lamp = lampById(vehicle, id ?? '');
  const mine = vehicle.circuits.filter(({ feeds }) => feeds.some(({ lampId }) => lampId === lamp.id));
  const [feed] = mine;
  if (!feed || !circuitsBefore.has(feed.id)) {
    removeLamp(vehicle, lamp.id);
    throw new VehicleEditError(
      'This vehicle has no such feed to take it from. Add its lamp and circuit on the vehicle screen first.',
    );
  }
  // A lamp that is added changes no fuse: what nobody has read stays as it was taken.
  for (const fuse of vehicle.fuses)
    Object.assign(
      fuse,
      fusesBefore.find(({ id: known }) => known === fuse.id),
    );
  const size = feedOfNewLamp(vehicle, feed.kind, wanted);
  Object.assign(lamp, {
    name: wanted.name,
    role: 'repeater' as const,
    works: { sealed: true, amps: wanted.watts / testVolts(vehicle.systemVolts), faultLine: false },
    added: {
      feed: wanted.feed,
      drilled: wanted.drilled,
      ...(wanted.price === undefined ? {} : { price: wanted.price }),
    },
    lead: { lengthM: wanted.lengthM, areaMm2: size.areaMm2 },
    earth: { lengthM: 0.4, areaMm2: size.areaMm2 },
  });
  delete lamp.returnsTo;
  if (wanted.feed === 'relay') ontoRelay(vehicle, lamp, feed, size);
  // Thresholds nobody has measured follow from what the works fitted, and that is what it was.
  retuneAssumed(vehicle);
  return lamp.id;
}

/** Takes a lamp off its feed and onto a relay of its own, which that feed works. */
function ontoRelay(vehicle: Vehicle, lamp: Lamp, feed: Circuit, { fuseAmps, areaMm2 }: NewFeed): void {
  if (vehicle.fuses.length >= 40)
    throw new VehicleEditError('A vehicle holds at most 40 fuses. Remove one first.');
  feed.feeds = feed.feeds.filter(({ lampId }) => lampId !== lamp.id);
  const fuse: Fuse = {
    ...bladeFuse(`fuse-${lamp.id}`.slice(0, 64), `fuse of the ${lamp.name}`.slice(0, 140), fuseAmps),
    ohms: bladeOhms(fuseAmps),
    wire: { lengthM: 0.5, areaMm2 },
  };
  delete fuse.assumed;
  vehicle.fuses.push(fuse);
  const { side, workedBy } = feed;
  vehicle.circuits.push({
    id: `relay-${lamp.id}`.slice(0, 64),
    kind: feed.kind,
    name: lamp.name,
    side: feed.kind === 'turn' ? side : null,
    feeds: [{ lampId: lamp.id, input: 'main' }],
    from: { by: 'switch', fuseId: fuse.id },
    wire: { lengthM: 0.5, areaMm2 },
    switchOhms: 0.01,
    watched: false,
    relay: { by: feed.id, coilOhms: COIL_OHMS[vehicle.systemVolts] },
    ...(workedBy ? { workedBy } : {}),
  });
}

/**
 * Takes an added lamp off again, with its relay and fuse.
 *
 * @param job changed in place
 */
export function dropNewLamp(job: Job, lampId: string): void {
  const { vehicle } = job;
  const fuseId = `fuse-${lampId}`.slice(0, 64);
  removeLamp(vehicle, lampId);
  vehicle.fuses = vehicle.fuses.filter(({ id }) => id !== fuseId);
}
