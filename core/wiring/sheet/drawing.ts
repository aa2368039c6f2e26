import { wireHex } from '../../catalogue/wires.ts';
import type { PlacedNode, PlacedWire, SheetLayout } from './layout.ts';

/** One element of a drawing: what screen and file both are made from. */
export interface Shape {
  tag: 'g' | 'path' | 'rect' | 'circle' | 'text';
  /** SVG attributes by their SVG names; colours that follow the theme are classes */
  attributes: Readonly<Record<string, string | number>>;
  text?: string;
  children?: readonly Shape[];
}

/** Widths of the outline, the wire and its tracer, px. */
const OUTLINE = 8;
const WIRE = 6;
const TRACER = 2.2;

/**
 * A sheet as shapes: wires in their colours with their tracers and their letters, bulbs, LEDs, fuses, resistors and earth
 * in the usual signs of vehicle wiring diagrams (lamp a circle with a cross, resistor a box, earth three bars: IEC 60617,
 * from memory).
 */
export function sheetShapes(layout: SheetLayout): Shape[] {
  return [
    ...layout.wires.flatMap(wireShapes),
    ...layout.nodes.flatMap(nodeShapes),
    ...layout.wires.flatMap(labelShapes),
  ];
}

const path = (d: string, name: string, more: Record<string, string | number> = {}): Shape => ({
  tag: 'path',
  attributes: { d, class: name, fill: 'none', ...more },
});
const text = (x: number, y: number, words: string, name = 'ws-text', anchor = 'start'): Shape => ({
  tag: 'text',
  attributes: { x, y, class: name, 'text-anchor': anchor },
  text: words,
});

function wireShapes({ points, joints, colour, kind }: PlacedWire): Shape[] {
  if (points.length === 0) return [];
  const d = points.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('');
  const dots = joints.map(
    ({ x, y }): Shape => ({
      tag: 'circle',
      attributes: { cx: round(x), cy: round(y), r: 5, class: 'ws-joint' },
    }),
  );
  if (kind === 'lamp') return [path(d, 'ws-line'), ...dots];
  if (kind === 'added' && !colour) return [path(d, 'ws-added'), ...dots];
  if (!colour) return [path(d, 'ws-unknown'), ...dots];
  return [
    path(d, 'ws-outline', { 'stroke-width': OUTLINE }),
    path(d, 'ws-wire', { 'stroke-width': WIRE, stroke: wireHex(colour.base) }),
    ...(colour.tracer
      ? [
          path(d, 'ws-wire', {
            'stroke-width': TRACER,
            stroke: wireHex(colour.tracer),
            'stroke-dasharray': '12 7',
          }),
        ]
      : []),
    ...dots,
  ];
}

/** Letters beside the first stretch of a wire: colour is never the only sign. */
function labelShapes({ points, label, kind, to }: PlacedWire): Shape[] {
  const last = points.at(-1);
  const first = points[0];
  if (!label || !last || !first) return [];
  if (kind === 'added' && to.port !== 'in' && !to.port.startsWith('w'))
    return [text(round(last.x) - 8, round(last.y) - 8, label, 'ws-small', 'end')];
  const short = points.length === 2 || Math.abs((points[1]?.x ?? 0) - first.x) > 70;
  return short
    ? [text(round(first.x) + 10, round(first.y) - 8, label, 'ws-letters')]
    : [text(round(last.x) - 10, round(last.y) - 8, label, 'ws-letters', 'end')];
}

function nodeShapes(node: PlacedNode): Shape[] {
  const { kind, x, y, width, height } = node;
  const box: Shape = {
    tag: 'rect',
    attributes: {
      x: round(x),
      y: round(y),
      width,
      height,
      rx: 8,
      class: kind === 'plug' ? 'ws-plug' : 'ws-box',
    },
  };
  switch (kind) {
    case 'plug':
      return [box, ...plugShapes(node)];
    case 'lamp':
      return [box, ...lampShapes(node)];
    case 'resistor':
      return [box, ...resistorShapes(node)];
    case 'cap':
      return [box, text(x + width / 2, y + height / 2 + 4, node.strong[0] ?? '', 'ws-small', 'middle')];
    case 'earth':
      return [box, ...wordsOf(node), ...(node.narrow ? [] : [earthSign(x + 18, y + height / 2)])];
    case 'source':
      return [box, ...wordsOf(node), ...(node.narrow ? [] : fuseSign(x + 18, y + height / 2))];
    case 'nothing':
      return [box, ...wordsOf(node)];
  }
}

/** Title and what stands below it, beside its sign; where there is no room for a sign the words say it. */
function wordsOf({ x, y, height, strong, small, kind, narrow }: PlacedNode): Shape[] {
  const left = narrow ? x + 6 : kind === 'nothing' ? x + 10 : x + 40;
  const top = y + height / 2 + 12 - 8 * (strong.length + small.length);
  return written(left, top, strong, small);
}

function written(x: number, top: number, strong: readonly string[], small: readonly string[]): Shape[] {
  return [
    ...strong.map((line, at) => text(x, top + 15 * at, line, 'ws-strong')),
    ...small.map((line, at) => text(x, top + 15 * (strong.length + at), line, 'ws-small')),
  ];
}

function earthSign(x: number, y: number): Shape {
  return path(
    `M${x} ${y - 12}V${y}M${x - 10} ${y}H${x + 10}M${x - 6} ${y + 5}H${x + 6}M${x - 3} ${y + 10}H${x + 3}`,
    'ws-line',
  );
}

function fuseSign(x: number, y: number): Shape[] {
  return [
    { tag: 'rect', attributes: { x: x - 6, y: y - 11, width: 12, height: 22, rx: 2, class: 'ws-sign' } },
    path(`M${x} ${y - 16}V${y + 16}`, 'ws-line'),
  ];
}

function plugShapes({ x, y, width, ports, portAt, strong, small, narrow }: PlacedNode): Shape[] {
  const wide = width > 100;
  const shapes = [
    text(x + width / 2, y + 18, wide ? (strong[0] ?? '') : 'plug', 'ws-strong', 'middle'),
    text(x + width / 2, y + 33, small[0] ?? '', 'ws-small', 'middle'),
  ];
  for (const { id, side, label } of ports) {
    const at = y + (portAt[id] ?? 0);
    if (label)
      shapes.push(
        wide
          ? text(
              side === 'west' ? x + 24 : x + width - 24,
              at + 4,
              cut(label, narrow ? 14 : 20),
              'ws-text',
              side === 'west' ? 'start' : 'end',
            )
          : text(x + width / 2, at + 5, label, 'ws-cavity', 'middle'),
      );
    const end = side === 'west' ? x : x + width;
    shapes.push({ tag: 'circle', attributes: { cx: round(end), cy: round(at), r: 4.5, class: 'ws-pin' } });
  }
  return shapes;
}

function lampShapes({ x, y, width, height, ports, portAt, strong, small, narrow }: PlacedNode): Shape[] {
  const shapes = written(x + (narrow ? 6 : 12), y + 19, strong, small);
  const rail = x + width - (narrow ? 12 : 26);
  const earth = y + (portAt.earth ?? height - 18);
  for (const { id, label, filament } of ports) {
    const at = y + (portAt[id] ?? 0);
    if (!filament) {
      shapes.push(path(`M${x} ${at}H${rail}`, 'ws-line'));
      continue;
    }
    const middle = x + (narrow ? 50 : 84);
    shapes.push(path(`M${x} ${at}H${middle - 12}M${middle + 12} ${at}H${rail}V${earth}`, 'ws-line'));
    shapes.push(...(filament === 'led' ? ledSign(middle, at) : bulbSign(middle, at)));
    if (label) shapes.push(text(x + 8, at - 7, label, 'ws-small'));
  }
  return shapes;
}

function bulbSign(x: number, y: number): Shape[] {
  const arm = 8.5;
  return [
    { tag: 'circle', attributes: { cx: x, cy: y, r: 12, class: 'ws-sign' } },
    path(
      `M${x - arm} ${y - arm}L${x + arm} ${y + arm}M${x - arm} ${y + arm}L${x + arm} ${y - arm}`,
      'ws-line',
    ),
  ];
}

function ledSign(x: number, y: number): Shape[] {
  return [
    path(
      `M${x - 12} ${y - 9}L${x + 9} ${y}L${x - 12} ${y + 9}ZM${x + 10} ${y - 9}V${y + 9}M${x + 10} ${y}H${x + 12}`,
      'ws-sign',
    ),
    path(`M${x} ${y - 12}l6 -7m-4 0h4v4M${x + 9} ${y - 12}l6 -7m-4 0h4v4`, 'ws-line'),
  ];
}

function resistorShapes({ x, y, portAt, strong, small, height, narrow }: PlacedNode): Shape[] {
  const feed = y + (portAt.feed ?? 0);
  const earth = y + (portAt.earth ?? 0);
  const middle = y + height / 2;
  return [
    path(`M${x} ${feed}H${x + 26}V${middle - 14}M${x + 26} ${middle + 14}V${earth}H${x}`, 'ws-line'),
    { tag: 'rect', attributes: { x: x + 19, y: middle - 14, width: 14, height: 28, class: 'ws-sign' } },
    ...written(x + (narrow ? 38 : 44), middle - 2 - 8 * (strong.length + small.length - 2), strong, small),
  ];
}

const round = (value: number) => Math.round(value * 10) / 10;
const cut = (words: string, most: number) => (words.length > most ? `${words.slice(0, most - 1)}…` : words);
