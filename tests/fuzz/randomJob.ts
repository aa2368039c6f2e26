// Longer than 300 lines: every kind of thing a random job is made of.
import fc from 'fast-check';
import { FLOATING_OHMS } from '../../core/circuit/engine/netlist.ts';
import type { Fault } from '../../core/faults/kinds.ts';
import { Configuration } from '../../core/model/cures.ts';
import type { Job } from '../../core/model/job.ts';
import type { Ballast, DecoderPart, FlasherPart, LedPart, Part } from '../../core/model/part.ts';
import type { Lamp } from '../../core/model/vehicle/lamp.ts';
import { circuitsFeeding, turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import { TurnOutputs, type Vehicle } from '../../core/model/vehicle/vehicle.ts';
import type { Controls } from '../../core/simulation/controls.ts';
import { addLamps } from '../../core/vehicle/edit/lamps.ts';
import { setTurnOutputs } from '../../core/vehicle/edit/turnOutputs.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

/**
 * Jobs nobody thought of: a demo vehicle with whatever an installer may find or put in, all of it plausible. Drawn by
 * fast-check, so that a seed gives the same jobs again and a failure is shrunk.
 */
export interface RandomCase {
  job: Job;
  shelf: readonly Part[];
  configuration: Configuration;
  controls: Controls;
  emfVolts: number;
  faults: readonly Fault[];
  /** what is in it, for counting */
  kinds: readonly string[];
}

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true, noDefaultInfinity: true });
/** There in one case of four. */
const rarely = <T>(value: fc.Arbitrary<T>) =>
  fc.oneof({ weight: 3, arbitrary: fc.constant(undefined) }, { weight: 1, arbitrary: value });

/** How sure a drawn thing is to be there, of ten. */
const often = (tenths: number) => fc.integer({ min: 1, max: 10 }).map((drawn) => drawn <= tenths);

interface DrawnLed {
  watts: number;
  forward: number;
  kind: Ballast['kind'];
  start: number;
  either: boolean;
  load: number | undefined;
  capacitor: number | undefined;
  topology: NonNullable<LedPart['twin']>['topology'];
  twin: boolean;
  switchback: boolean;
  sweep: number | undefined;
  wideRange: boolean;
}

const drawnLed: fc.Arbitrary<DrawnLed> = fc.record({
  watts: fc.oneof(between(0.3, 6), between(1, 5), between(6, 25)),
  forward: between(0.3, 0.8),
  kind: fc.constantFrom('series-resistor', 'constant-current', 'converter'),
  start: between(0.4, 0.8),
  either: fc.boolean(),
  load: rarely(between(6, 200)),
  capacitor: rarely(fc.constantFrom(1e-6, 1e-5, 1e-4, 1e-3)),
  topology: fc.constantFrom('own-resistors', 'shared-regulator', 'shared-converter', 'unknown'),
  twin: often(7),
  switchback: fc.boolean(),
  sweep: rarely(between(0.1, 0.5)),
  wideRange: fc.boolean(),
});

/** A part as its seller would print it, its figures made to agree with each other. */
function ledPart(id: string, lamp: Lamp, system: number, drawn: DrawnLed, hasDim: boolean): LedPart {
  const atVolts = drawn.wideRange ? 12.8 : (12.8 * system) / 12;
  const twin = hasDim && drawn.twin;
  // Two diodes of a bridge and a regulator's knee need their share of the volts.
  const forwardVolts = Math.max(1.8, Math.min(drawn.forward * atVolts, atVolts - 3.2));
  const kind = twin
    ? (
        {
          'own-resistors': 'series-resistor',
          'shared-regulator': 'constant-current',
          'shared-converter': 'converter',
          unknown: drawn.kind,
        } as const
      )[drawn.topology]
    : drawn.kind;
  // An own load takes most of what is printed where it is there at all; what is left is the LED's.
  const load = twin ? undefined : drawn.load;
  const watts = drawn.watts + (load ? atVolts ** 2 / load : 0);
  // A small resistor before a regulated string must leave it its volts.
  const most = twin ? Math.min(watts, 4) : watts;
  return {
    id,
    kind: 'led',
    code: id,
    name: id,
    price: 1,
    stock: 1,
    bases: [lamp.base],
    colour: 'amber',
    watts: most,
    atVolts,
    supplyRange: [6, 32],
    polarity: drawn.either ? 'either' : 'one-way',
    ballast:
      kind === 'converter'
        ? { kind, startVolts: drawn.start * atVolts }
        : { kind, forwardVolts: twin ? Math.min(forwardVolts, atVolts * 0.5) : forwardVolts },
    ...(load ? { builtInLoadOhms: load } : {}),
    ...(drawn.capacitor && !twin ? { capacitorFarads: drawn.capacitor } : {}),
    ...(twin ? { twin: { topology: drawn.topology, dimWatts: most * 0.12 } } : {}),
    ...(hasDim && !twin && drawn.switchback
      ? {
          switchback: {
            parkColour: 'white' as const,
            parkWatts: most / 3,
            parkLumens: 100,
            holdSeconds: 0.8,
          },
        }
      : {}),
    ...(!hasDim && drawn.sweep ? { sweep: { seconds: drawn.sweep, segments: 5 } } : {}),
    lumens: 200,
    lengthMm: 40,
    diameterMm: 20,
  };
}

const controls: fc.Arbitrary<Controls> = fc.record({
  key: fc.constantFrom('off', 'on', 'running'),
  turn: fc.constantFrom('left', 'right', null),
  hazard: often(2),
  lights: fc.boolean(),
  brake: fc.boolean(),
  reverse: often(2),
  fog: often(2),
  mainBeam: often(2),
  doors: often(2),
  lids: often(2),
  lampSwitches: often(2),
  work: often(2),
  beacon: often(2),
  dimmed: often(2),
});

/** One case; `share` of the lamps, in tenths, have an LED. */
export const randomCase: fc.Arbitrary<RandomCase> = fc
  // The one with a single pilot twice: what only it can have is to be met often enough.
  .constantFrom(...demoJobs(), ...demoJobs().filter(({ vehicle }) => vehicle.pilot))
  .chain((job) =>
    fc.record({
      job: fc.constant(job),
      configuration: fc.constantFrom(...Configuration.options),
      controls,
      volts: between(10, 15.5),
      internalOhms: between(0, 0.08),
      leds: fc.array(fc.option(drawnLed, { freq: 2, nil: null }), {
        minLength: job.vehicle.lamps.length,
        maxLength: job.vehicle.lamps.length,
      }),
      earth: rarely(between(0.05, 30)),
      reversed: rarely(fc.nat({ max: job.vehicle.lamps.length - 1 })),
      out: rarely(fc.nat({ max: job.vehicle.lamps.length - 1 })),
      dead: rarely(fc.nat({ max: job.vehicle.lamps.length - 1 })),
      leak: rarely(between(200, FLOATING_OHMS)),
      fuseScale: rarely(between(0.05, 0.6)),
      resistors: rarely(between(3, 60)),
      plugged: fc.boolean(),
      relay: rarely(fc.record({ position: fc.constantFrom(0, 0.3, 1), minAmps: between(0, 0.2) })),
      decoder: rarely(fc.constantFrom(47e-6, 1e-3, 1e-2)),
      diodes: often(9),
      setting: often(9),
      // Few of the vehicles have a sensed wire.
      bleed: fc.option(between(50, 400), { freq: 2, nil: undefined }),
    }),
  )
  .map((drawn): RandomCase => {
    const { vehicle: stock } = drawn.job;
    const kinds: string[] = [`vehicle ${drawn.job.id}`, `configuration ${drawn.configuration}`];
    const vehicle: Vehicle = {
      ...stock,
      internalOhms: drawn.internalOhms,
      ...(drawn.fuseScale === undefined
        ? {}
        : {
            fuses: stock.fuses.map((fuse) => ({
              ...fuse,
              ratedAmps: fuse.ratedAmps * (drawn.fuseScale ?? 1),
            })),
          }),
    };
    if (drawn.fuseScale !== undefined) kinds.push('fuse too small');
    if (vehicle.flasher.kind === 'controller') {
      // Told by what is drawn anyway, so that all else is drawn as it was.
      const outputs = TurnOutputs.options[JSON.stringify(drawn).length % 3] ?? 'side';
      Object.assign(vehicle, structuredClone(vehicle));
      setTurnOutputs(vehicle, outputs);
      kinds.push(`outputs a ${outputs}`);
    }
    const drawnAs = JSON.stringify(drawn).length;
    if (drawnAs % 4 === 0) {
      vehicle.lamps = vehicle.lamps.map((lamp, index) => {
        if ((index + drawnAs) % 3 > 0) return lamp;
        const dim =
          circuitsFeeding(vehicle, lamp.id, 'dim').length > 0 ? { dimAmps: 0.02 + 0.01 * (index % 5) } : {};
        return {
          ...lamp,
          works: { sealed: false, amps: 0.1 + 0.07 * (index % 7), faultLine: false, ...dim },
        };
      });
      kinds.push('LEDs from the works');
    }
    if (drawnAs % 5 === 0 && vehicle.circuits.some(({ kind }) => kind === 'tail')) {
      Object.assign(vehicle, structuredClone(vehicle));
      addLamps(vehicle, 'marker-between', 'pair');
      kinds.push('marker between two feeds');
    }
    const system = vehicle.systemVolts;
    const parts: Part[] = [];
    const chosen: Job['chosen'] = {};
    vehicle.lamps.forEach((lamp, index) => {
      const led = drawn.leds[index];
      if (!led) {
        chosen[lamp.id] = null;
        kinds.push('filament');
        return;
      }
      const hasDim = circuitsFeeding(vehicle, lamp.id, 'dim').length > 0;
      const part = ledPart(`led-random-${index}`, lamp, system, led, hasDim);
      parts.push(part);
      chosen[lamp.id] = part.id;
      kinds.push(`ballast ${part.ballast.kind}`);
      if (part.twin) kinds.push(`twin ${part.twin.topology}`);
      if (part.builtInLoadOhms) kinds.push('built-in load');
      if (part.capacitorFarads) kinds.push('capacitor inside');
      if (part.switchback) kinds.push('switchback');
      if (part.sweep) kinds.push('sequential');
      if (part.polarity === 'either') kinds.push('bridge');
    });
    const faults: Fault[] = [];
    const at = (index: number) => vehicle.lamps[index]?.id ?? '';
    const [point] = vehicle.earthPoints;
    if (drawn.earth !== undefined && point)
      faults.push({ kind: 'bad-earth', earthPointId: point.id, ohms: drawn.earth });
    if (drawn.reversed !== undefined) faults.push({ kind: 'reversed', lampId: at(drawn.reversed) });
    if (drawn.out !== undefined) faults.push({ kind: 'bulb-out', lampId: at(drawn.out) });
    if (drawn.leak !== undefined)
      faults.push({ kind: 'leakage', circuitId: vehicle.circuits[0]?.id ?? '', ohms: drawn.leak });
    kinds.push(...faults.map((fault) => `fault ${fault.kind}`));
    const cures: Job['cures'] = {};
    if (drawn.resistors !== undefined) {
      kinds.push('cure load resistor');
      for (const circuit of turnCircuits(vehicle)) {
        const networks = circuit.feeds.slice(0, 2).map(({ lampId }) => ({
          lampId,
          connection: 'parallel' as const,
          ...(drawn.plugged ? { plugged: true } : {}),
          pieces: [{ partId: null, ohms: drawn.resistors ?? 6, watts: 50, tolerance: 0.05 }],
        }));
        cures[circuit.id] = { kind: 'load-resistor', networks };
      }
    }
    const vehicleCures: Job['vehicleCures'] = [];
    if (drawn.relay && vehicle.flasher.kind !== 'controller') {
      const relay = DEMO_SHELF.find((part): part is FlasherPart => part.kind === 'flasher');
      if (relay) {
        const part = { ...relay, id: 'relay-random', minAmps: drawn.relay.minAmps, systemVolts: system };
        parts.push(part);
        vehicleCures.push({ kind: 'flasher-relay', partId: part.id, position: drawn.relay.position });
        kinds.push('cure relay');
      }
    }
    if (drawn.decoder !== undefined) {
      const part: DecoderPart = {
        id: 'decoder-random',
        kind: 'decoder',
        code: 'decoder',
        name: 'decoder',
        price: 1,
        stock: 1,
        capacitorFarads: drawn.decoder,
        loadOhms: 220,
      };
      parts.push(part);
      const first = vehicle.lamps.find((lamp) => chosen[lamp.id]);
      if (first) {
        vehicleCures.push({ kind: 'decoder', lampId: first.id, partId: part.id });
        kinds.push('cure decoder');
      }
    }
    if (drawn.diodes && vehicle.pilot) {
      vehicleCures.push({ kind: 'pilot-diodes' });
      kinds.push('cure diodes');
    }
    if (drawn.setting && vehicle.flasher.kind === 'controller') {
      for (const output of vehicle.flasher.outputs)
        if (output.watch?.canSetLed)
          vehicleCures.push({
            kind: 'controller-setting',
            circuitId: output.circuitId,
            setting: 'led',
            before: 'filament',
          });
      kinds.push('cure setting');
    }
    const sensed = vehicle.circuits.find((circuit) => circuit.sense);
    if (drawn.bleed !== undefined && sensed) {
      const piece = { partId: null, ohms: drawn.bleed, watts: 5, tolerance: 0.05 };
      vehicleCures.push({ kind: 'bleed-resistor', circuitId: sensed.id, piece });
      kinds.push('cure bleed resistor');
    }
    const lookOver = { ...drawn.job.lookOver, lamps: { ...drawn.job.lookOver.lamps } };
    if (drawn.dead !== undefined) {
      lookOver.lamps[at(drawn.dead)] = { condition: 'dead', note: '' };
      kinds.push('dead bulb');
    }
    const asked = vehicle.hazardSwitch ? drawn.controls : { ...drawn.controls, hazard: false };
    kinds.push(asked.hazard || (asked.key !== 'off' && asked.turn) ? 'flashing' : 'steady');
    return {
      job: { ...drawn.job, vehicle, chosen, cures, vehicleCures, lookOver, evidence: [] },
      shelf: [...DEMO_SHELF, ...parts],
      configuration: drawn.configuration,
      controls: asked,
      emfVolts: drawn.volts * (system / 12),
      faults,
      kinds,
    };
  });

/** Every number in a result that is none: where it stands. Functions and the engine's own objects are passed over. */
export function notNumbers(value: unknown, path = 'result'): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path} is ${value}`];
  if (Array.isArray(value)) return value.flatMap((each, index) => notNumbers(each, `${path}[${index}]`));
  if (value !== null && typeof value === 'object')
    return Object.entries(value).flatMap(([key, each]) => notNumbers(each, `${path}.${key}`));
  return [];
}
