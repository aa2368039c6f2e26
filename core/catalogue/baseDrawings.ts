import type { BaseId } from '../model/bulb.ts';

/** A contact on the face of a base, from its middle, mm. */
export interface Contact {
  x: number;
  y: number;
  /** width and height; round where they are alike */
  wide: number;
  high: number;
}

/**
 * A base as it is seen from its contact end, in millimetres. The leading figure is the one in its IEC 60061-1 name
 * (BA15: a shell of 15 mm; W2.1x9.5: a wedge of 2.1 by 9.5 mm); pins, tabs and contacts are typical of the kind,
 * from memory, and show what is where rather than what to make a gauge from.
 */
export interface BaseDrawing {
  outline:
    | { kind: 'shell'; mm: number }
    | { kind: 'wedge'; thickMm: number; wideMm: number; skirt?: { thickMm: number; wideMm: number } }
    | { kind: 'caps'; mm: number }
    | { kind: 'disc'; mm: number };
  /** bayonet pins: where they stand round the shell, how far out they reach, and how much lower the second is */
  pins?: { degrees: readonly number[]; acrossMm: number; lowerMm: number };
  /** tabs or cut-outs of a disc, degrees */
  tabs?: readonly number[];
  contacts: readonly Contact[];
}

const round = (x: number, y: number, mm: number): Contact => ({ x, y, wide: mm, high: mm });
const blade = (x: number, y: number, wide: number, high: number): Contact => ({ x, y, wide, high });
/** The bent wires of a wedge: one near each end, and with four one on each flank of each end. */
const wires = (thickMm: number, wideMm: number, count: 2 | 4): Contact[] => {
  const x = wideMm * 0.3;
  const y = thickMm / 2;
  const wire = (atX: number, atY: number) => blade(atX, atY, wideMm * 0.16, 0.7);
  return count === 2 ? [wire(-x, -y), wire(x, y)] : [wire(-x, -y), wire(x, -y), wire(-x, y), wire(x, y)];
};
const wedge = (
  thickMm: number,
  wideMm: number,
  count: 2 | 4,
  skirt?: { thickMm: number; wideMm: number },
): BaseDrawing => ({
  outline: { kind: 'wedge', thickMm, wideMm, ...(skirt ? { skirt } : {}) },
  contacts: wires(thickMm, wideMm, count),
});
const disc = (mm: number, tabs: readonly number[], contacts: readonly Contact[]): BaseDrawing => ({
  outline: { kind: 'disc', mm },
  tabs,
  contacts,
});

export const BASE_DRAWINGS: Record<BaseId, BaseDrawing> = {
  BA15s: {
    outline: { kind: 'shell', mm: 15 },
    pins: { degrees: [0, 180], acrossMm: 17.4, lowerMm: 0 },
    contacts: [round(0, 0, 5)],
  },
  BAU15s: {
    outline: { kind: 'shell', mm: 15 },
    pins: { degrees: [0, 150], acrossMm: 17.4, lowerMm: 0 },
    contacts: [round(0, 0, 5)],
  },
  BAY15d: {
    outline: { kind: 'shell', mm: 15 },
    pins: { degrees: [0, 180], acrossMm: 17.4, lowerMm: 3 },
    contacts: [round(-3.4, 0, 3.6), round(3.4, 0, 3.6)],
  },
  BA9s: {
    outline: { kind: 'shell', mm: 9 },
    pins: { degrees: [0, 180], acrossMm: 10.9, lowerMm: 0 },
    contacts: [round(0, 0, 3.6)],
  },
  W3x16d: wedge(3, 16, 2, { thickMm: 8.5, wideMm: 20 }),
  WX3x16d: wedge(3, 16, 2, { thickMm: 8.5, wideMm: 20 }),
  W3x16q: wedge(3, 16, 4, { thickMm: 8.5, wideMm: 20 }),
  WX3x16q: wedge(3, 16, 4, { thickMm: 8.5, wideMm: 20 }),
  'W2.5x16d': wedge(2.5, 16, 2, { thickMm: 9, wideMm: 22 }),
  'W2.5x16q': wedge(2.5, 16, 4, { thickMm: 9, wideMm: 22 }),
  'W2.1x9.5d': wedge(2.1, 9.5, 2),
  'W2x4.6d': wedge(2, 4.6, 2),
  'B8.5d': disc(8.5, [0, 180], [blade(-2.6, 0, 1.2, 2.4), blade(2.6, 0, 1.2, 2.4)]),
  'BX8.5d': disc(8.5, [20, 200], [blade(-2.6, 0, 1.2, 2.4), blade(2.6, 0, 1.2, 2.4)]),
  'SV8.5': { outline: { kind: 'caps', mm: 8.5 }, contacts: [round(0, 0, 3)] },
  PK22s: disc(22, [90], [blade(0, 0, 6.3, 0.8)]),
  'P14.5s': disc(14.5, [90], [blade(0, 0, 6.3, 0.8)]),
  P43t: disc(43, [90, 210, 330], [blade(-9, -3, 0.8, 7.8), blade(9, -3, 0.8, 7.8), blade(0, -9, 7.8, 0.8)]),
  PX26d: disc(26, [90], [blade(-4, 0, 0.8, 7.8), blade(4, 0, 0.8, 7.8)]),
  'PGJ19-1': disc(19, [10, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGJ19-2': disc(19, [30, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGJ19-3': disc(19, [50, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGJ19-5': disc(19, [70, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  P20d: disc(20, [30, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  P22d: disc(22, [20, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  BAW15s: {
    outline: { kind: 'shell', mm: 15 },
    pins: { degrees: [0, 150], acrossMm: 17.4, lowerMm: 3 },
    contacts: [round(0, 0, 5)],
  },
  BAW15d: {
    outline: { kind: 'shell', mm: 15 },
    pins: { degrees: [0, 150], acrossMm: 17.4, lowerMm: 3 },
    contacts: [round(-3.4, 0, 3.6), round(3.4, 0, 3.6)],
  },
  BAZ15d: {
    outline: { kind: 'shell', mm: 15 },
    pins: { degrees: [0, 150], acrossMm: 17.4, lowerMm: 3 },
    contacts: [round(-3.4, 0, 3.6), round(3.4, 0, 3.6)],
  },
  BAU15d: {
    outline: { kind: 'shell', mm: 15 },
    pins: { degrees: [0, 150], acrossMm: 17.4, lowerMm: 0 },
    contacts: [round(-3.4, 0, 3.6), round(3.4, 0, 3.6)],
  },
  BAX9s: {
    outline: { kind: 'shell', mm: 9 },
    pins: { degrees: [0, 150], acrossMm: 10.9, lowerMm: 1.5 },
    contacts: [round(0, 0, 3.6)],
  },
  BAZ9s: {
    outline: { kind: 'shell', mm: 9 },
    pins: { degrees: [0, 150], acrossMm: 10.9, lowerMm: 2.5 },
    contacts: [round(0, 0, 3.6)],
  },
  BAU9s: {
    outline: { kind: 'shell', mm: 9 },
    pins: { degrees: [0, 150], acrossMm: 10.9, lowerMm: 0 },
    contacts: [round(0, 0, 3.6)],
  },
  BAUZ9s: {
    outline: { kind: 'shell', mm: 9 },
    pins: { degrees: [0, 120], acrossMm: 10.9, lowerMm: 2.5 },
    contacts: [round(0, 0, 3.6)],
  },
  BAY9s: {
    outline: { kind: 'shell', mm: 9 },
    pins: { degrees: [0, 180], acrossMm: 10.9, lowerMm: 1.5 },
    contacts: [round(0, 0, 3.6)],
  },
  BAW9s: {
    outline: { kind: 'shell', mm: 9 },
    pins: { degrees: [0, 120], acrossMm: 10.9, lowerMm: 1.5 },
    contacts: [round(0, 0, 3.6)],
  },
  'PG18.5d-1': disc(18.5, [30, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PG20-1': disc(20, [25, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PG20-2': disc(20, [40, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PG20-3': disc(20, [55, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PG20-4': disc(20, [70, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PG20-5': disc(20, [85, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PG20-6': disc(20, [100, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PG20-7': disc(20, [115, 150, 270], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGU20-1': disc(20, [25, 170, 290], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGU20-2': disc(20, [40, 170, 290], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGU20-3': disc(20, [55, 170, 290], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGU20-4': disc(20, [70, 170, 290], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGU20-5': disc(20, [85, 170, 290], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGU20-6': disc(20, [100, 170, 290], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PGU20-7': disc(20, [115, 170, 290], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PU20d-1': disc(20, [25, 190], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PU20d-2': disc(20, [40, 190], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'PU20d-7': disc(20, [115, 190], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  PG13: disc(13, [40, 220], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  PGJ13: disc(13, [60, 220], [blade(-2.5, 0, 0.8, 4), blade(2.5, 0, 0.8, 4)]),
  'WP3.3x14.5-1': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WP3.3x14.5-2': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WP3.3x14.5-3': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WP3.3x14.5-4': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WP3.3x14.5-5': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WP3.3x14.5-6': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WP3.3x14.5-7': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WP3.3x14.5-8': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WP3.3x14.5-9': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WP3.3x14.5-10': wedge(3.3, 14.5, 2, { thickMm: 10, wideMm: 18 }),
  'WY2.5x16d': wedge(2.5, 16, 2, { thickMm: 9, wideMm: 22 }),
  'WZ2.5x16d': wedge(2.5, 16, 2, { thickMm: 9, wideMm: 22 }),
  'WW2.5x16d': wedge(2.5, 16, 2, { thickMm: 9, wideMm: 22 }),
  WY3x16q: wedge(3, 16, 4, { thickMm: 8.5, wideMm: 20 }),
  WZ3x16q: wedge(3, 16, 4, { thickMm: 8.5, wideMm: 20 }),
  'P11.5d': disc(11.5, [0, 180], [blade(-2.6, 0, 1.2, 2.4), blade(2.6, 0, 1.2, 2.4)]),
  'P26.4t': disc(26.4, [30, 150, 270], [blade(-4, 0, 0.8, 4), blade(4, 0, 0.8, 4), blade(0, 0, 0.8, 4)]),
};

/** What a calliper reads across a base: the shell, the wider side of a wedge, a cap, or a disc, mm. */
export function acrossMm({ outline }: BaseDrawing): number {
  return outline.kind === 'wedge' ? outline.wideMm : outline.mm;
}

/** Half of the square a base needs to be drawn in, pins and skirt counted, mm. */
export function reachMm({ outline, pins }: BaseDrawing): number {
  const body =
    outline.kind === 'wedge'
      ? (outline.skirt?.wideMm ?? outline.wideMm)
      : outline.mm + (outline.kind === 'disc' ? 3 : 0);
  return Math.max(body, pins?.acrossMm ?? 0) / 2 + 0.6;
}
