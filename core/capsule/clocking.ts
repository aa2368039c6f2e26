import { fromMemory } from '../formatting/source.ts';
import type { CapsuleLight, CapsuleRecord } from '../model/job.ts';
import type { Source } from '../model/source.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** How far an LED capsule's collar must be turned and moved so that its chips sit where the filament sat. */
export interface Clocking {
  /** seen from behind; positive is clockwise, −90 to 90 degrees; null where an angle is not measured */
  turnDegrees: number | null;
  /** positive moves the chips away from the seat, into the lamp, mm; null where a depth is not measured */
  moveMm: number | null;
  /** whether both are within what a beam forgives; null while something is not measured */
  seated: boolean | null;
}

/** What a beam forgives (common practice): the chips a couple of degrees and half a millimetre off. */
const FORGIVEN_DEGREES = 2;
const FORGIVEN_MM = 0.5;

/**
 * What is left to turn and to move. A filament's plane looks the same from both sides, and so do chips on two flanks
 * of a blade: half a turn is no difference, so that no more than a quarter turn is ever asked for.
 */
export function clocking({
  filamentDegrees,
  ledDegrees,
  filamentDepthMm,
  ledDepthMm,
}: CapsuleLight): Clocking {
  const turnDegrees =
    filamentDegrees === undefined || ledDegrees === undefined
      ? null
      : quarterTurn(filamentDegrees - ledDegrees);
  const moveMm =
    filamentDepthMm === undefined || ledDepthMm === undefined ? null : filamentDepthMm - ledDepthMm;
  return {
    turnDegrees,
    moveMm,
    seated:
      turnDegrees === null || moveMm === null
        ? null
        : Math.abs(turnDegrees) <= FORGIVEN_DEGREES && Math.abs(moveMm) <= FORGIVEN_MM,
  };
}

/** A capsule of two lights on one collar: what each would need, and what is left of the main beam once the dipped sits. */
export interface TwinClocking {
  low: Clocking;
  high: Clocking;
  /** what the main beam is off by once the collar is set for the dipped one, degrees and mm; null while not measured */
  leftDegrees: number | null;
  leftMm: number | null;
  /** whether one setting of the collar brings both within what a beam forgives; null while something is not measured */
  together: boolean | null;
}

/**
 * What is left to turn and to move of a capsule of two lights. One collar sets both, and the dipped beam decides: it is
 * the one that dazzles.
 */
export function twinClocking({ low: dipped, ...main }: Omit<CapsuleRecord, 'checked'>): TwinClocking {
  const low = clocking(dipped ?? {});
  const high = clocking(main);
  const leftDegrees =
    low.turnDegrees === null || high.turnDegrees === null
      ? null
      : quarterTurn(high.turnDegrees - low.turnDegrees);
  const leftMm = low.moveMm === null || high.moveMm === null ? null : high.moveMm - low.moveMm;
  return {
    low,
    high,
    leftDegrees,
    leftMm,
    together:
      leftDegrees === null || leftMm === null
        ? null
        : Math.abs(leftDegrees) <= FORGIVEN_DEGREES && Math.abs(leftMm) <= FORGIVEN_MM,
  };
}

/** An angle brought into −90 (left out) to 90 by half turns. */
function quarterTurn(degrees: number): number {
  const within = ((degrees % 180) + 180) % 180;
  return within > 90 ? within - 180 : within;
}

/** Where the cut-off of dipped beam belongs on a wall. */
export interface WallMark {
  /** below the height of the lamp's middle, m */
  dropM: number;
  /** above the ground, m */
  heightM: number;
  dipPercent: number;
  source: Source;
}

/**
 * The height of the cut-off on a wall: the beam falls by its dip over the distance.
 *
 * Dip by mounting height after UN Regulation 48 (from memory, verify): 1.0 % under 0.8 m, 1.0 to 1.3 % up to 1.0 m,
 * 1.5 % above. Visually aimed North American lamps: level, or a little below, here taken as 0 % (SAE J599, from
 * memory, verify). The plate by the lamp decides.
 *
 * @throws RangeError when a distance or height is not above 0
 */
export function wallMark(region: Vehicle['region'], heightM: number, wallM: number): WallMark {
  if (!(heightM > 0) || !(wallM > 0)) throw new RangeError('height and distance must be above 0 m');
  const dipPercent = region === 'US' ? 0 : heightM < 0.8 ? 1 : heightM <= 1 ? 1.2 : 1.5;
  const dropM = (wallM * dipPercent) / 100;
  return {
    dropM,
    heightM: heightM - dropM,
    dipPercent,
    source:
      region === 'US'
        ? fromMemory('SAE J599, visual aim')
        : fromMemory('UN Regulation 48 by mounting height'),
  };
}
