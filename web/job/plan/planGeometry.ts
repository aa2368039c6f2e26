import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import type { VehicleKind } from '../../../core/model/vehicle/vehicle.ts';

/** The vehicle's outline on the plan, in screen pixels: drawn one to one, so that no label shrinks. */
export interface Outline {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Length of each kind over its width; a moped's width is that of its handlebar, a trailer's length has its drawbar. */
const PROPORTION: Record<VehicleKind, number> = {
  car: 2.2,
  van: 2.15,
  minibus: 2.45,
  coach: 3,
  lorry: 2.5,
  moped: 2.2,
  trailer: 2.3,
  tractor: 1.75,
};
const LABEL_ROOM = 122;

/** The largest vehicle that leaves room for labels on both sides. */
export function outlineIn(kind: VehicleKind, width: number, height: number): Outline {
  const most = Math.max(90, width - 2 * LABEL_ROOM);
  const tall = Math.max(160, height - 24);
  const across = Math.min(most, tall / PROPORTION[kind]);
  const along = across * PROPORTION[kind];
  return { left: (width - across) / 2, top: (height - along) / 2, width: across, height: along };
}

export function lampCentre(lamp: Lamp, outline: Outline): { x: number; y: number } {
  return {
    x: outline.left + lamp.plan.across * outline.width,
    y: outline.top + lamp.plan.along * outline.height,
  };
}

/**
 * A lens: round where it faces out, flat where it meets the body. Drawn for the left flank around its
 * centre; the right flank mirrors it. A lamp that faces straight back or lies inside is even.
 */
export function lensPath(lamp: Lamp): string {
  if (lamp.end === 'dash') return 'M-5 0A5 5 0 0 1 5 0A5 5 0 0 1 -5 0Z';
  if (lamp.end === 'inside') return 'M-15 -6H15V0A6 6 0 0 1 9 6H-9A6 6 0 0 1 -15 0Z';
  if (lamp.side === 'centre') return 'M-15 -5H15V0A6 6 0 0 1 9 6H-9A6 6 0 0 1 -15 0Z';
  switch (lamp.end) {
    case 'front':
      return 'M11 -13V13H3A14 14 0 0 1 -11 0Q-11 -12 1 -13Z';
    case 'rear':
      return 'M10 -13V12H1A11 11 0 0 1 -10 2V-13Z';
    case 'side':
      return 'M5 -9V9H0A9 9 0 0 1 0 -9Z';
  }
}

/** Lenses are drawn smaller where there are many, and on a small plan. */
export function lensScale(lamps: number, outline: Outline): number {
  const crowd = lamps > 12 ? 0.72 * Math.min(1, Math.sqrt(40 / lamps)) : 1;
  return crowd * Math.min(1, Math.max(0.6, outline.width / 140));
}

/** How wide a lamp's light spreads on the plan, px, by its rated lumens. */
export function glowRadius(lumens: number): number {
  return 10 + 3.2 * Math.sqrt(Math.min(lumens, 700) / 10);
}
