import type { ELK, ElkNode } from 'elkjs/lib/elk-api.js';
import type { SheetNode, SheetWire, WiringSheet } from './sheet.ts';

export interface PlacedNode extends Omit<SheetNode, 'title' | 'lines'> {
  /** its title and what stands below it, as many lines as there is room for */
  strong: readonly string[];
  small: readonly string[];
  /** drawn for a screen as narrow as a phone's */
  narrow: boolean;
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
/** How wide things are, px, and how many letters their text has: of one line, cut; or wrapped where it has more. */
interface Room {
  width: number;
  strong: number;
  small: number;
  lines: number;
}
type Rooms = Record<SheetNode['kind'] | 'one-sided-plug', Room> & { gap: number; margin: number };
const room = (width: number, strong: number, small: number, lines = 1): Room => ({
  width,
  strong,
  small,
  lines,
});
const WIDE: Rooms = {
  source: room(216, 22, 30),
  earth: room(216, 22, 30),
  nothing: room(216, 22, 30),
  plug: room(74, 12, 12),
  'one-sided-plug': room(168, 22, 26),
  lamp: room(176, 22, 24),
  resistor: room(168, 18, 20),
  cap: room(60, 12, 12),
  gap: 130,
  margin: 14,
};
/** All of it within the 350 px that a phone has: text is wrapped, wires carry their colour alone. */
const NARROW: Rooms = {
  source: room(96, 12, 15, 3),
  earth: room(96, 12, 15, 3),
  nothing: room(96, 12, 15, 3),
  plug: room(46, 6, 7),
  'one-sided-plug': room(132, 16, 20),
  lamp: room(96, 12, 15, 2),
  resistor: room(96, 8, 9, 2),
  cap: room(46, 7, 7),
  gap: 58,
  margin: 6,
};

/**
 * Lays a sheet out from left to right, layer by layer: what feeds a plug, the plug, what is behind it; wires at right
 * angles. The work is elkjs' (layered drawing after Sugiyama, Tagawa and Toda, 1981).
 *
 * @param elk that does it: in a browser one with a worker of its own
 * @param narrow for a screen of a phone's width
 */
export async function layoutSheet(
  sheet: WiringSheet,
  elk: Pick<ELK, 'layout'>,
  narrow = false,
): Promise<SheetLayout> {
  const rooms = narrow ? NARROW : WIDE;
  const { gap, margin } = rooms;
  const sized = sheet.nodes.map((node) => sizeOf(node, rooms));
  const graph: ElkNode = await elk.layout({
    id: 'sheet',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.layered.spacing.nodeNodeBetweenLayers': `${gap}`,
      'elk.spacing.nodeNode': '12',
      'elk.spacing.edgeEdge': '16',
      'elk.layered.spacing.edgeEdgeBetweenLayers': narrow ? '10' : '16',
      'elk.layered.spacing.edgeNodeBetweenLayers': narrow ? '8' : '20',
      'elk.layered.considerModelOrder.strategy': 'PREFER_NODES',
      'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
      'elk.padding': `[top=${margin},left=${margin},bottom=${margin},right=${margin}]`,
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
    nodes: sized.map(({ node, ...size }) => {
      const at = graph.children?.find(({ id }) => id === node.id);
      const { id, kind, ports } = node;
      return { id, kind, ports, x: at?.x ?? 0, y: at?.y ?? 0, narrow, ...size };
    }),
    wires: sheet.wires.map((wire) => placedWire(narrow ? colourAlone(wire) : wire, graph)),
  };
}

/** In a narrow gap a wire has its colours; its size and joints stand in the table. */
function colourAlone(wire: SheetWire): SheetWire {
  return { ...wire, label: wire.kind === 'added' && !wire.colour ? '' : (wire.label.split(' ')[0] ?? '') };
}

/** A text in lines of so many letters, at most so many of them: what does not fit is cut. */
function inLines(words: string, letters: number, most: number): string[] {
  const lines: string[] = [];
  for (const word of words.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && (last.length + 1 + word.length <= letters || lines.length === most))
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines.map((line) => cut(line, letters));
}

const cut = (words: string, most: number) => (words.length > most ? `${words.slice(0, most - 1)}…` : words);

function sizeOf(node: SheetNode, rooms: Rooms) {
  const both =
    node.kind === 'plug' &&
    node.ports.some(({ side }) => side === 'west') &&
    node.ports.some(({ side }) => side === 'east');
  const {
    width,
    strong: bold,
    small: fine,
    lines: most,
  } = rooms[node.kind === 'plug' && !both ? 'one-sided-plug' : node.kind];
  const strong = inLines(node.title, bold, most);
  const small = node.lines.flatMap((line) => inLines(line, fine, most));
  const text = 15 * (strong.length + small.length);
  const head = node.kind === 'plug' ? HEAD : node.kind === 'lamp' ? Math.max(HEAD, text + 12) : 0;
  const west = node.ports.filter(({ side }) => side === 'west').length;
  const rows = Math.max(west, node.ports.length - west, 1);
  const portAt: Record<string, number> = {};
  const counts = { west: 0, east: 0 };
  for (const { id, side } of node.ports) {
    portAt[id] = head + ROW * counts[side] + ROW / 2;
    counts[side] += 1;
  }
  const least = node.kind === 'resistor' ? 2 * ROW : node.kind === 'cap' ? 26 : 15 + text;
  const height = Math.max(least, head + ROW * rows);
  // A single wire leaves in the middle.
  if (head === 0 && node.ports.length === 1) portAt[node.ports[0]?.id ?? ''] = height / 2;
  return { node, width, height, portAt, strong, small };
}

function placedWire(wire: SheetWire, graph: ElkNode): PlacedWire {
  const edge = graph.edges?.find(({ id }) => id === wire.id);
  const [section] = edge?.sections ?? [];
  const points = section ? [section.startPoint, ...(section.bendPoints ?? []), section.endPoint] : [];
  const joints = (edge as { junctionPoints?: { x: number; y: number }[] } | undefined)?.junctionPoints ?? [];
  return { ...wire, points, joints };
}
