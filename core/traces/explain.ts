// Longer than 300 lines: one rule an effect, read one below the other against what was played.
import type { DashEvent, Happening } from '../devices/device.ts';
import type { Fault } from '../faults/kinds.ts';
import type { Job } from '../model/job.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import { NODES } from '../model/vehicle/netlistNames.ts';
import { type Controls, flashingSides, outputOf, stopsThroughTurn, wanted } from '../simulation/controls.ts';
import type { Fitment } from '../simulation/fitment.ts';
import { SEEN_GLOW } from '../simulation/lampLight.ts';
import { wiringClashes } from '../simulation/sockets.ts';
import { TurnCircuits } from '../simulation/turnCircuits.ts';
import type { PlayedEmitter, VehiclePlay } from '../simulation/vehicleRun.ts';

/** What the circuit did that a rule of thumb would not have told, in its figures: A, V, Ω, s, shares, flashes a minute. */
type Shown =
  | { id: 'fast-with-lights'; offAmps: number; onAmps: number; thresholdAmps: number }
  | { id: 'load-alone-holds'; amps: number }
  | { id: 'dead-unnoticed'; amps: number; by: 'another-relay' | 'what-flows' }
  | { id: 'all-four-flash'; share: number; converted: boolean }
  | { id: 'ghost-glow'; share: number }
  | { id: 'shared-earth'; ohms: number; volts: number; backwards: readonly string[] }
  | { id: 'flicker-hold' | 'flicker-dim' | 'smoothed-hold'; hertz: number; modulation: number }
  | { id: 'smoothed-dim'; tailShare: number; stops: boolean }
  | {
      id: 'socket-clash';
      socket: 'standard' | 'ck' | undefined;
      made: 'standard' | 'ck' | undefined;
      blown: boolean;
    }
  | { id: 'reversed'; code: string }
  | { id: 'thermal-stuck'; amps: number; ratedAmps: number }
  | {
      id: 'brake-sense';
      unit: string;
      mostOhms: number;
      converted: readonly string[];
      dead: readonly string[];
    }
  | { id: 'unfinished-sweep'; sweepSeconds: number; onSeconds: number }
  | { id: 'relay-starves'; event: Happening }
  | { id: 'output-off'; event: Happening }
  | { id: 'cold-check'; circuitIds: readonly string[] }
  | { id: 'charge-lamp'; event: Happening };

/** One of them, with the lamps it shows at; `words/effects.ts` says what happens, why, and what to do. */
export type Effect = Shown & { lampIds: readonly string[] };

export interface Played {
  job: Job;
  fitment: Fitment;
  controls: Controls;
  emfVolts: number;
  faults: readonly Fault[];
  play: VehiclePlay;
  events: readonly DashEvent[];
  thresholdAmps: number;
}

type Finder = (played: Played) => (Effect | null)[];

/** Every effect that shows in what was played. */
export function explain(played: Played): Effect[] {
  return FINDERS.flatMap((find) => find(played)).filter((effect): effect is Effect => effect !== null);
}

const FINDERS: readonly Finder[] = [
  onlyWithLights,
  deadUnnoticed,
  allFourFlash,
  glowsWhileOff,
  sharedEarth,
  pulses,
  socketClash,
  reversedLed,
  stuckThermal,
  brakeSense,
  unfinishedSweep,
  starvedRelay,
  overCurrent,
  coldCheck,
  chargeLamp,
];

function onlyWithLights({
  job,
  fitment,
  controls,
  emfVolts,
  play,
  thresholdAmps,
}: Played): (Effect | null)[] {
  const last = play.flashes.at(-1);
  if (!controls.lights || !last?.missesLamp) return [];
  const network = TurnCircuits.of(job.vehicle, fitment);
  if (!network.lightsMatter) return [];
  const sides = flashingSides(job.vehicle, controls);
  const drawn = (lights: boolean) => network.solve({ emfVolts, sides, lights }).watchedAmps;
  const off = drawn(false);
  const on = drawn(true);
  if (off < thresholdAmps || on >= thresholdAmps) return [];
  return [
    { id: 'fast-with-lights', offAmps: off, onAmps: on, thresholdAmps, lampIds: twinLamps(job, fitment) },
  ];
}

function twinLamps({ vehicle }: Job, { contents }: Fitment): string[] {
  return vehicle.lamps.flatMap((lamp) => {
    const content = contents.get(lamp.id);
    return content?.kind === 'led' && content.part.twin ? [lamp.id] : [];
  });
}

/** A dead lamp that whoever watches does not miss: by a load that holds the flash, a setting, another relay. */
function deadUnnoticed({ job, fitment, controls, faults, play, events }: Played): (Effect | null)[] {
  const stock = job.vehicle.flasher;
  const last = play.flashes.at(-1);
  if (!last || last.missesLamp || stock.kind === 'non-watching-relay') return [];
  return faults.map((fault) => {
    if (fault.kind !== 'bulb-out') return null;
    const circuit = circuitsOf(job.vehicle, fault.lampId).find(({ kind }) => kind === 'turn');
    const isMain = job.vehicle.lamps.some(({ id, role }) => id === fault.lampId && role === 'main');
    if (!circuit || !isMain || !wanted(circuit, controls)) return null;
    if (events.some((event) => 'circuitId' in event && event.circuitId === circuit.id)) return null;
    const load = fitment.resistors.some((network) => network.lampId === fault.lampId);
    const amps = last.sampledAmps;
    const lampIds = [fault.lampId];
    if (load) return { id: 'load-alone-holds', amps, lampIds };
    const by = fitment.flasher.kind === 'non-watching-relay' ? 'another-relay' : 'what-flows';
    return { id: 'dead-unnoticed', amps, by, lampIds };
  });
}

function allFourFlash({ job, fitment, controls, play }: Played): (Effect | null)[] {
  const { vehicle } = job;
  const sides = flashingSides(vehicle, controls);
  if (!vehicle.pilot || sides.length !== 1) return [];
  const far = vehicle.lamps.filter(
    (lamp) =>
      lamp.side !== sides[0] &&
      circuitsOf(vehicle, lamp.id).some((circuit) => circuit.kind === 'turn') &&
      brightest(play, lamp.id) > SEEN_GLOW,
  );
  if (far.length === 0) return [];
  return [
    {
      id: 'all-four-flash',
      share: Math.max(...far.map((lamp) => brightest(play, lamp.id))),
      converted: far.some((lamp) => fitment.contents.get(lamp.id)?.kind === 'led'),
      lampIds: far.map((lamp) => lamp.id),
    },
  ];
}

function glowsWhileOff({ job, controls, faults, play }: Played): (Effect | null)[] {
  const { vehicle } = job;
  const leaky = (circuit: Circuit) =>
    outputOf(vehicle, circuit)?.leakOhms ??
    faults.find((fault) => fault.kind === 'leakage' && fault.circuitId === circuit.id);
  const glowing = darkLamps(job, controls).filter((lamp) => {
    const feeding = circuitsOf(vehicle, lamp.id);
    const light = endLight(play, lamp.id);
    return light > SEEN_GLOW && feeding.some((circuit) => leaky(circuit) !== undefined);
  });
  if (glowing.length === 0) return [];
  const share = Math.max(...glowing.map((lamp) => endLight(play, lamp.id)));
  return [{ id: 'ghost-glow', share, lampIds: glowing.map((lamp) => lamp.id) }];
}

function sharedEarth({ job, controls, faults, play }: Played): (Effect | null)[] {
  return faults.map((fault) => {
    if (fault.kind !== 'bad-earth') return null;
    const lamps = job.vehicle.lamps.filter((lamp) => lamp.earthPoint === fault.earthPointId);
    const dark = new Set(darkLamps(job, controls).map((lamp) => lamp.id));
    const fed = lamps.filter((lamp) => dark.has(lamp.id) && brightest(play, lamp.id) > SEEN_GLOW);
    const node = NODES.earthPoint(fault.earthPointId);
    if (!play.circuit.nodes.includes(node)) return null;
    const lifted = play.circuit.nodeVolts(node);
    if (Math.abs(lifted) < 0.3 && fed.length === 0) return null;
    return {
      id: 'shared-earth',
      ohms: fault.ohms,
      volts: lifted,
      backwards: fed.map((lamp) => lamp.id),
      lampIds: lamps.map((lamp) => lamp.id),
    };
  });
}

function pulses({ job, play }: Played): (Effect | null)[] {
  const { vehicle } = job;
  const pulsed = play.emitters.filter((emitter) => emitter.pulsed !== null);
  return pulsed
    .filter((emitter, index) => pulsed.findIndex((other) => sameCase(other, emitter, vehicle)) === index)
    .map((emitter) => {
      const light = emitter.pulsed;
      const lamps = pulsed.filter((other) => sameCase(other, emitter, vehicle));
      const circuit = circuitsOf(vehicle, emitter.lampId).find((each) => outputOf(vehicle, each)?.pwm);
      const pwm = circuit && outputOf(vehicle, circuit)?.pwm;
      if (!light || !pwm) return null;
      const lampIds = lamps.map((each) => each.lampId);
      const { hertz, modulation } = light;
      if (modulation > 0.99)
        return { id: pwm.to === 'hold' ? 'flicker-hold' : 'flicker-dim', hertz, modulation, lampIds };
      return pwm.to === 'dim'
        ? { id: 'smoothed-dim', tailShare: light.mean, stops: stopsToo(job, emitter), lampIds }
        : { id: 'smoothed-hold', hertz, modulation, lampIds };
    });
}

function sameCase(a: PlayedEmitter, b: PlayedEmitter, vehicle: Job['vehicle']): boolean {
  const to = (emitter: PlayedEmitter) =>
    circuitsOf(vehicle, emitter.lampId)
      .map((circuit) => outputOf(vehicle, circuit)?.pwm?.to)
      .find((each) => each !== undefined);
  return to(a) === to(b) && (a.pulsed?.modulation ?? 0) > 0.99 === (b.pulsed?.modulation ?? 0) > 0.99;
}

/** Whether the same lamp's output goes to full with the brake. */
function stopsToo(job: Job, emitter: PlayedEmitter): boolean {
  return circuitsOf(job.vehicle, emitter.lampId).some((circuit) => circuit.fullWithBrake);
}

function socketClash({ job, fitment, play }: Played): (Effect | null)[] {
  return job.vehicle.lamps.map((lamp) => {
    const content = fitment.contents.get(lamp.id);
    if (content?.kind !== 'led' || !wiringClashes(lamp, content.part)) return null;
    return {
      id: 'socket-clash',
      socket: lamp.socketWiring,
      made: content.part.socketWiring,
      blown: play.blownFuses.length > 0,
      lampIds: [lamp.id],
    };
  });
}

function reversedLed({ job, fitment, controls, faults, play }: Played): (Effect | null)[] {
  return faults.map((fault) => {
    if (fault.kind !== 'reversed') return null;
    const content = fitment.contents.get(fault.lampId);
    const on = circuitsOf(job.vehicle, fault.lampId).some((circuit) => wanted(circuit, controls));
    if (content?.kind !== 'led' || !on || brightest(play, fault.lampId) > SEEN_GLOW) return null;
    return { id: 'reversed', code: content.part.code, lampIds: [fault.lampId] };
  });
}

function stuckThermal({ job, fitment, controls, play }: Played): (Effect | null)[] {
  const { flasher } = fitment;
  if (flasher.kind !== 'thermal' || flashingSides(job.vehicle, controls).length === 0) return [];
  if (play.flashes.length > 0) return [];
  const { ratedAmps } = flasher;
  return [{ id: 'thermal-stuck', amps: play.circuit.amps('flasher'), ratedAmps, lampIds: [] }];
}

function brakeSense({ job, events, fitment }: Played): (Effect | null)[] {
  return job.vehicle.circuits.map((circuit) => {
    const { sense } = circuit;
    if (!sense || !events.some((event) => event.kind === 'sense' && event.circuitId === circuit.id))
      return null;
    const most = Math.floor(
      (sense.pullUpOhms * sense.heldUnderVolts) /
        (14.4 * (job.vehicle.systemVolts / 12) - sense.heldUnderVolts),
    );
    const lamps = circuit.feeds.map((feed) => feed.lampId);
    const without = lamps.filter((id) => fitment.contents.get(id)?.kind !== 'filament');
    const converted = without.filter((id) => fitment.contents.get(id)?.kind === 'led');
    return {
      id: 'brake-sense',
      unit: sense.what,
      mostOhms: most,
      converted,
      dead: without.filter((id) => !converted.includes(id)),
      lampIds: without,
    };
  });
}

function unfinishedSweep({ play, fitment }: Played): (Effect | null)[] {
  const last = play.flashes.at(-1);
  return play.unfinishedSweeps.map((lampId) => {
    const content = fitment.contents.get(lampId);
    if (content?.kind !== 'led' || !content.part.sweep || !last) return null;
    return {
      id: 'unfinished-sweep',
      sweepSeconds: content.part.sweep.seconds,
      onSeconds: last.onSeconds,
      lampIds: [lampId],
    };
  });
}

function starvedRelay({ fitment, events }: Played): (Effect | null)[] {
  const event = events.find((each) => each.kind === 'flasher' && each.is === 'starved');
  return event && fitment.flasher.kind === 'non-watching-relay'
    ? [{ id: 'relay-starves', event, lampIds: [] }]
    : [];
}

function overCurrent({ job, events }: Played): (Effect | null)[] {
  return events.flatMap((event): Effect[] =>
    event.kind === 'output-off' ? [{ id: 'output-off', event, lampIds: lampsOn(job, event.circuitId) }] : [],
  );
}

function coldCheck({ job, controls, events }: Played): (Effect | null)[] {
  const ids = events.flatMap((event) =>
    event.kind === 'code' && event.found === 'cold-check' ? [event.circuitId] : [],
  );
  const circuits = job.vehicle.circuits.filter(
    (circuit) =>
      ids.includes(circuit.id) && !wanted(circuit, controls) && !stopsThroughTurn(circuit, controls),
  );
  if (circuits.length === 0) return [];
  return [
    {
      id: 'cold-check',
      circuitIds: circuits.map(({ id }) => id),
      lampIds: circuits.flatMap((circuit) => circuit.feeds.map((feed) => feed.lampId)),
    },
  ];
}

function chargeLamp({ job, events }: Played): (Effect | null)[] {
  return events.flatMap((event): Effect[] =>
    event.kind === 'charge' ? [{ id: 'charge-lamp', event, lampIds: lampsOn(job, event.circuitId) }] : [],
  );
}

function lampsOn({ vehicle }: Job, circuitId: string): string[] {
  return vehicle.circuits.find(({ id }) => id === circuitId)?.feeds.map((feed) => feed.lampId) ?? [];
}

/** Lamps none of whose circuits is asked for. */
function darkLamps({ vehicle }: Job, controls: Controls): Lamp[] {
  return vehicle.lamps.filter((lamp) => {
    const feeding = circuitsOf(vehicle, lamp.id);
    return (
      feeding.length > 0 &&
      !feeding.some((circuit) => wanted(circuit, controls) || stopsThroughTurn(circuit, controls))
    );
  });
}

function brightest(play: VehiclePlay, lampId: string): number {
  return Math.max(
    0,
    ...play.emitters
      .filter((emitter) => emitter.lampId === lampId)
      .map((emitter) => emitter.curve.most(0, play.seconds)),
  );
}

function endLight(play: VehiclePlay, lampId: string): number {
  return Math.max(
    0,
    ...play.emitters
      .filter((emitter) => emitter.lampId === lampId)
      .map((emitter) => emitter.curve.at(play.seconds)),
  );
}
