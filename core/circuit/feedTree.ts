import type { Device, Operating } from './device.ts';

/** A point of the wiring, fed through `ohms` from the point above it. */
export interface FeedNode {
  id: string;
  /** wire, contact and fuse resistance between this point and the one that feeds it */
  ohms: number;
  /** what hangs between this point and earth */
  devices: readonly Device[];
  branches: readonly FeedNode[];
}

export interface NodeState {
  volts: number;
  /** current arriving at the node, A */
  amps: number;
  /** current of each device, in the order given */
  deviceAmps: readonly number[];
}

/** The steady current of no branch could be found; names the place. */
export class NoSteadyStateError extends Error {
  constructor(readonly nodeId: string) {
    super(
      `No steady voltage could be found at "${nodeId}". Check the LED's supply range and the wiring there.`,
    );
    this.name = 'NoSteadyStateError';
  }
}

/** Newton steps over the whole tree before the slower, certain way is taken. */
const NEWTON_STEPS = 25;
const BRACKET_STEPS = 100;
/** Tight, because currents are differences of nearly equal volts over milliohms. */
const RELATIVE_VOLTS = 1e-12;

/**
 * Steady state of a tree of wires and devices fed from one source.
 *
 * Newton's method on all nodes at once: each device is replaced by its tangent, the tree of tangents is
 * solved exactly from its leaves to its root and back, and the tangents are drawn anew. Where that does
 * not settle (a load whose curve jumps, or whose current falls with voltage) every node is bracketed
 * instead: brought minus taken falls as a node's voltage rises, so halving always lands.
 *
 * @param root the first node after the source; its `ohms` include the source's internal resistance
 * @param sourceVolts the source's EMF, V
 * @returns the state of every node by id
 * @throws NoSteadyStateError when a load gives no figure
 */
export function solveFeedTree(root: FeedNode, sourceVolts: number): Map<string, NodeState> {
  const volts = newton(root, sourceVolts) ?? bracketed(root, sourceVolts);
  const states = new Map<string, NodeState>();
  record(root, volts, states);
  return states;
}

type NodeVolts = Map<FeedNode, number>;

function record(node: FeedNode, volts: NodeVolts, states: Map<string, NodeState>): number {
  const own = volts.get(node) ?? 0;
  const deviceAmps = node.devices.map((device) => device.operate(own).amps);
  let amps = deviceAmps.reduce((sum, each) => sum + each, 0);
  for (const branch of node.branches) amps += record(branch, volts, states);
  states.set(node.id, { volts: own, amps, deviceAmps });
  return amps;
}

function newton(root: FeedNode, sourceVolts: number): NodeVolts | null {
  const volts: NodeVolts = new Map();
  start(root, sourceVolts, volts);
  for (let step = 0; step < NEWTON_STEPS; step += 1) {
    const tangents = new Map<FeedNode, Tangent>();
    tangentOf(root, volts, tangents);
    const moved = backSubstitute(root, sourceVolts, volts, tangents);
    if (moved <= RELATIVE_VOLTS * Math.abs(sourceVolts)) return volts;
  }
  return null;
}

function start(node: FeedNode, value: number, volts: NodeVolts): void {
  volts.set(node, value);
  for (const branch of node.branches) start(branch, value, volts);
}

/** What a node takes near its present voltage: `amps + siemens · volts`. */
interface Tangent {
  amps: number;
  siemens: number;
}

/** Fills in the tangents below a node and gives the node's own as its parent sees it, feed wire included. */
function tangentOf(node: FeedNode, volts: NodeVolts, tangents: Map<FeedNode, Tangent>): Tangent {
  const own = volts.get(node) ?? 0;
  let amps = 0;
  let siemens = 0;
  for (const device of node.devices) {
    const point = device.operate(own);
    if (!Number.isFinite(point.amps + point.siemens)) throw new NoSteadyStateError(node.id);
    amps += point.amps - point.siemens * own;
    siemens += point.siemens;
  }
  for (const branch of node.branches) {
    const below = tangentOf(branch, volts, tangents);
    amps += below.amps;
    siemens += below.siemens;
  }
  tangents.set(node, { amps, siemens });
  const share = 1 + node.ohms * siemens;
  return { amps: amps / share, siemens: siemens / share };
}

/** Sets every voltage from the feed's by the tangents; gives the largest move. */
function backSubstitute(
  node: FeedNode,
  feedVolts: number,
  volts: NodeVolts,
  tangents: Map<FeedNode, Tangent>,
): number {
  const tangent = tangents.get(node) ?? { amps: 0, siemens: 0 };
  const next = (feedVolts - node.ohms * tangent.amps) / (1 + node.ohms * tangent.siemens);
  let moved = Math.abs(next - (volts.get(node) ?? 0));
  volts.set(node, next);
  for (const branch of node.branches) moved = Math.max(moved, backSubstitute(branch, next, volts, tangents));
  return moved;
}

function bracketed(root: FeedNode, sourceVolts: number): NodeVolts {
  const volts: NodeVolts = new Map();
  const place = (node: FeedNode, feedVolts: number) => {
    const own = nodeVolts(node, feedVolts);
    volts.set(node, own);
    for (const branch of node.branches) place(branch, own);
  };
  place(root, sourceVolts);
  return volts;
}

/** Current a node takes at its own voltage: its devices and everything below. */
function taken(node: FeedNode, volts: number): Operating {
  let amps = 0;
  let siemens = 0;
  for (const device of node.devices) {
    const point = device.operate(volts);
    amps += point.amps;
    siemens += point.siemens;
  }
  for (const branch of node.branches) {
    const point = seenFromFeed(branch, volts);
    amps += point.amps;
    siemens += point.siemens;
  }
  return { amps, siemens };
}

/** The node with its feed resistance, as its parent sees it. */
function seenFromFeed(node: FeedNode, feedVolts: number): Operating {
  const point = taken(node, nodeVolts(node, feedVolts));
  return { amps: point.amps, siemens: point.siemens / (1 + node.ohms * point.siemens) };
}

function nodeVolts(node: FeedNode, feedVolts: number): number {
  if (node.ohms === 0 || feedVolts <= 0) return feedVolts;
  let low = 0;
  let high = feedVolts;
  let volts = feedVolts;
  for (let step = 0; step < BRACKET_STEPS; step += 1) {
    const point = taken(node, volts);
    const excess = (feedVolts - volts) / node.ohms - point.amps;
    if (!Number.isFinite(excess)) throw new NoSteadyStateError(node.id);
    if (excess > 0) low = volts;
    else high = volts;
    const slope = -1 / node.ohms - point.siemens;
    const newton = volts - excess / slope;
    const next = newton >= low && newton <= high ? newton : (low + high) / 2;
    if (Math.abs(next - volts) <= RELATIVE_VOLTS * feedVolts) return next;
    volts = next;
  }
  // The bracket has been halved below the resolution of a double: a jump in the load's curve lies here.
  return volts;
}
