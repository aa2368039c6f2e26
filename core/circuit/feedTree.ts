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

const MAX_STEPS = 100;
/** Tight, because currents are differences of nearly equal volts over milliohms. */
const RELATIVE_VOLTS = 1e-13;

/**
 * Steady state of a tree of wires and devices fed from one source.
 *
 * Each node's voltage is where the current its feed brings equals the current it passes on. Brought minus
 * taken falls as the node's voltage rises for every passive load, so a bracketed Newton step always lands;
 * a converter, whose current FALLS with voltage, can have two answers, and the upper one is the one it
 * runs at.
 *
 * @param root the first node after the source; its `ohms` include the source's internal resistance
 * @param sourceVolts the source's EMF, V
 * @returns the state of every node by id
 * @throws NoSteadyStateError when a node has no solution
 */
export function solveFeedTree(root: FeedNode, sourceVolts: number): Map<string, NodeState> {
  const states = new Map<string, NodeState>();
  record(root, sourceVolts, states);
  return states;
}

function record(node: FeedNode, feedVolts: number, states: Map<string, NodeState>): void {
  const volts = nodeVolts(node, feedVolts);
  const deviceAmps = node.devices.map((device) => device.operate(volts).amps);
  states.set(node.id, { volts, amps: taken(node, volts).amps, deviceAmps });
  for (const branch of node.branches) record(branch, volts, states);
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
  for (let step = 0; step < MAX_STEPS; step += 1) {
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
