import type { CellLook, HeatReading, Method, PinReading, RateReading } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { circuitById, circuitsFeeding, lampIdsOf } from '../model/vehicle/lookUp.ts';
import { cellsOf } from '../proving/cells.ts';
import { cellLook } from '../proving/toldOf.ts';
import { fittedNow } from '../record/fittedNow.ts';
import type { Said } from '../record/tell.ts';
import { isOn } from '../simulation/bearing.ts';
import { flashingSides } from '../simulation/controls.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { connectorsOf, functionsAt } from '../wiring/connectors.ts';
import type { BenchPanel } from './benchVehicle.ts';
import type { Spot } from './spots.ts';

/** What a meter is set to. */
export type MeterQuantity = 'volts' | 'amps' | 'ohms' | 'hertz' | 'celsius';

/** What a meter showed at a place, and between what it went to and fro; infinite is open or over range, null no number. */
export interface MeterReading {
  quantity: MeterQuantity;
  now: number | null;
  most: number | null;
  least: number | null;
}

/** What else has to be known of a temperature. */
export interface WarmedUp {
  seconds: number;
  airCelsius: number;
  what: HeatReading['what'];
}

/** Why a reading cannot go on record as an observation. */
export type NotWritten =
  | 'no-figure'
  | 'several-on'
  | 'no-cavity'
  | 'compared-only'
  | 'nothing-flashes'
  | 'no-lamp'
  | 'nothing-on';

/** A reading swings by more than this, and it bounces with the flash, V. */
const BOUNCE_VOLTS = 1;
/** A dial reads nothing below this, V. */
const NOTHING_VOLTS = 0.6;
/** A hand meter is off by so much, share of what it shows (typical, from memory). */
const METER_SHARE = 0.01;

/**
 * A meter's reading as an observation of the job, as if somebody had typed it where it belongs: volts and ohms at a cavity as a
 * reading of the pin, flashes a second as a rate, degrees as a temperature. It is for whoever reads observations to make of
 * it what they make of any.
 *
 * @param panel what was fitted and switched on
 */
export function observationFrom(
  job: Job,
  panel: BenchPanel,
  spot: Spot,
  reading: MeterReading,
  warmed: WarmedUp,
): Said<PinReading | RateReading | HeatReading> | NotWritten {
  if (reading.now === null || Number.isNaN(reading.now)) return 'no-figure';
  switch (reading.quantity) {
    case 'amps':
      return 'compared-only';
    case 'hertz':
      return rateFrom(job, panel, reading.now);
    case 'celsius':
      return heatFrom(job, panel, spot, reading.now, warmed);
    case 'volts':
    case 'ohms':
      return pinFrom(job, panel, spot, reading);
  }
}

function pinFrom(
  job: Job,
  { controls }: BenchPanel,
  spot: Spot,
  { quantity, now, most, least }: MeterReading,
): Said<PinReading> | NotWritten {
  const cavity = spot.cavity ?? cavityOf(job, spot);
  if (!cavity || now === null) return 'no-cavity';
  // What is on elsewhere says nothing of this plug.
  const here = circuitsAt(job, cavity.connectorId);
  const on = job.vehicle.circuits.filter((circuit) => here.has(circuit.id) && isOn(circuit, controls));
  const base = { kind: 'pin' as const, method: 'meter' as const, ...cavity };
  if (quantity === 'ohms') {
    if (on.length > 0) return 'several-on';
    const open = !Number.isFinite(now);
    return {
      ...base,
      circuitId: null,
      how: 'ohms-in',
      seen: open ? 'open' : 'steady',
      ...(open ? {} : { quantity: { value: Math.min(1e8, Math.max(0, now)), unit: 'Ω', uncertainty: null } }),
    };
  }
  const [only, more] = on;
  if (more) return 'several-on';
  const swing = Math.abs((most ?? now) - (least ?? now));
  const figure = {
    value: now,
    unit: 'V' as const,
    uncertainty: Number((METER_SHARE * Math.abs(now)).toFixed(3)),
  };
  return {
    ...base,
    circuitId: only?.id ?? null,
    how: 'volts',
    ...(swing > BOUNCE_VOLTS
      ? { seen: 'bouncing' as const }
      : {
          seen: Math.abs(now) < NOTHING_VOLTS ? ('nothing' as const) : ('steady' as const),
          quantity: figure,
        }),
  };
}

/** The circuits a plug has wires of. */
function circuitsAt({ vehicle }: Job, connectorId: string): Set<string> {
  const known = connectorsOf(vehicle).find(({ connector }) => connector.id === connectorId);
  return new Set(known ? functionsAt(vehicle, known.connector).flatMap(({ about }) => about) : []);
}

/** The cavity a lamp's contact is wired to, where somebody has proved which that is. */
function cavityOf({ vehicle }: Job, { node, about }: Spot): Spot['cavity'] | null {
  if (node === null) return null;
  for (const { connector, recorded } of connectorsOf(vehicle)) {
    if (!recorded) continue;
    const found = connector.cavities.find(
      ({ use, provedBy }) =>
        provedBy !== undefined &&
        provedBy !== 'colour' &&
        use?.does === 'feed' &&
        use.circuitIds.length === about.length &&
        use.circuitIds.every((id) => about.includes(id)),
    );
    if (found) return { connectorId: connector.id, cavity: found.id };
  }
  return null;
}

function rateFrom(
  job: Job,
  { configuration, controls }: BenchPanel,
  hertz: number,
): Said<RateReading> | NotWritten {
  const sides = flashingSides(job.vehicle, controls);
  const [side, other] = sides;
  const perMinute = 60 * hertz;
  if (!side || !(perMinute >= 1 && perMinute <= 1000)) return 'nothing-flashes';
  const circuits = job.vehicle.circuits.filter(
    (circuit) => circuit.kind === 'turn' && circuit.side !== null && sides.includes(circuit.side),
  );
  return {
    kind: 'rate',
    method: 'meter',
    function: other ? 'hazard' : `turn-${side}`,
    on: { lights: controls.lights, brake: controls.brake, engine: controls.key === 'running' },
    supply: null,
    fitted: fittedNow(
      job,
      circuits.map(({ id }) => id),
      configuration,
    ),
    quantity: {
      value: Number(perMinute.toFixed(2)),
      unit: '/min',
      uncertainty: Number((METER_SHARE * perMinute).toFixed(2)),
    },
    lampsLit: 'not-checked',
  };
}

function heatFrom(
  job: Job,
  { configuration, controls, emfVolts }: BenchPanel,
  { lamp }: Spot,
  celsius: number,
  { seconds, airCelsius, what }: WarmedUp,
): Said<HeatReading> | NotWritten {
  if (!lamp) return 'no-lamp';
  const { lampId } = lamp;
  const feeding = [
    ...circuitsFeeding(job.vehicle, lampId, 'main'),
    ...circuitsFeeding(job.vehicle, lampId, 'dim'),
  ];
  const circuit = feeding.find((each) => isOn(each, controls));
  if (!circuit) return 'nothing-on';
  const network = Object.values(job.cures)
    .flatMap((cure) => cure?.networks ?? [])
    .find((each) => each.lampId === lampId);
  return {
    kind: 'heat',
    method: 'meter',
    lampId,
    what,
    circuitId: circuit.id,
    seconds,
    quantity: { value: Number(celsius.toFixed(1)), unit: '°C', uncertainty: 2 },
    airCelsius,
    volts: emfVolts,
    ...(what === 'resistor' && configuration === 'cured' && network ? { network } : {}),
  };
}

/**
 * Stored codes as a look at the cell of the proving grid the vehicle stands in: each a message of the circuit whose code it
 * is, none as nothing amiss is said of.
 *
 * @param method typed where somebody read them elsewhere
 * @returns null where the panel is in no cell of the grid, or no code is of a circuit of this vehicle
 */
export function codesLook(
  job: Job,
  shelf: Shelf,
  { configuration, controls }: BenchPanel,
  codes: readonly string[],
  method: Method,
): Said<CellLook> | null {
  const { flasher } = job.vehicle;
  if (flasher.kind !== 'controller') return null;
  const cell = cellsOf(job, fitmentOf(job, shelf, configuration)).find((each) =>
    sameSwitches(each.controls, controls),
  );
  const circuits = flasher.outputs.flatMap(({ circuitId, watch }) =>
    watch?.code && codes.some((code) => code.slice(0, 5) === watch.code?.slice(0, 5)) ? [circuitId] : [],
  );
  if (!cell || circuits.length === 0) return null;
  const known = circuits.filter((id) => lampIdsOf(circuitById(job.vehicle, id)).length > 0);
  return {
    ...cellLook(
      job,
      cell,
      known.map((id) => `message ${id}` as const),
      configuration,
    ),
    words: codes.join(', ').slice(0, 160),
    method,
  };
}

/** Whether two panels have the same switched on; how dim the dash is decides no cell. */
function sameSwitches(a: BenchPanel['controls'], b: BenchPanel['controls']): boolean {
  return (
    JSON.stringify(Object.entries({ ...a, dimmed: false }).toSorted()) ===
    JSON.stringify(Object.entries({ ...b, dimmed: false }).toSorted())
  );
}
