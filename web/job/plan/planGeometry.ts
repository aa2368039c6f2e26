import type { Lamp } from '../../../core/model/vehicle.ts';

/** The vehicle's outline on the plan, in screen pixels: drawn one to one, so that no label shrinks. */
export interface Outline {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Length of a van over its width. */
const VAN_PROPORTION = 2.15;
const LABEL_ROOM = 122;

/** The largest van that leaves room for labels on both sides. */
export function outlineIn(width: number, height: number): Outline {
  const most = Math.max(90, width - 2 * LABEL_ROOM);
  const tall = Math.max(160, height - 24);
  const vanWidth = Math.min(most, tall / VAN_PROPORTION);
  const vanHeight = vanWidth * VAN_PROPORTION;
  return { left: (width - vanWidth) / 2, top: (height - vanHeight) / 2, width: vanWidth, height: vanHeight };
}

export function lampCentre(lamp: Lamp, outline: Outline): { x: number; y: number } {
  return {
    x: outline.left + lamp.plan.across * outline.width,
    y: outline.top + lamp.plan.along * outline.height,
  };
}

/**
 * A lens: round where it faces out, flat where it meets the body. Drawn for the left flank around its
 * centre; the right flank mirrors it.
 */
export function lensPath(lamp: Lamp): string {
  switch (lamp.end) {
    case 'front':
      return 'M11 -13V13H3A14 14 0 0 1 -11 0Q-11 -12 1 -13Z';
    case 'rear':
      return 'M10 -16V14H1A11 11 0 0 1 -10 3V-16Z';
    case 'side':
      return 'M5 -9V9H0A9 9 0 0 1 0 -9Z';
  }
}

/** How wide a lamp's light spreads on the plan, px, by its rated lumens. */
export function glowRadius(lumens: number): number {
  return 10 + 3.2 * Math.sqrt(lumens / 10);
}
