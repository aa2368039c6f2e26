import type { SystemVolts } from '../model/fields.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import type { Vehicle, VehicleFacts, VehicleKind } from '../model/vehicle/vehicle.ts';
import { addLamps } from '../vehicle/edit/lamps.ts';
import { type LampTemplateId, type Origins, TEMPLATES } from '../vehicle/edit/lampTemplates.ts';
import { setStopTurn } from '../vehicle/edit/stopTurn.ts';
import { setTurnOutputs } from '../vehicle/edit/turnOutputs.ts';
import {
  fitThermal,
  leaveOutputsOpen,
  possibleFlashers,
  possibleTurnOutputs,
  setFlasher,
  typicalFlasher,
  usualFlasher,
} from './flashers.ts';
import { VEHICLE_KINDS } from './vehicleKinds.ts';

/** Some lamps of one kind in a starting layout. */
export interface LayoutEntry {
  id: LampTemplateId;
  where: Lamp['side'] | 'pair';
  /** where this kind of vehicle has them, when not where the template says */
  at?: readonly [across: number, along: number];
  /** whether most of that age and market have them; the others are offered unticked */
  usual: boolean;
}

/** What a person says of a new vehicle. Everything can be corrected lamp by lamp afterwards. */
export interface StartingLayout extends Origins {
  name: string;
  model: string;
  entries: readonly Pick<LayoutEntry, 'id' | 'where' | 'at'>[];
  /** null: nobody has looked, take what is usual */
  flasher: FlasherKind | null;
  gearbox?: VehicleFacts['gearbox'];
  traffic?: VehicleFacts['traffic'] | undefined;
  /** the front turn bulb is the position lamp too, a twin bulb for both */
  frontTwin?: boolean;
  /** the rear turn filament is the stop lamp too, its dim one the tail lamp */
  rearStop?: boolean;
}

/**
 * Whether one front bulb mostly turns and parks, and one rear filament turns and stops, on a vehicle of that market and
 * kind (common practice); always asked, since either is met everywhere.
 */
export function usualSharing({ kind, region, year }: Pick<Origins, 'kind' | 'region' | 'year'>): {
  frontTwin: boolean;
  rearStop: boolean;
} {
  const us = region === 'US' && kind !== 'moped' && kind !== 'tractor';
  return { frontTwin: us && kind !== 'trailer' && year >= 1968, rearStop: us && kind === 'trailer' };
}

/** Volts a vehicle of that kind and year has (common practice); always asked, since exceptions are many. */
export function usualVolts(kind: VehicleKind, year: number): SystemVolts {
  return VEHICLE_KINDS[kind].volts.findLast(([from]) => year >= from)?.[1] ?? 12;
}

/**
 * From when new types of a kind have daytime running lamps in UN markets (from memory: cars and vans 2011, larger ones
 * August 2012); mostly LEDs from the works since, so that the first years are those with bulbs.
 */
const DAYTIME_FROM: Record<VehicleKind, number> = {
  car: 2011,
  van: 2011,
  minibus: 2013,
  coach: 2013,
  lorry: 2013,
  trailer: Number.POSITIVE_INFINITY,
  moped: Number.POSITIVE_INFINITY,
  tractor: Number.POSITIVE_INFINITY,
};

/**
 * Lamp groups a starting layout offers for a vehicle, in the order of a walk round it.
 *
 * @param traffic the side of the road that is kept to: a single rear fog lamp is on the other, nearest the middle of the
 *   road, and a single reverse lamp across from it (UN Regulation 48 for the fog lamp, from memory); right where nobody said
 */
export function layoutEntries({
  kind,
  year,
  region,
  traffic = 'right',
}: Omit<Origins, 'systemVolts'> & { traffic?: 'left' | 'right' | undefined }): LayoutEntry[] {
  const un = region === 'UN';
  const pair = (id: LampTemplateId, usual = true, at?: LayoutEntry['at']): LayoutEntry => ({
    id,
    where: 'pair',
    usual,
    ...(at ? { at } : {}),
  });
  const one = (id: LampTemplateId, usual = true, at?: LayoutEntry['at']): LayoutEntry => ({
    id,
    where: 'centre',
    usual,
    ...(at ? { at } : {}),
  });
  const long = kind === 'lorry' || kind === 'coach';
  const outer = (across: number) => (traffic === 'right' ? across : 1 - across);
  const oneSided = (id: LampTemplateId, usual: boolean): LayoutEntry => ({ id, where: traffic, usual });
  switch (kind) {
    case 'moped':
      return [
        pair('front-turn', true, [0.06, 0.19]),
        pair('rear-turn', true, [0.14, 0.86]),
        one('stop-tail', true, [0.5, 0.95]),
        one('position', false, [0.5, 0.06]),
        one('plate', false, [0.5, 0.985]),
        one('dash', true, [0.5, 0.24]),
      ];
    case 'trailer':
      return [
        pair('rear-turn'),
        pair('stop-tail'),
        one('rear-fog', un, [outer(0.4), 0.98]),
        pair('plate', true, [0.44, 0.99]),
        pair('position', year >= 1990, [0.06, 0.22]),
        pair('marker', false),
        pair('rear-marker', false),
        pair('end-outline-front', false),
        pair('end-outline-rear', false),
        pair('reverse', false),
        one('interior', false, [0.5, 0.55]),
        one('load-area', false),
      ];
    case 'tractor':
      return [
        pair('front-turn', true, [0.22, 0.36]),
        pair('rear-turn', true, [0.04, 0.82]),
        pair('stop-tail', true, [0.16, 0.84]),
        pair('position', true, [0.36, 0.06]),
        one('plate', true, [0.5, 0.86]),
        pair('dipped-beam', false, [0.4, 0.03]),
        pair('work', false, [0.24, 0.58]),
        one('beacon', false, [0.5, 0.5]),
        one('interior', year >= 1980, [0.5, 0.6]),
        one('dash', true, [0.46, 0.4]),
        one('charge', year < 2000, [0.54, 0.4]),
      ];
    default:
      return [
        pair('front-turn'),
        pair('repeater', un),
        pair('rear-turn'),
        pair('stop-tail'),
        ...(kind === 'lorry' || kind === 'coach' ? [] : [one('third-brake', year >= (un ? 1998 : 1986))]),
        pair('position'),
        kind === 'car' || kind === 'van' ? oneSided('reverse', un && year < 1990) : pair('reverse'),
        ...(kind === 'car' || kind === 'van' ? [pair('reverse', !(un && year < 1990))] : []),
        one('rear-fog', un && year >= 1978, [outer(0.41), 0.982]),
        kind === 'coach' || kind === 'minibus' ? one('plate', true, [0.52, 0.985]) : pair('plate'),
        pair('marker', !un),
        ...(long
          ? [pair('rear-marker', false), pair('end-outline-front', false), pair('end-outline-rear', false)]
          : []),
        ...(un ? [pair('rear-fog', false, [0.42, 0.982])] : []),
        pair('daytime-running', un && year >= DAYTIME_FROM[kind]),
        pair('dipped-beam', false),
        pair('main-beam', false),
        pair('front-fog', false),
        pair('cornering', false),
        ...(kind === 'car' ? [] : [pair('work', false), one('beacon', false)]),
        one('interior', kind !== 'lorry' && kind !== 'coach'),
        pair('map', false),
        ...(long ? [] : [one('boot', false), one('glove-box', false), pair('vanity', false)]),
        ...(kind === 'car' ? [] : [one('load-area', false)]),
        pair('footwell', false),
        pair('door', false),
        pair('puddle', false),
        one('dash', false),
        one('charge', false),
      ];
  }
}

/** Resistance of battery and leads: a bigger vehicle has a bigger battery (typical), ohms. */
function internalOhms({ kind, systemVolts }: Origins): number {
  const { internalOhms: usual } = VEHICLE_KINDS[kind];
  return systemVolts === 24 ? 0.02 : usual;
}

/**
 * A vehicle as most of its kind, age and market are: lamps with bulbs and lenses, a circuit for each function, fuses
 * and the usual flasher. Every figure of it is typical until somebody looks.
 *
 * @param id of the new vehicle
 * @throws VehicleEditError when no side has a main turn lamp
 */
export function startingVehicle(id: string, layout: StartingLayout): Vehicle {
  const { name, model, kind, year, region, systemVolts } = layout;
  // What nobody has looked at is every kind that is met on such a vehicle; it is drawn with the most usual.
  const flashers = layout.flasher ? [] : possibleFlashers(layout, [year, year]);
  const vehicle: Vehicle = {
    id,
    name,
    model,
    kind,
    year,
    systemVolts,
    region,
    hazardSwitch: year >= VEHICLE_KINDS[kind].hazardFrom,
    facts: {
      ...(layout.gearbox ? { gearbox: layout.gearbox } : {}),
      ...(layout.traffic ? { traffic: layout.traffic } : {}),
      ...(layout.flasher ? { flasherSeen: true } : {}),
      ...(flashers.length > 1 ? { flashers } : {}),
    },
    internalOhms: internalOhms(layout),
    fuses: [],
    earthPoints: [],
    flasher: typicalFlasher('watching-relay', layout),
    circuits: [],
    lamps: [],
  };
  setFlasher(vehicle, layout.flasher ?? usualFlasher(layout).kind);
  for (const entry of sharedEntries(layout)) {
    const [across, along] = entry.at ?? TEMPLATES[entry.id].at;
    const at = entry.at ? { across, along } : undefined;
    addLamps(vehicle, entry.id, entry.where, at);
  }
  if (layout.rearStop)
    for (const { id, end } of vehicle.lamps)
      if (end === 'rear' && id.startsWith('stop-tail')) setStopTurn(vehicle, id);
  if (kind === 'moped') addPilots(vehicle);
  drawOutputs(vehicle, layout);
  fitThermal(vehicle);
  return vehicle;
}

/** Where a controller flashes them, or may, nobody has looked which lamps hang on which output: it is drawn as is usual. */
function drawOutputs(vehicle: Vehicle, { flasher }: StartingLayout): void {
  const mayBe = vehicle.flasher.kind === 'controller' || vehicle.facts?.flashers?.includes('controller');
  if (!mayBe || (flasher !== null && flasher !== 'controller')) return;
  const [usual] = possibleTurnOutputs(vehicle);
  if (usual) setTurnOutputs(vehicle, usual);
  leaveOutputsOpen(vehicle);
}

/** The lamps that are asked for, with those that share a bulb put together. */
function sharedEntries({ entries, frontTwin, rearStop }: StartingLayout): StartingLayout['entries'] {
  return entries.flatMap((entry) => {
    // The one bulb is position lamp too: none of its own is left.
    if (frontTwin && entry.id === 'front-turn') return [{ ...entry, id: 'front-turn-position' as const }];
    if (frontTwin && entry.id === 'position') return [];
    if (rearStop && entry.id === 'rear-turn') return [];
    return [entry];
  });
}

/** Motorcycles since about then have a pilot for each side, a hazard switch and an electronic relay (common practice). */
const TWO_PILOTS_FROM = 2000;

function addPilots(vehicle: Vehicle): void {
  if (vehicle.year >= TWO_PILOTS_FROM) addLamps(vehicle, 'turn-pilot', 'pair');
  else if (vehicle.flasher.kind !== 'controller') addPilot(vehicle);
}

/** One dash lamp between the sides, as mopeds and small motorcycles mostly have it (common practice). */
function addPilot(vehicle: Vehicle): void {
  const [id] = addLamps(vehicle, 'dash', 'centre', { across: 0.58, along: 0.24 });
  const lamp = vehicle.lamps.find((each) => each.id === id);
  if (!lamp) return;
  lamp.id = 'pilot';
  lamp.name = 'Turn pilot';
  lamp.lens = 'green-film';
  vehicle.pilot = { lampId: 'pilot' };
  for (const circuit of vehicle.circuits) circuit.feeds = circuit.feeds.filter((feed) => feed.lampId !== id);
  vehicle.circuits = vehicle.circuits.filter((circuit) => circuit.feeds.length > 0);
}
