// Longer than 300 lines: one rule an effect, read one below the other against what was played.

import { STOP_TO_TAIL } from '../catalogue/stopToTail.ts';
import type { DashEvent } from '../devices/device.ts';
import type { Fault } from '../faults/kinds.ts';
import { flickerWords } from '../flicker/ieee1789.ts';
import { amps, ohms, volts } from '../formatting/format.ts';
import { regionWords } from '../formatting/regionWords.ts';
import { sourceWords } from '../formatting/source.ts';
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

/** Something the circuit did that a rule of thumb would not have told, in words. */
export interface Effect {
  id: string;
  title: string;
  /** what happens, why, and what to do */
  text: string;
  lampIds: readonly string[];
}

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
  const said = (text: string) => regionWords(played.job.vehicle.region, text);
  return FINDERS.flatMap((find) => find(played))
    .filter((effect): effect is Effect => effect !== null)
    .map((each) => ({ ...each, title: said(each.title), text: said(each.text) }));
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

function onlyWithLights({ job, fitment, controls, emfVolts, play, thresholdAmps }: Played) {
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
    effect(
      'fast-with-lights',
      'Fast only with the lights on',
      `With lights off the turn feed draws ${amps(off)}, with lights on ${amps(on)}: the tail feed already lights the LED’s string, so the turn feed gives less. The flasher trips at ${amps(thresholdAmps)}. More load, or an LED with separate strings.`,
      twinLamps(job, fitment),
    ),
  ];
}

function twinLamps({ vehicle }: Job, { contents }: Fitment): string[] {
  return vehicle.lamps.flatMap((lamp) => {
    const content = contents.get(lamp.id);
    return content?.kind === 'led' && content.part.twin ? [lamp.id] : [];
  });
}

/** A dead lamp that whoever watches does not miss: by a load that holds the flash, a setting, another relay. */
function deadUnnoticed({ job, fitment, controls, faults, play, events }: Played) {
  const stock = job.vehicle.flasher;
  const last = play.flashes.at(-1);
  if (!last || last.missesLamp || stock.kind === 'non-watching-relay') return [];
  return faults.map((fault) => {
    if (fault.kind !== 'bulb-out') return null;
    const circuit = circuitsOf(job.vehicle, fault.lampId).find(({ kind }) => kind === 'turn');
    const isMain = job.vehicle.lamps.some(({ id, role }) => id === fault.lampId && role === 'main');
    if (!circuit || !isMain || !wanted(circuit, controls)) return null;
    if (events.some(({ key }) => key.endsWith(circuit.id))) return null;
    const load = fitment.resistors.some((network) => network.lampId === fault.lampId);
    const how = load
      ? `the flasher sees ${amps(last.sampledAmps)} through the resistors. They hide a dead LED`
      : fitment.flasher.kind === 'non-watching-relay'
        ? 'the relay fitted now watches nothing'
        : `${amps(last.sampledAmps)} is enough for what watches`;
    return effect(
      load ? 'load-alone-holds' : 'dead-unnoticed',
      load ? 'The load holds the flash with the LED out' : 'A dead lamp goes unnoticed',
      `${nameOf(job, fault.lampId)} is out of its socket, and the flash stays normal: ${how}, so the lamps must be looked at.`,
      [fault.lampId],
    );
  });
}

function allFourFlash({ job, fitment, controls, play }: Played) {
  const { vehicle } = job;
  const sides = flashingSides(vehicle, controls);
  if (!vehicle.pilot || sides.length !== 1) return [];
  const far = vehicle.lamps.filter(
    (lamp) =>
      lamp.side !== sides[0] &&
      circuitsOf(vehicle, lamp.id).some((circuit) => circuit.kind === 'turn') &&
      brightest(play, lamp.id) > SEEN_GLOW,
  );
  const first = far[0];
  if (!first) return [];
  const share = Math.round(100 * Math.max(...far.map((lamp) => brightest(play, lamp.id))));
  const converted = far.some((lamp) => fitment.contents.get(lamp.id)?.kind === 'led');
  return [
    effect(
      'all-four-flash',
      'All four flash through the pilot lamp',
      `The one pilot lamp is wired between left and right. ${converted ? 'The far side’s LEDs do not tie its other end to earth as cold filaments did, so the current through it lights them' : 'The far side is lit through it'}, at up to ${share} % of their rated light. Cure: a diode from each side to the pilot and its other end to earth, or a load on each side. Diodes with the pilot left between the sides change nothing.`,
      far.map((lamp) => lamp.id),
    ),
  ];
}

function glowsWhileOff({ job, controls, faults, play }: Played) {
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
  const share = 100 * Math.max(...glowing.map((lamp) => endLight(play, lamp.id)));
  return [
    effect(
      'ghost-glow',
      'Glows while off',
      `A trickle leaks through the switched-off feed. It would not warm a filament, but an LED turns it into light: ${share.toFixed(1)} % of its rated light. Nothing is broken; a resistor across the lamp drains it.`,
      glowing.map((lamp) => lamp.id),
    ),
  ];
}

function sharedEarth({ job, controls, faults, play }: Played) {
  return faults.map((fault) => {
    if (fault.kind !== 'bad-earth') return null;
    const lamps = job.vehicle.lamps.filter((lamp) => lamp.earthPoint === fault.earthPointId);
    const dark = new Set(darkLamps(job, controls).map((lamp) => lamp.id));
    const fed = lamps.filter((lamp) => dark.has(lamp.id) && brightest(play, lamp.id) > SEEN_GLOW);
    const node = NODES.earthPoint(fault.earthPointId);
    if (!play.circuit.nodes.includes(node)) return null;
    const lifted = play.circuit.nodeVolts(node);
    if (Math.abs(lifted) < 0.3 && fed.length === 0) return null;
    return effect(
      'shared-earth',
      'A bad earth, shared',
      `The earth point of ${lamps.map((lamp) => lamp.name.toLowerCase()).join(', ')} has ${ohms(fault.ohms)} too many, so it stands at ${volts(lifted)} instead of nought. Lamps on it are dim${fed.length > 0 ? `, and ${fed.map((lamp) => lamp.name.toLowerCase()).join(', ')}, which should be dark, is fed backwards through it` : ''}. Clean and tighten the point before anything else.`,
      lamps.map((lamp) => lamp.id),
    );
  });
}

function pulses({ job, play }: Played) {
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
      const names = lamps.map((each) => nameOf(job, each.lampId).toLowerCase()).join(', ');
      const ids = lamps.map((each) => each.lampId);
      const depth = Math.round(100 * light.modulation);
      if (light.modulation > 0.99) {
        const advice =
          pwm.to === 'hold'
            ? 'A decoder with a large enough capacitor smooths it, since this output pulses only to hold the lamp’s volts.'
            : 'No capacitor cures it: it would carry the light over the pauses and make the tail nearly as bright as the stop lamp. A controller setting that gives a steady feed does.';
        return effect(
          `flicker-${pwm.to}`,
          'Flickers at the speed of the pulses',
          `The output pulses ${Math.round(light.hertz)} times a second. A filament is too slow to follow; the LED of ${names} goes dark in every pause (modulation ${depth} %), which shows as a string of dots when the eye moves. ${flickerWords(light.hertz, 100 * light.modulation)} ${advice}`,
          ids,
        );
      }
      if (pwm.to === 'dim') {
        const stop = stopLight(job, emitter);
        return effect(
          'smoothed-dim',
          'The capacitor spoils the tail level',
          `The capacitor fills to the pulses’ full volts, so ${names} gives ${Math.round(100 * light.mean)} % of its rated light as a tail lamp${stop}. Stop must be at least ${STOP_TO_TAIL.ratio} times as bright as tail (${sourceWords(STOP_TO_TAIL.source)}). Take the capacitor out again.`,
          ids,
        );
      }
      return effect(
        'smoothed-hold',
        depth <= 20 ? 'The capacitor smooths it' : 'The capacitor is too small',
        `Behind its diode the capacitor carries ${names} over the pauses: modulation ${depth} % at ${Math.round(light.hertz)} a second, where it was 100 %. ${flickerWords(light.hertz, 100 * light.modulation)}`,
        ids,
      );
    });
}

function sameCase(a: PlayedEmitter, b: PlayedEmitter, vehicle: Job['vehicle']): boolean {
  const to = (emitter: PlayedEmitter) =>
    circuitsOf(vehicle, emitter.lampId)
      .map((circuit) => outputOf(vehicle, circuit)?.pwm?.to)
      .find((each) => each !== undefined);
  return to(a) === to(b) && (a.pulsed?.modulation ?? 0) > 0.99 === (b.pulsed?.modulation ?? 0) > 0.99;
}

/** What the same lamp gives as a stop lamp, where its output goes to full with the brake. */
function stopLight(job: Job, emitter: PlayedEmitter): string {
  const both = circuitsOf(job.vehicle, emitter.lampId).some((circuit) => circuit.fullWithBrake);
  return both ? ', against 100 % as a stop lamp' : '';
}

function socketClash({ job, fitment, play }: Played) {
  return job.vehicle.lamps.map((lamp) => {
    const content = fitment.contents.get(lamp.id);
    if (content?.kind !== 'led' || !wiringClashes(lamp, content.part)) return null;
    const blown = play.blownFuses.length > 0;
    return effect(
      `socket-${lamp.id}`,
      'Wrong socket wiring: CK against standard',
      `${lamp.name}: the socket is wired ${wiring(lamp.socketWiring)}, the LED is made for ${wiring(content.part.socketWiring)}. Where the socket brings the parking feed the LED has an earth, so the feed is shorted${blown ? ' and its fuse has blown' : ' as soon as the lights come on'}. Both look alike: look at the earth contacts, on one side for CK, on opposite corners for standard.`,
      [lamp.id],
    );
  });
}

function wiring(of: 'standard' | 'ck' | undefined): string {
  return of === 'ck' ? 'CK' : 'standard';
}

function reversedLed({ job, fitment, controls, faults, play }: Played) {
  return faults.map((fault) => {
    if (fault.kind !== 'reversed') return null;
    const content = fitment.contents.get(fault.lampId);
    const on = circuitsOf(job.vehicle, fault.lampId).some((circuit) => wanted(circuit, controls));
    if (content?.kind !== 'led' || !on || brightest(play, fault.lampId) > SEEN_GLOW) return null;
    return effect(
      'reversed',
      'In the wrong way round',
      `${nameOf(job, fault.lampId)} stays dark: ${content.part.code} lights one way round only, and its input diode blocks. Turn it half round before looking for anything else.`,
      [fault.lampId],
    );
  });
}

function stuckThermal({ job, fitment, controls, play }: Played) {
  const { flasher } = fitment;
  if (flasher.kind !== 'thermal' || flashingSides(job.vehicle, controls).length === 0) return [];
  if (play.flashes.length > 0) return [];
  const flows = play.circuit.amps('flasher');
  return [
    effect(
      'thermal-stuck',
      'Stays on without flashing',
      `The flasher’s bimetal is warmed by the lamps’ own current. ${amps(flows)} is too little of the ${amps(flasher.ratedAmps)} it is made for, so it never opens: the lamps stay on. An LED flasher relay in its place, or loads that bring the current back.`,
      [],
    ),
  ];
}

function brakeSense({ job, events, fitment }: Played) {
  return job.vehicle.circuits.map((circuit) => {
    const { sense } = circuit;
    if (!sense || !events.some((event) => event.key === `sense-${circuit.id}`)) return null;
    const most = Math.floor(
      (sense.pullUpOhms * sense.heldUnderVolts) /
        (14.4 * (job.vehicle.systemVolts / 12) - sense.heldUnderVolts),
    );
    const lamps = circuit.feeds.map((feed) => feed.lampId);
    const without = lamps.filter((id) => fitment.contents.get(id)?.kind !== 'filament');
    const leds = without.filter((id) => fitment.contents.get(id)?.kind === 'led');
    const dead = without.filter((id) => !leds.includes(id));
    const names = (ids: readonly string[]) => ids.map((id) => nameOf(job, id).toLowerCase()).join(', ');
    const why = [
      ...(leds.length > 0 ? ['An LED does not'] : []),
      ...(dead.length > 0
        ? [`${leds.length > 0 ? 'nor does' : 'No current flows through'} the dead bulb of ${names(dead)}`]
        : []),
    ].join(', ');
    const cure =
      dead.length > 0
        ? 'Put a good bulb in there first'
        : `Cure: a bleed resistor of at most ${most} Ω to earth, or one filament left in`;
    return effect(
      'brake-sense',
      'The brake wire is held up',
      `With the pedal up, ${sense.what.toLowerCase()} looks for the cold filament of ${names(without)} that ties the wire to earth. ${why}: gearshift lock or cruise may misbehave. ${cure}.`,
      without,
    );
  });
}

function unfinishedSweep({ job, play, fitment }: Played) {
  const last = play.flashes.at(-1);
  return play.unfinishedSweeps.map((lampId) => {
    const content = fitment.contents.get(lampId);
    if (content?.kind !== 'led' || !content.part.sweep || !last) return null;
    return effect(
      `sweep-${lampId}`,
      'The sweep never finishes',
      `${nameOf(job, lampId)} needs ${Math.round(content.part.sweep.seconds * 1000)} ms to run through its segments, and is lit for ${Math.round(last.onSeconds * 1000)} ms. Slow the flasher down, or choose a lamp with a quicker sweep.`,
      [lampId],
    );
  });
}

function starvedRelay({ fitment, events }: Played) {
  const event = events.find((each) => each.key === 'relay-starves');
  if (!event || fitment.flasher.kind !== 'non-watching-relay') return [];
  return [effect('relay-starves', 'The relay does not start', `${event.text}.`, [])];
}

function overCurrent({ job, events }: Played) {
  return events
    .filter((event) => event.kind === 'output-off')
    .map((event) => {
      const id = event.key.replace('over-', '');
      const circuit = job.vehicle.circuits.find((each) => each.id === id);
      return effect(
        `over-${id}`,
        'Output cut off',
        `${event.text}. Too much load is a fault too: choose resistors of more ohms.`,
        circuit?.feeds.map((feed) => feed.lampId) ?? [],
      );
    });
}

function coldCheck({ job, controls, events }: Played) {
  const told = events.filter((event) => event.kind === 'code' && event.text.includes('cold check'));
  const ids = told.map((event) => event.key.replace('code-', ''));
  const circuits = job.vehicle.circuits.filter(
    (circuit) =>
      ids.includes(circuit.id) && !wanted(circuit, controls) && !stopsThroughTurn(circuit, controls),
  );
  if (circuits.length === 0) return [];
  return [
    effect(
      'cold-check',
      'A warning for lamps that are off',
      `With the key on the controller tests ${circuits.map((circuit) => circuit.name.toLowerCase()).join(', ')} by short pulses while they are off. A cold filament takes many times its current; the LED takes next to none, so a missing bulb is reported, and the LED may twitch. The controller’s LED setting cures it; a load would have to look like a cold filament.`,
      circuits.flatMap((circuit) => circuit.feeds.map((feed) => feed.lampId)),
    ),
  ];
}

function chargeLamp({ job, events }: Played) {
  const event = events.find((each) => each.kind === 'charge');
  if (!event) return [];
  const circuit = job.vehicle.circuits.find((each) => event.key === `charge-${each.id}`);
  return [
    effect(
      'charge-lamp',
      'The charge lamp starts the alternator',
      `${event.text}. The lamp’s current excites the rotor until it turns fast enough. Leave the filament in, or put a resistor beside the LED that keeps the current.`,
      circuit?.feeds.map((feed) => feed.lampId) ?? [],
    ),
  ];
}

function effect(id: string, title: string, text: string, lampIds: readonly string[]): Effect {
  return { id, title, text, lampIds };
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

function nameOf({ vehicle }: Job, lampId: string): string {
  return vehicle.lamps.find((lamp) => lamp.id === lampId)?.name ?? lampId;
}
