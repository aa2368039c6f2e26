import { bulbById } from '../../core/catalogue/bulbs.ts';
import { possibleLeds } from '../../core/circuit/engine/openLed.ts';
import { Judge } from '../../core/judge/judge.ts';
import { type VerdictState, worstState } from '../../core/judge/states.ts';
import type { Bulb } from '../../core/model/bulb.ts';
import type { Job } from '../../core/model/job.ts';
import { newJob } from '../../core/model/newJob.ts';
import type { LedPart, Shelf } from '../../core/model/part.ts';
import type { DaytimeBeside } from '../../core/model/vehicle/circuit.ts';
import type { FlasherKind } from '../../core/model/vehicle/flasher.ts';
import { fuseRating } from '../../core/model/vehicle/fuseRating.ts';
import type { Vehicle, VehicleKind } from '../../core/model/vehicle/vehicle.ts';
import { setFlasher } from '../../core/presets/flashers.ts';
import { layoutEntries, startingVehicle, usualVolts } from '../../core/presets/startingLayout.ts';
import { type GenericLed, genericLed } from '../../core/quick/genericLed.ts';
import { tellTurnsAnew } from '../../core/vehicle/edit/jobEdits.ts';
import { setTurnOutputs } from '../../core/vehicle/edit/turnOutputs.ts';
import { coloursFor } from '../../core/vehicle/lampWork.ts';

export interface Layout {
  kind: VehicleKind;
  region: Vehicle['region'];
  year: number;
}

/** A job on a vehicle nobody has looked at, with a generic LED in every lamp whose id begins so. */
export function freshJob(
  { kind, region, year }: Layout,
  lamps: string,
  led: GenericLed,
  shelf: Shelf,
): { job: Job; shelf: Shelf } {
  const vehicle = startingVehicle('fresh', {
    name: `${kind} of ${year}`,
    model: '',
    kind,
    year,
    region,
    systemVolts: usualVolts(kind, year),
    entries: layoutEntries({ kind, year, region }).filter((entry) => entry.usual),
    flasher: null,
  });
  const job = newJob('fresh', `${kind} of ${year}`, vehicle, '2026-11-26T10:00:00.000Z');
  const wanted = vehicle.lamps.filter((lamp) => lamp.id.startsWith(lamps));
  const [lamp] = wanted;
  if (!lamp) return { job, shelf };
  const part = genericLed(
    led,
    bulbById(lamp.stockBulb) as Bulb,
    vehicle.systemVolts,
    coloursFor(vehicle, lamp)[0] ?? 'white',
  );
  for (const { id } of wanted) job.chosen[id] = part.id;
  return { job, shelf: [...shelf, part] };
}

/**
 * Every vehicle a fresh one may turn out to be, with all of it said: no function of the program that unites or narrows
 * possibilities has a hand in it.
 */
export function everyTruth(job: Job): Job[] {
  const { facts } = job.vehicle;
  const kinds = facts?.flashers ?? [job.vehicle.flasher.kind];
  const outputs = (kind: FlasherKind) =>
    kind === 'controller' ? (facts?.turnOutputs ?? [undefined]) : [undefined];
  // Which of the two wirings a twin wedge has no look at the bulb tells.
  const open = job.vehicle.lamps.some(({ base, socketWiring }) => isWedge(base) && !socketWiring);
  const wirings = open ? (['standard', 'ck'] as const) : [undefined];
  const builds = kinds.flatMap((kind) =>
    outputs(kind).flatMap((layout) =>
      wirings.flatMap((wiring) =>
        daytimes(job, kind).flatMap((day) =>
          [true, false].map((yes) => ({ kind, layout, wiring, day, yes })),
        ),
      ),
    ),
  );
  return builds.map(({ kind, layout, wiring, day, yes }) => {
    const mine: Job = { ...job, vehicle: structuredClone(job.vehicle) };
    const { vehicle } = mine;
    if (vehicle.flasher.kind !== kind) setFlasher(vehicle, kind);
    delete vehicle.facts?.flashers;
    delete vehicle.facts?.turnOutputs;
    // What nobody has read on the fuses: all of them a size smaller or greater than is usual.
    for (const fuse of vehicle.fuses) {
      const { least, most } = fuseRating(fuse);
      fuse.ratedAmps = yes ? least : most;
      delete fuse.assumed;
    }
    if (wiring) for (const lamp of vehicle.lamps) if (isWedge(lamp.base)) lamp.socketWiring ??= wiring;
    if (day) sayDay(vehicle, day);
    // A fresh layout is drawn as is usual: as it is, its circuits and what a cure says of them may be others.
    if (layout) setTurnOutputs(vehicle, layout);
    tellTurnsAnew(mine, job.vehicle);
    const { flasher } = vehicle;
    if (flasher.kind === 'watching-relay') flasher.watchesRepeaters = yes;
    if (flasher.kind === 'controller')
      for (const { watch } of flasher.outputs) if (watch?.canSetLed === null) watch.canSetLed = yes;
    for (const circuit of vehicle.circuits) {
      if (circuit.watched !== null) continue;
      circuit.watched = yes;
      const output =
        flasher.kind === 'controller' && flasher.outputs.find((each) => each.circuitId === circuit.id);
      // By an output where there is one, which is then the one that watches.
      if (output && !yes) delete output.watch;
    }
    vehicle.facts = { ...vehicle.facts, brakeSensed: yes };
    if (yes) readBrake(vehicle);
    return mine;
  });
}

/** What converted daytime running lamps may do beside the lights and the turn of their side: only an output can dim them. */
function daytimes(
  { vehicle, chosen }: Job,
  kind: FlasherKind,
): (readonly [DaytimeBeside, DaytimeBeside] | null)[] {
  const asked = vehicle.circuits.some(
    (circuit) => circuit.kind === 'daytime-running' && circuit.feeds.some(({ lampId }) => chosen[lampId]),
  );
  if (!asked) return [null];
  const beside: readonly DaytimeBeside[] =
    kind === 'controller' ? ['off', 'dimmed', 'same'] : ['off', 'same'];
  return beside.flatMap((lights) => beside.map((turning) => [lights, turning] as const));
}

function sayDay(
  { circuits, flasher }: Vehicle,
  [lights, turning]: readonly [DaytimeBeside, DaytimeBeside],
): void {
  for (const circuit of circuits) {
    if (circuit.kind !== 'daytime-running') continue;
    circuit.daytime = { lights, turning };
    const output =
      flasher.kind === 'controller' && flasher.outputs.find((each) => each.circuitId === circuit.id);
    if (output && (lights === 'dimmed' || turning === 'dimmed'))
      output.pwm = { to: 'dim', hertz: 120, duty: 0.15 };
  }
}

/** A control unit on the third brake lamp, or on the stop lamps where there is none, where such a thing is met at all. */
function readBrake({ kind, year, circuits }: Vehicle): void {
  if (!['car', 'van', 'minibus'].includes(kind) || year < 1985) return;
  const read =
    circuits.find((each) => each.kind === 'third-brake') ?? circuits.find((each) => each.kind === 'stop');
  if (read) read.sense = { what: 'brake', pullUpOhms: 2200, heldUnderVolts: 1 };
}

/**
 * The worst a job does as it is cured, over everything its open LEDs may be.
 *
 * @param of its turn circuits, or the steady one of that id
 */
export function stateOf(job: Job, shelf: Shelf, of: 'turn' | { circuitId: string }): VerdictState {
  const used = new Set(Object.values(job.chosen));
  const open = shelf.filter(
    (part): part is LedPart => part.kind === 'led' && part.open !== undefined && used.has(part.id),
  );
  const shelves = open.reduce<Shelf[]>(
    (all, part) =>
      all.flatMap((each) =>
        possibleLeds(part).map((led) => each.map((one) => (one.id === part.id ? led : one))),
      ),
    [shelf],
  );
  return worstState(
    shelves.flatMap((each) => {
      const judge = Judge.of(job, each, 'cured');
      if (of === 'turn') return [judge.verdict().state];
      const circuit = job.vehicle.circuits.find(({ id }) => id === of.circuitId);
      return circuit ? [judge.circuit(circuit).state] : [];
    }),
  );
}

/** Twin wedges that come wired standard or CK. */
function isWedge(base: string): boolean {
  return base === 'W2.5x16q' || base === 'W3x16q' || base === 'WX3x16q';
}
