import type { Flasher, FlasherKind } from '../model/vehicle/flasher.ts';
import type { TurnOutputs, Vehicle } from '../model/vehicle/vehicle.ts';
import { listedSideAmps, retuneAssumed } from '../vehicle/edit/assumed.ts';
import { bladeFuse } from '../vehicle/edit/bladeFuse.ts';
import { fuseFor, outputFor } from '../vehicle/edit/circuits.ts';
import type { Origins } from '../vehicle/edit/lampTemplates.ts';
import { distinctLayouts, setTurnOutputs, turnOutputsOf } from '../vehicle/edit/turnOutputs.ts';
import { VEHICLE_KINDS } from './vehicleKinds.ts';

/** Which flasher is usual on a vehicle of that kind and year (common practice), and why that is thought. */
export function usualFlasher({ kind, year, systemVolts }: Origins): { kind: FlasherKind; why: string } {
  const { thermalMostly, controllerMostly } = VEHICLE_KINDS[kind].flasher;
  if (kind === 'trailer')
    return {
      kind: 'watching-relay',
      why: 'A trailer flashes with the relay of what tows it, which mostly watches.',
    };
  if (systemVolts === 6 || year <= thermalMostly)
    return { kind: 'thermal', why: `Most of these before ${thermalMostly + 1} have a thermal flasher.` };
  if (controllerMostly !== null && year >= controllerMostly)
    return {
      kind: 'controller',
      why: `Most of these since ${controllerMostly} flash from a body controller, not from a relay.`,
    };
  return {
    kind: 'watching-relay',
    why: 'Most of these years have an electronic relay that watches the current.',
  };
}

/** First year of electronic flashers (common practice). */
const ELECTRONIC_FROM = 1972;

/**
 * Every kind of flasher met on a vehicle of that kind and age, the most usual first (common practice): what is usual in
 * one year is still built in the next ten, and a relay may have been replaced by one that does not watch.
 *
 * @param years the first and last year it may be of
 */
export function possibleFlashers(
  origins: Omit<Origins, 'year'>,
  years: readonly [number, number],
): FlasherKind[] {
  const [from, to] = years;
  const { kind, systemVolts } = origins;
  const usual = usualFlasher({ ...origins, year: Math.round((from + to) / 2) }).kind;
  const { thermalMet, controllerMet, relayMet } = VEHICLE_KINDS[kind].flasher;
  const relays = to >= ELECTRONIC_FROM && (relayMet === null || from <= relayMet);
  const met: Record<FlasherKind, boolean> = {
    'watching-relay': systemVolts !== 6 && relays,
    controller: controllerMet !== null && systemVolts !== 6 && to >= controllerMet,
    'non-watching-relay': relays,
    thermal: from <= thermalMet,
  };
  const kinds = (Object.keys(met) as FlasherKind[]).filter((each) => met[each] || each === usual);
  return kinds.toSorted((a, b) => Number(b === usual) - Number(a === usual));
}

/** From about then most controllers drive each corner from an output of its own (common practice). */
const CORNERS_FROM = 2005;

/**
 * Every way a controller of that age may drive its turn lamps, the most usual first (common practice): which, only a look at
 * the vehicle tells.
 */
export function possibleTurnOutputs({ year }: Pick<Origins, 'year'>): TurnOutputs[] {
  return year >= CORNERS_FROM ? ['corner', 'side', 'lamp'] : ['side', 'corner', 'lamp'];
}

/**
 * Leaves every way open in which a controller may drive the turn lamps it has, the drawn one first.
 *
 * @param vehicle changed in place
 */
export function leaveOutputsOpen(vehicle: Vehicle): void {
  const drawn = turnOutputsOf(vehicle);
  const turnOutputs = distinctLayouts(vehicle, [...(drawn ? [drawn] : []), ...possibleTurnOutputs(vehicle)]);
  if (turnOutputs.length > 1) vehicle.facts = { ...vehicle.facts, turnOutputs };
}

/** Fuse of the turn lamps by what the vehicle is, A at 12 V (common practice). */
function turnFuseAmps({ kind, systemVolts }: Origins): number {
  return systemVolts === 24 ? 10 : VEHICLE_KINDS[kind].turnFuseAmps;
}

/** A flasher of a kind with the figures most of them have. */
export function typicalFlasher(kind: FlasherKind, origins: Origins): Flasher {
  const fuseId = kind === 'controller' ? 'body-fuse' : 'turn-fuse';
  const threeTerminals = { supply: '49', lamps: '49a', earth: '31' };
  const base = { id: 'flasher', fuseId };
  const volts = `${origins.systemVolts} V `;
  switch (kind) {
    case 'thermal':
      return {
        ...base,
        kind,
        name: 'two-terminal thermal flasher',
        terminals: { supply: 'B', lamps: 'L' },
        ratedAmps: VEHICLE_KINDS[origins.kind].thermalAmps * (12 / origins.systemVolts),
        normalRate: 85,
        onFraction: 0.5,
        contactOhms: 0.08,
        underloaded: 'slow-or-on',
      };
    case 'watching-relay':
      return {
        ...base,
        kind,
        name: `three-terminal ${origins.systemVolts === 24 ? volts : ''}relay`,
        terminals: threeTerminals,
        normalRate: 88,
        onFraction: 0.5,
        fastMultiplier: 2,
        ratedAmps: origins.systemVolts === 24 ? 10 : 20,
        contactOhms: 0.006,
        watchesRepeaters: null,
      };
    case 'non-watching-relay':
      return {
        ...base,
        kind,
        name: 'electronic relay',
        terminals: threeTerminals,
        slowestRate: 85,
        fastestRate: 85,
        onFraction: 0.5,
        minAmps: 0.05,
        ratedAmps: 10,
        contactOhms: 0.01,
        needsEarth: true,
        position: 0,
      };
    case 'controller':
      return {
        ...base,
        kind,
        name: 'body controller',
        normalRate: 86,
        onFraction: 0.5,
        fastMultiplier: 2,
        outputs: [],
      };
  }
}

/**
 * Puts another flasher into a vehicle. Its turn circuits then hang on the relay or on outputs; from a controller the
 * other circuits go back to fuses, and to one they become outputs.
 *
 * @param vehicle changed in place
 */
export function setFlasher(vehicle: Vehicle, kind: FlasherKind): void {
  // A relay has one wire for each side.
  if (kind !== 'controller') setTurnOutputs(vehicle, 'side');
  const flasher = typicalFlasher(kind, vehicle);
  const before = vehicle.flasher.fuseId;
  vehicle.flasher = flasher;
  if (!vehicle.fuses.some((fuse) => fuse.id === flasher.fuseId)) {
    vehicle.fuses.push(
      flasher.kind === 'controller'
        ? bladeFuse(flasher.fuseId, 'controller fuse', 40)
        : bladeFuse(flasher.fuseId, 'turn fuse', turnFuseAmps(vehicle)),
    );
  }
  for (const circuit of vehicle.circuits) {
    if (flasher.kind === 'controller') {
      circuit.from = { by: 'output' };
      flasher.outputs.push(outputFor(circuit));
    } else if (circuit.kind === 'turn') circuit.from = { by: 'flasher' };
    else if (circuit.from.by === 'output')
      circuit.from = { by: 'switch', fuseId: fuseFor(vehicle, circuit.kind) };
  }
  const used = new Set([
    flasher.fuseId,
    ...vehicle.circuits.flatMap((circuit) => [
      ...(circuit.from.by === 'switch' ? [circuit.from.fuseId] : []),
      ...(circuit.stopFuseId ? [circuit.stopFuseId] : []),
    ]),
  ]);
  vehicle.fuses = vehicle.fuses.filter((fuse) => fuse.id !== before || used.has(fuse.id));
  fitThermal(vehicle);
  retuneAssumed(vehicle);
}

/**
 * A thermal flasher is made for the lamps it left the works with: where nobody has read its rating, that is what the
 * listed bulbs draw.
 *
 * @param vehicle changed in place
 */
export function fitThermal(vehicle: Vehicle): void {
  const amps = listedSideAmps(vehicle);
  if (vehicle.flasher.kind === 'thermal' && amps > 0) vehicle.flasher.ratedAmps = Number(amps.toFixed(2));
}
