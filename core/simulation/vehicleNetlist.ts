// Longer than 300 lines: the one walk from battery to earth that builds a vehicle.
import { EARTH, type Element, FLOATING_OHMS, type Netlist, OPEN_OHMS } from '../circuit/engine/netlist.ts';
import { networkOhms } from '../circuit/resistorNetwork.ts';
import { wireOhms } from '../circuit/wire.ts';
import { ratingOnBulbs, thermalFlasher } from '../devices/thermal.ts';
import type { Wired } from '../model/cureKinds/wired.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Lamp, LampInput } from '../model/vehicle/lamp.ts';
import { feedFuseId, fuseById, lampById, turnCircuits } from '../model/vehicle/lookUp.ts';
import { CONTACTS, ELEMENTS, NODES } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type Controls, hasTurnOnly, outputOf } from './controls.ts';
import { feedDuty, pulsedWires } from './duty.ts';
import type { Fitment } from './fitment.ts';
import { socketElements } from './sockets.ts';
import type { Strike } from './strike.ts';

export interface VehicleNetlistOptions {
  emfVolts: number;
  /** what the driver has switched on: sets the duty of pulsed outputs, which is fixed in a netlist */
  controls: Controls;
  /** what is wrong; of the vehicle and what is fitted it is in already */
  strikes?: readonly Strike[];
  /** circuits left in; all where left out */
  circuits?: ReadonlySet<string>;
  /** by how much every load resistor is off its printed ohms */
  resistorFactor?: number;
  /** adds open places for resistors on trial */
  trials?: boolean;
  /** fuses that never melt, for asking what would flow */
  fusesHold?: boolean;
  /** a meter from one node to earth */
  meter?: Meter;
}

/** A meter in circuit: its resistance, and of one that measures ohms the volts it puts on through that. */
export interface Meter {
  node: string;
  ohms: number;
  volts: number;
}

/** A blocking diode of a few amperes (typical). */
const CURE_DIODE = { saturationAmps: 1e-9, emission: 1.8 };
const PILOT_JOINT = 'pilot-joint';

/**
 * The lamp circuits of a vehicle as one netlist: battery, fuses, flasher or controller outputs, switches, feeds, a
 * lead and an earth return for every lamp, what is in each socket, cures and faults. Everything that computes uses
 * this one builder: a cure that is drawn is a cure that is simulated.
 *
 * @throws RangeError when an LED's printed figures contradict each other, or a circuit names what is not there
 */
export function vehicleNetlist(vehicle: Vehicle, fitment: Fitment, options: VehicleNetlistOptions): Netlist {
  const circuits = vehicle.circuits.filter((circuit) => options.circuits?.has(circuit.id) ?? true);
  const build: Build = { vehicle, fitment, options, circuits, feeders: feedersOf(circuits) };
  const elements: Element[] = [
    {
      kind: 'battery',
      id: ELEMENTS.battery,
      a: NODES.batteryPlus,
      b: EARTH,
      volts: options.emfVolts,
      // A perfect battery is given the least resistance a number can stand for.
      ohms: Math.max(vehicle.internalOhms, 1e-4),
    },
    ...fuses(build),
    ...flasherElements(build),
    ...circuits.flatMap((circuit) => circuitElements(build, circuit)),
    ...vehicle.lamps
      .filter((lamp) => build.feeders.has(lamp.id))
      .flatMap((lamp) => lampElements(build, lamp)),
    ...pilotElements(build),
  ];
  const points = new Set(elements.flatMap((element) => [element.a, element.b]));
  for (const point of vehicle.earthPoints) {
    const node = NODES.earthPoint(point.id);
    if (!points.has(node)) continue;
    elements.push(resistor(ELEMENTS.earthPoint(point.id), node, EARTH, point.ohms));
  }
  const { meter } = options;
  if (meter) {
    const ends = { a: meter.node, b: EARTH };
    elements.push({ kind: 'battery', id: ELEMENTS.meter, ...ends, volts: meter.volts, ohms: meter.ohms });
  }
  const { strikes = [] } = options;
  const struck = strikes.reduce<readonly Element[]>(
    (before, each) => each.elements?.(before) ?? before,
    elements,
  );
  return { title: `${vehicle.name}, lamp circuits`, elements: [...struck] };
}

/** What every part of the builder looks at. */
interface Build {
  vehicle: Vehicle;
  fitment: Fitment;
  options: VehicleNetlistOptions;
  circuits: readonly Circuit[];
  /** which of them feed each lamp's inputs */
  feeders: ReadonlyMap<string, Record<LampInput, Circuit[]>>;
}

function feedersOf(circuits: readonly Circuit[]): Map<string, Record<LampInput, Circuit[]>> {
  const feeders = new Map<string, Record<LampInput, Circuit[]>>();
  for (const circuit of circuits) {
    for (const { lampId, input } of circuit.feeds) {
      let of = feeders.get(lampId);
      if (!of) {
        of = { main: [], dim: [] };
        feeders.set(lampId, of);
      }
      of[input].push(circuit);
    }
  }
  return feeders;
}

function fuses(build: Build): Element[] {
  const { vehicle, options, circuits } = build;
  const used = new Set(
    circuits.flatMap((circuit) => [
      feedFuseId(vehicle, circuit),
      ...(circuit.stopFuseId ? [circuit.stopFuseId] : []),
    ]),
  );
  return [...used].flatMap((id): Element[] => {
    const fuse = fuseById(vehicle, id);
    const between = `${id}.box`;
    const ohms = Math.max(fuse.ohms, 1e-6);
    const name = ELEMENTS.fuse(id);
    const ends = { id: name, a: NODES.batteryPlus, b: between };
    return [
      options.fusesHold
        ? { kind: 'resistor', ...ends, ohms }
        : {
            kind: 'fuse',
            ...ends,
            ohms,
            ratedAmps: fuse.ratedAmps,
            pulsed:
              id === vehicle.flasher.fuseId
                ? pulsedWires(vehicle, circuits, options.controls, options.emfVolts)
                : [],
          },
      resistor(`${id}.supply-wire`, between, NODES.fused(id), wireOhms(fuse.wire)),
    ];
  });
}

/** The flasher between its fuse and the lamp terminal; a controller has its contacts in its outputs. */
function flasherElements({ fitment, circuits }: Build): Element[] {
  const { flasher } = fitment;
  if (flasher.kind === 'controller' || !circuits.some((circuit) => circuit.from.by === 'flasher')) return [];
  const from = NODES.fused(flasher.fuseId);
  const leak = resistor('49a-leak', NODES.flasherOut, EARTH, FLOATING_OHMS);
  if (flasher.kind === 'thermal' && flasher.underloaded === 'slow-or-on') {
    return [thermalFlasher(ratingOnBulbs(flasher), ELEMENTS.flasher, from, NODES.flasherOut), leak];
  }
  return [contact(ELEMENTS.flasher, from, NODES.flasherOut, CONTACTS.flasher, flasher.contactOhms), leak];
}

function circuitElements(build: Build, circuit: Circuit): Element[] {
  const { vehicle, options } = build;
  const switched = NODES.switched(circuit.id);
  const bus = NODES.bus(circuit.id);
  const output = outputOf(vehicle, circuit);
  const source = circuit.from.by === 'flasher' ? NODES.flasherOut : NODES.fused(feedFuseId(vehicle, circuit));
  const dimmer = options.controls.dimmed ? (circuit.dimmerOhms ?? 0) : 0;
  const closedOhms = output ? output.onOhms : circuit.switchOhms;
  const elements = [
    contact(`${circuit.id}.switch`, source, switched, CONTACTS.circuit(circuit.id), closedOhms),
    resistor(ELEMENTS.wire(circuit.id), switched, bus, wireOhms(circuit.wire) + dimmer),
    resistor(`${circuit.id}.leak`, bus, EARTH, FLOATING_OHMS),
  ];
  if (circuit.stopFuseId) {
    const stop = NODES.fused(circuit.stopFuseId);
    elements.push(
      contact(`${circuit.id}.stop-switch`, stop, switched, CONTACTS.stop(circuit.id), circuit.switchOhms),
    );
  }
  if (hasTurnOnly(circuit)) {
    const branch = NODES.turnOnly(circuit.id);
    elements.push(
      contact(`${circuit.id}.turn-only`, bus, branch, CONTACTS.turnOnly(circuit.id), circuit.switchOhms),
      resistor(`${circuit.id}.turn-only-leak`, branch, EARTH, FLOATING_OHMS),
    );
  }
  if (output?.leakOhms) elements.push(resistor(`${circuit.id}.off-leak`, source, bus, output.leakOhms));
  if (circuit.sense) elements.push(...senseElements(circuit, bus, circuit.sense.pullUpOhms));
  build.fitment.wired
    .filter(
      (each): each is Wired & { kind: 'feed-to-earth' } =>
        each.kind === 'feed-to-earth' && each.circuitId === circuit.id,
    )
    .forEach(({ ohms }, at) => {
      elements.push(resistor(`${circuit.id}.bleed${at === 0 ? '' : `-${at + 1}`}`, bus, EARTH, ohms));
    });
  if (circuit.excite) elements.push(...alternatorElements(circuit.id, circuit.excite.rotorOhms));
  if (options.trials && circuit.kind === 'turn')
    elements.push(resistor(ELEMENTS.trialAtSide(circuit.id), bus, EARTH, OPEN_OHMS));
  return elements;
}

/** The control unit's pull-up on a sensed wire, alive with the key. */
function senseElements(circuit: Circuit, bus: string, pullUpOhms: number): Element[] {
  const pull = `${circuit.id}.pull`;
  return [
    contact(`${circuit.id}.sense-key`, NODES.batteryPlus, pull, CONTACTS.key, 0.05),
    resistor(`${circuit.id}.pull-up`, pull, bus, pullUpOhms),
    resistor(`${circuit.id}.pull-leak`, pull, EARTH, FLOATING_OHMS),
  ];
}

/** A charge lamp ends at the alternator: its cold rotor until that turns, then the alternator's own volts. */
function alternatorElements(circuitId: string, rotorOhms: number): Element[] {
  const terminal = `${circuitId}.d-plus`;
  return [
    resistor(`${circuitId}.rotor`, terminal, EARTH, rotorOhms),
    contact(`${circuitId}.generating`, NODES.batteryPlus, terminal, CONTACTS.alternator, 0.05),
  ];
}

/** Where the lead of a lamp leaves its circuit. */
function branchOf(circuit: Circuit, lamp: Lamp, input: LampInput): string {
  const feed = circuit.feeds.find((each) => each.lampId === lamp.id && each.input === input);
  return feed?.turnOnly && hasTurnOnly(circuit) ? NODES.turnOnly(circuit.id) : NODES.bus(circuit.id);
}

function lampElements(build: Build, lamp: Lamp): Element[] {
  const { vehicle, fitment, options, feeders } = build;
  const { main: mains, dim: dims } = feeders.get(lamp.id) ?? { main: [], dim: [] };
  const earth = NODES.earth(lamp.id);
  const charge = [...mains, ...dims].find((circuit) => circuit.excite);
  const home = charge ? `${charge.id}.d-plus` : homeOf(build, lamp);
  const elements: Element[] = [resistor(ELEMENTS.earthReturn(lamp.id), earth, home, wireOhms(lamp.earth))];
  for (const [input, feeders] of [
    ['main', mains],
    ['dim', dims],
  ] as const) {
    const feed = NODES.feed(lamp.id, input);
    feeders.forEach((circuit, index) => {
      elements.push(
        resistor(
          ELEMENTS.lead(lamp.id, input, index),
          branchOf(circuit, lamp, input),
          feed,
          wireOhms(lamp.lead),
        ),
      );
    });
    if (input === 'main' || feeders.length > 0)
      elements.push(resistor(`${feed}-leak`, feed, EARTH, FLOATING_OHMS));
  }
  const main = NODES.feed(lamp.id);
  fitment.resistors
    .filter((network) => network.lampId === lamp.id)
    .forEach((network, index) => {
      const ohms = networkOhms(network, options.resistorFactor);
      const feed = NODES.feed(lamp.id, network.input ?? 'main');
      elements.push(resistor(ELEMENTS.resistor(lamp.id, index), feed, earth, ohms));
    });
  if (options.trials && mains.some((circuit) => circuit.kind === 'turn'))
    elements.push(resistor(ELEMENTS.trialAtLamp(lamp.id), main, earth, OPEN_OHMS));
  const block = fitment.wired.find(
    (each): each is Wired & { kind: 'before-lamp' } => each.kind === 'before-lamp' && each.lampId === lamp.id,
  );
  const duty = (feeders: readonly Circuit[]) =>
    feedDuty(vehicle, feeders, options.controls, options.emfVolts);
  return [
    ...elements,
    ...socketElements({
      lamp,
      content: fitment.contents.get(lamp.id) ?? { kind: 'empty' },
      hasDim: dims.length > 0,
      decoder: block?.part,
      duty: { main: duty(mains), dim: duty(dims) },
      brightControl: brightControl(mains, fitment),
    }),
  ];
}

/** Where the return of a lamp ends: at body metal, at an earth point, or on the feed of another circuit. */
function homeOf({ circuits }: Build, { returnsTo, earthPoint }: Lamp): string {
  // Left out of the netlist, what it would return through is open: so it is where that circuit is asked about by nobody.
  if (returnsTo !== undefined && circuits.some(({ id }) => id === returnsTo)) return NODES.bus(returnsTo);
  return earthPoint === undefined ? EARTH : NODES.earthPoint(earthPoint);
}

/** The contact that says whether the bright feed of a lamp is on. */
function brightControl(mains: readonly Circuit[], { flasher }: Fitment): string {
  const circuit = mains[0];
  if (!circuit) return CONTACTS.flasher;
  return circuit.from.by === 'flasher' && flasher.kind !== 'controller'
    ? CONTACTS.bright(circuit.id)
    : CONTACTS.circuit(circuit.id);
}

/** The single pilot between the sides; or, cured, a diode from each side into it and its other end on earth. */
function pilotElements({ vehicle, fitment, circuits }: Build): Element[] {
  const [left, right] = (['left', 'right'] as const).map((side) =>
    turnCircuits(vehicle).find((circuit) => circuit.side === side),
  );
  if (!vehicle.pilot || !left || !right || !circuits.includes(left) || !circuits.includes(right)) return [];
  const lamp = lampById(vehicle, vehicle.pilot.lampId);
  const feed = NODES.feed(lamp.id);
  const earth = NODES.earth(lamp.id);
  const [leftBus, rightBus] = [NODES.bus(left.id), NODES.bus(right.id)];
  const diodes = fitment.wired.some((each) => each.kind === 'diodes-to-pilot');
  const wiring: Element[] = diodes
    ? [
        { kind: 'diode', id: 'pilot-diode-left', a: leftBus, b: PILOT_JOINT, ...CURE_DIODE },
        { kind: 'diode', id: 'pilot-diode-right', a: rightBus, b: PILOT_JOINT, ...CURE_DIODE },
        resistor('pilot-joint-leak', PILOT_JOINT, EARTH, FLOATING_OHMS),
        resistor(ELEMENTS.lead(lamp.id), PILOT_JOINT, feed, wireOhms(lamp.lead)),
        resistor(ELEMENTS.earthReturn(lamp.id), earth, EARTH, wireOhms(lamp.earth)),
      ]
    : [
        resistor(ELEMENTS.lead(lamp.id), leftBus, feed, wireOhms(lamp.lead)),
        resistor(ELEMENTS.earthReturn(lamp.id), earth, rightBus, wireOhms(lamp.earth)),
      ];
  return [
    ...wiring,
    resistor(`${feed}-leak`, feed, EARTH, FLOATING_OHMS),
    ...socketElements({
      lamp,
      content: fitment.contents.get(lamp.id) ?? { kind: 'empty' },
      hasDim: false,
      decoder: undefined,
      duty: { main: 1, dim: 1 },
      brightControl: CONTACTS.flasher,
    }),
  ];
}

function contact(id: string, a: string, b: string, control: string, closedOhms: number): Element {
  return { kind: 'switch', id, a, b, control, closedOhms };
}

/** A wire may be so short that its resistance is nought; the solver wants a number above it. */
function resistor(id: string, a: string, b: string, ohms: number): Element {
  return { kind: 'resistor', id, a, b, ohms: Math.max(ohms, 1e-6) };
}
