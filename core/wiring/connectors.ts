import type { CavityUse, Connector } from '../model/vehicle/connector.ts';
import type { Flasher, RelayFunction } from '../model/vehicle/flasher.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { circuitById, circuitsFeeding, lampsByPanel, returnCircuit } from '../model/vehicle/lookUp.ts';
import { NODES } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { functionName, workName } from '../vehicle/lampWork.ts';

/** Something a cavity of one plug may be for, and where the netlist has it. */
export interface PlugFunction {
  id: string;
  use: CavityUse;
  /** `turn`, `tail or position`, `earth` */
  name: string;
  /** where it is in the netlist; null of a cavity that goes nowhere */
  node: string | null;
  /** circuits that must be built for that place to be there */
  about: readonly string[];
  /** in how many cavities it may be: wires that branch only behind the plug */
  most: number;
  /** what of the loose lamp lights when it is fed */
  feeds: readonly { lampId: string; input: 'main' | 'dim' }[];
}

/** A plug, and whether somebody has looked at it. */
export interface KnownConnector {
  connector: Connector;
  recorded: boolean;
}

const NOTHING: PlugFunction = {
  id: 'nothing',
  use: { does: 'nothing' },
  name: 'nothing',
  node: null,
  about: [],
  most: Number.POSITIVE_INFINITY,
  feeds: [],
};

/** The id of what a cavity is for. */
export function idOfUse(use: CavityUse): string {
  if (use.does === 'feed') return `feed:${use.circuitIds.toSorted().join('+')}`;
  return use.does === 'relay' ? `relay:${use.terminal}` : use.does;
}

/**
 * The plugs of a vehicle and the socket of its relay: those somebody has written down, and for the rest one a housing,
 * with the wires its lamps need, of which nobody knows where they sit.
 */
export function connectorsOf(vehicle: Vehicle): KnownConnector[] {
  const recorded = vehicle.connectors ?? [];
  const covered = new Set(recorded.flatMap(({ at }) => (at.kind === 'lamps' ? at.lampIds : [])));
  const housings = lampsByPanel(vehicle.lamps.filter(({ id }) => !covered.has(id)));
  const relay = recorded.some(({ at }) => at.kind === 'relay') ? null : relaySocket(vehicle.flasher);
  // Lamps left over from a plug that was written down under the name of their housing have one of their own.
  const taken = new Set(recorded.map(({ id }) => id));
  const free = (group: string): string => {
    let id = group;
    for (let number = 2; taken.has(plugId(id)); number += 1) id = `${group}-${number}`;
    taken.add(plugId(id));
    return id;
  };
  return [
    ...recorded.map((connector) => ({ connector, recorded: true })),
    ...[...housings].flatMap(([group, lamps]) =>
      inSixes(lamps).map((some) => ({ connector: usualPlug(vehicle, free(group), some), recorded: false })),
    ),
    ...(relay ? [{ connector: relay, recorded: false }] : []),
  ];
}

const plugId = (group: string) => `plug-${group}`.slice(0, 64);

/**
 * The plug of a lamp; undefined where the vehicle has no such lamp.
 *
 * @param plugs the vehicle's plugs, where somebody has listed them already
 */
export function connectorOfLamp(
  vehicle: Vehicle,
  lampId: string,
  plugs: readonly KnownConnector[] = connectorsOf(vehicle),
): KnownConnector | undefined {
  return plugs.find(({ connector: { at } }) => at.kind === 'lamps' && at.lampIds.includes(lampId));
}

/** More than six lamps behind one panel have more than one plug. */
function inSixes(lamps: readonly Lamp[]): Lamp[][] {
  const rows: Lamp[][] = [];
  for (let at = 0; at < lamps.length; at += 6) rows.push(lamps.slice(at, at + 6));
  return rows;
}

function usualPlug(vehicle: Vehicle, group: string, lamps: readonly Lamp[]): Connector {
  const at = { kind: 'lamps' as const, lampIds: lamps.map(({ id }) => id) };
  const bare = { id: plugId(group), name: plugName(lamps), at, housing: '' };
  const functions = functionsAt(vehicle, { ...bare, cavities: [] }).filter(({ id }) => id !== 'nothing');
  return {
    ...bare,
    cavities: functions.slice(0, 16).map(({ use }, index) => ({ id: String(index + 1), use })),
  };
}

function plugName(lamps: readonly Lamp[]): string {
  const [first] = lamps;
  if (lamps.length === 1 || !first) return `Plug of ${first?.name.toLowerCase() ?? 'a lamp'}`;
  return `Plug of ${first.name.toLowerCase()} and ${lamps.length - 1} more`;
}

const RELAY_NAMES: Record<RelayFunction, string> = {
  supply: 'supply in',
  lamps: 'out to the lamps',
  earth: 'earth',
  pilot: 'pilot',
};

/** The terminals of a relay, in the order their blades stand where somebody has compared. */
function relayTerminals(flasher: Exclude<Flasher, { kind: 'controller' }>): RelayFunction[] {
  const { terminals } = flasher;
  const all: RelayFunction[] = ['supply', 'lamps', 'earth', 'pilot'];
  return terminals.order ?? all.filter((each) => terminals[each] !== undefined);
}

function relaySocket(flasher: Flasher): Connector | null {
  if (flasher.kind === 'controller') return null;
  return {
    id: 'plug-relay',
    name: 'Socket of the flasher relay',
    at: { kind: 'relay' },
    housing: '',
    cavities: relayTerminals(flasher).map((terminal) => ({
      id: (flasher.terminals[terminal] ?? terminal).replace(/[^A-Za-z0-9+./-]/g, '').slice(0, 8) || terminal,
      use: { does: 'relay', terminal },
    })),
  };
}

/**
 * What the cavities of a plug may be for on this vehicle: each feed of its lamps once, earth, and nothing. Feeds that
 * share their circuits are one wire.
 */
export function functionsAt(vehicle: Vehicle, connector: Connector): PlugFunction[] {
  return [
    ...(connector.at.kind === 'relay' ? relayFunctions(vehicle) : lampFunctions(vehicle, connector)),
    NOTHING,
  ];
}

function relayFunctions(vehicle: Vehicle): PlugFunction[] {
  const { flasher } = vehicle;
  if (flasher.kind === 'controller') return [];
  const turns = vehicle.circuits.filter(({ from }) => from.by === 'flasher').map(({ id }) => id);
  const nodes: Partial<Record<RelayFunction, string>> = {
    supply: NODES.fused(flasher.fuseId),
    lamps: NODES.flasherOut,
  };
  return relayTerminals(flasher).map((terminal) => ({
    id: `relay:${terminal}`,
    use: { does: 'relay', terminal },
    name: RELAY_NAMES[terminal],
    node: nodes[terminal] ?? null,
    about: turns,
    most: 1,
    feeds: [],
  }));
}

function lampFunctions(vehicle: Vehicle, { at }: Connector): PlugFunction[] {
  const found = new Map<string, PlugFunction>();
  const add = (use: CavityUse, node: string, about: string[], feed: PlugFunction['feeds']) => {
    const id = idOfUse(use);
    const known = found.get(id);
    // Wired together behind the plug, a feed may come in by a cavity for each lamp.
    if (known) found.set(id, { ...known, most: known.most + 1, feeds: [...known.feeds, ...feed] });
    else found.set(id, { id, use, name: nameOf(vehicle, use), node, about, most: 1, feeds: feed });
  };
  for (const lampId of at.kind === 'lamps' ? at.lampIds : []) {
    if (vehicle.pilot?.lampId === lampId) {
      for (const circuit of vehicle.circuits.filter(({ kind, side }) => kind === 'turn' && side !== null)) {
        const node = circuit.side === 'left' ? NODES.feed(lampId) : NODES.earth(lampId);
        const turns = vehicle.circuits.filter(({ kind }) => kind === 'turn').map(({ id }) => id);
        add({ does: 'feed', circuitIds: [circuit.id] }, node, turns, [{ lampId, input: 'main' }]);
      }
      continue;
    }
    for (const input of ['main', 'dim'] as const) {
      const circuitIds = circuitsFeeding(vehicle, lampId, input).map(({ id }) => id);
      if (circuitIds.length > 0)
        add({ does: 'feed', circuitIds: circuitIds.slice(0, 4) }, NODES.feed(lampId, input), circuitIds, [
          { lampId, input },
        ]);
    }
    const about = vehicle.circuits.filter(({ feeds }) => feeds.some((feed) => feed.lampId === lampId));
    const back = returnCircuit(vehicle, lampId);
    if (about.length > 0 && back)
      add(
        { does: 'feed', circuitIds: [back.id] },
        NODES.earth(lampId),
        [...about.map(({ id }) => id), back.id],
        [{ lampId, input: 'main' }],
      );
    else if (about.length > 0)
      add(
        { does: 'earth' },
        NODES.earth(lampId),
        about.map(({ id }) => id),
        [],
      );
  }
  return [...found.values()];
}

/** The circuits that are switched on to find what each cavity is for. */
export function circuitsToSwitch(functions: readonly PlugFunction[]): string[] {
  return [
    ...new Set(
      functions.flatMap(({ use, about }) =>
        use.does === 'feed' ? use.circuitIds : use.does === 'relay' ? about : [],
      ),
    ),
  ];
}

/** What a cavity is for, in words: `turn`, `left tail`, `earth`. */
export function nameOf(vehicle: Vehicle, use: CavityUse): string {
  if (use.does === 'relay') return RELAY_NAMES[use.terminal];
  if (use.does !== 'feed') return use.does;
  return use.circuitIds
    .map((id) => {
      const circuit = vehicle.circuits.find((each) => each.id === id);
      if (!circuit) return id;
      const word = circuit.kind === 'turn' && !circuit.stopFuseId ? workName('turn') : functionName(circuit);
      return circuit.side ? `${circuit.side} ${word}` : word;
    })
    .join(' with ');
}

/** What is switched on to see whether a circuit feeds a cavity: the circuit's own name, or all off. */
export function switchedName(vehicle: Vehicle, circuitId: string | null): string {
  return circuitId === null ? 'everything off' : circuitById(vehicle, circuitId).name.toLowerCase();
}
