import { fromMemory, sourceWords } from '../formatting/source.ts';
import type { Source } from '../model/source.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Chromaticity } from './spectrum.ts';

/** Colours a lamp may be required to show. */
export type ZoneColour = 'red' | 'amber' | 'white';

interface Zone {
  colour: ZoneColour;
  source: Source;
  inside(at: Chromaticity): boolean;
}

const UN = fromMemory('UN Regulation 48, colour definitions');
const US = fromMemory('SAE J578');

/** Corners of the white zone, in order round it; the lower edge lies a little lower in SAE's. */
function whiteZone(lowerEdge: number): readonly (readonly [number, number])[] {
  return [
    [0.31, 0.348],
    [0.453, 0.44],
    [0.5, 0.44],
    [0.5, lowerEdge],
    [0.443, lowerEdge],
    [0.31, 0.283],
  ];
}

const ZONES: Record<Vehicle['region'], readonly Zone[]> = {
  UN: zones({ source: UN, redY: 0.335, whiteLower: 0.382 }),
  US: zones({ source: US, redY: 0.33, whiteLower: 0.38 }),
};

function zones({ source, redY, whiteLower }: { source: Source; redY: number; whiteLower: number }): Zone[] {
  return [
    { colour: 'red', source, inside: ({ x, y }) => y <= redY && y >= 0.98 - x },
    {
      colour: 'amber',
      source,
      inside: ({ x, y }) => y >= 0.39 && y <= x - 0.12 && y >= 0.79 - 0.67 * x,
    },
    { colour: 'white', source, inside: (at) => insidePolygon(at, whiteZone(whiteLower)) },
  ];
}

/** Which of the zones of a region a colour lies in; null where in none. */
export function zoneOf(region: Vehicle['region'], at: Chromaticity): ZoneColour | null {
  return ZONES[region].find((zone) => zone.inside(at))?.colour ?? null;
}

/** Where a region's zones are written. */
export function zoneSource(region: Vehicle['region']): string {
  const [first] = ZONES[region];
  return first ? sourceWords(first.source) : '';
}

/** Inside or on the edge of a polygon with its corners in order: the white zone has a corner that points inwards. */
function insidePolygon({ x, y }: Chromaticity, corners: readonly (readonly [number, number])[]): boolean {
  const EDGE = 1e-9;
  let inside = false;
  for (const [index, [x1, y1]] of corners.entries()) {
    const [x2, y2] = corners[(index + 1) % corners.length] ?? [x1, y1];
    const cross = (x2 - x1) * (y - y1) - (y2 - y1) * (x - x1);
    const within = (a: number, b: number, at: number) =>
      at >= Math.min(a, b) - EDGE && at <= Math.max(a, b) + EDGE;
    if (Math.abs(cross) < EDGE && within(x1, x2, x) && within(y1, y2, y)) return true;
    if (y1 > y !== y2 > y && x < x1 + ((y - y1) * (x2 - x1)) / (y2 - y1)) inside = !inside;
  }
  return inside;
}
