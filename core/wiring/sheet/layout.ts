import type { ELK, ElkNode } from 'elkjs/lib/elk-api.js';
import type { SheetNode, SheetWire, WiringSheet } from './sheet.ts';

export interface PlacedNode extends SheetNode {
  x: number;
  y: number;
  width: number;
  height: number;
  /** how far down each port is, px from the node's top */
  portAt: Readonly<Record<string, number>>;
}

export interface PlacedWire extends SheetWire {
  points: readonly { x: number; y: number }[];
  /** where it branches from another: a joint */
  joints: readonly { x: number; y: number }[];
}

/** A sheet with everything in its place, px. */
export interface SheetLayout {
  width: number;
  height: number;
  nodes: readonly PlacedNode[];
  wires: readonly PlacedWire[];
}

const ROW = 38;
const HEAD = 44;
const WIDTHS: Record<SheetNode['kind'], number> = {
  source: 216,
  earth: 216,
  nothing: 216,
  plug: 74,
  lamp: 176,
  resistor: 168,
  cap: 60,
};
/** Of a plug drawn from one side only, with what each cavity is for. */
const WIDE_PLUG = 168;
const MARGIN = 14;

/**
 * Lays a sheet out from left to right, layer by layer: what feeds a plug, the plug, what is behind it; wires at right
 * angles. The work is elkjs' (layered drawing after Sugiyama, Tagawa and Toda, 1981).
 *
 * @param elk that does it: in a browser one with a worker of its own
 */
export async function layoutSheet(sheet: WiringSheet, elk: Pick<ELK, 'layout'>): Promise<SheetLayout> {
  const sized = sheet.nodes.map(sizeOf);
  const graph: ElkNode = await elk.layout({
    id: 'sheet',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.layered.spacing.nodeNodeBetweenLayers': '130',
      'elk.spacing.nodeNode': '12',
      'elk.spacing.edgeEdge': '16',
      'elk.layered.spacing.edgeEdgeBetweenLayers': '16',
      'elk.layered.spacing.edgeNodeBetweenLayers': '20',
      'elk.layered.considerModelOrder.strategy': 'PREFER_NODES',
      'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
      'elk.padding': `[top=${MARGIN},left=${MARGIN},bottom=${MARGIN},right=${MARGIN}]`,
    },
    children: sized.map(({ node, width, height, portAt }) => ({
      id: node.id,
      width,
      height,
      layoutOptions: { 'elk.portConstraints': 'FIXED_POS' },
      ports: node.ports.map(({ id, side }) => ({
        id: `${node.id}:${id}`,
        x: side === 'west' ? 0 : width,
        y: portAt[id] ?? 0,
        width: 0,
        height: 0,
        layoutOptions: { 'elk.port.side': side === 'west' ? 'WEST' : 'EAST' },
      })),
    })),
    edges: sheet.wires.map(({ id, from, to }) => ({
      id,
      sources: [`${from.node}:${from.port}`],
      targets: [`${to.node}:${to.port}`],
    })),
  });
  return {
    width: graph.width ?? 0,
    height: graph.height ?? 0,
    nodes: sized.map(({ node, width, height, portAt }) => {
      const at = graph.children?.find(({ id }) => id === node.id);
      return { ...node, x: at?.x ?? 0, y: at?.y ?? 0, width, height, portAt };
    }),
    wires: sheet.wires.map((wire) => placedWire(wire, graph)),
  };
}

function sizeOf(node: SheetNode) {
  const both =
    node.kind === 'plug' &&
    node.ports.some(({ side }) => side === 'west') &&
    node.ports.some(({ side }) => side === 'east');
  const width = node.kind === 'plug' && !both ? WIDE_PLUG : WIDTHS[node.kind];
  const head = node.kind === 'plug' || node.kind === 'lamp' ? HEAD : 0;
  const west = node.ports.filter(({ side }) => side === 'west').length;
  const rows = Math.max(west, node.ports.length - west, 1);
  const portAt: Record<string, number> = {};
  const counts = { west: 0, east: 0 };
  for (const { id, side } of node.ports) {
    portAt[id] = head + ROW * counts[side] + ROW / 2;
    counts[side] += 1;
  }
  const least = node.kind === 'resistor' ? 2 * ROW : node.kind === 'cap' ? 26 : 30 + 15 * node.lines.length;
  const height = Math.max(least, head + ROW * rows);
  // A single wire leaves in the middle.
  if (head === 0 && node.ports.length === 1) portAt[node.ports[0]?.id ?? ''] = height / 2;
  return { node, width, height, portAt };
}

function placedWire(wire: SheetWire, graph: ElkNode): PlacedWire {
  const edge = graph.edges?.find(({ id }) => id === wire.id);
  const [section] = edge?.sections ?? [];
  const points = section ? [section.startPoint, ...(section.bendPoints ?? []), section.endPoint] : [];
  const joints = (edge as { junctionPoints?: { x: number; y: number }[] } | undefined)?.junctionPoints ?? [];
  return { ...wire, points, joints };
}
