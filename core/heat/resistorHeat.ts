import type { ResistorMount } from '../model/vehicle/lamp.ts';

/**
 * How hot an aluminium-housed resistor gets: two nodes, the wire element and the case, the case losing its heat to the
 * air and, beside that, through its mount. Figures are estimates typical of the kind; say so wherever they are shown.
 */
export type HeatMount = 'free-air' | 'panel' | 'chassis' | 'bracket' | 'recess';

/** What a lamp's place to mount a resistor is to its heat. */
export function heatMount(place: ResistorMount): HeatMount {
  // Where nobody has looked the worst metal there is stands in; whether there is any is another question.
  if (place === 'unknown') return 'recess';
  return place === 'none' ? 'free-air' : place;
}

/** The worst of several places, by how hot it gets there. */
export function worstMount(places: readonly ResistorMount[]): HeatMount {
  const mounts = places.map(heatMount);
  return mounts.reduce<HeatMount>(
    (worst, each) => (MOUNT_OHMS[each] > MOUNT_OHMS[worst] ? each : worst),
    mounts[0] ?? 'free-air',
  );
}

interface Housing {
  /** J/K */
  caseHeat: number;
  elementHeat: number;
  /** case to still air, K/W */
  toAir: number;
}

/** By printed watts; a size between takes the next larger one's. */
const HOUSINGS: readonly (readonly [watts: number, housing: Housing])[] = [
  [25, { caseHeat: 14, elementHeat: 1.5, toAir: 14 }],
  [50, { caseHeat: 30, elementHeat: 3, toAir: 9 }],
  [100, { caseHeat: 105, elementHeat: 10, toAir: 5 }],
];

/** Case through the mount to the surroundings, K/W: none, 200 cm² of thin steel, a chassis rail, a lamp's bracket on standoffs, a lamp's recess. */
const MOUNT_OHMS: Record<HeatMount, number> = {
  'free-air': Number.POSITIVE_INFINITY,
  panel: 6.5,
  chassis: 1.8,
  bracket: 3.6,
  recess: 11,
};

/** Where printed watts have derated to nothing, °C (typical of the kind). */
export const ELEMENT_LIMIT_CELSIUS = 200;
const RATED_AT_CELSIUS = 25;

export interface ResistorBody {
  /** printed, W */
  ratedWatts: number;
  mount: HeatMount;
  /** a factor of the rise that was measured at its place; 1 where left out */
  hotter?: number;
  /** others screwed to the same metal, with the mean power each turns into heat while this one does, W */
  beside?: readonly { ratedWatts: number; watts: number }[];
}

/** Temperatures at one moment, °C. */
export interface HeatPoint {
  seconds: number;
  caseCelsius: number;
  elementCelsius: number;
}

/** Heat all cases on one mount hold together, J/K. */
function caseHeatOf({ ratedWatts, beside = [] }: ResistorBody): number {
  return [ratedWatts, ...beside.map((each) => each.ratedWatts)].reduce(
    (sum, each) => sum + housingOf(each).caseHeat,
    0,
  );
}

function housingOf(ratedWatts: number): Housing {
  const found = HOUSINGS.find(([watts]) => watts >= ratedWatts) ?? HOUSINGS.at(-1);
  if (!found) throw new Error('the table of housings is empty');
  return found[1];
}

/** Element to case, K/W: at its printed watts on a sink held at 25 °C the element stands at its limit. */
export function elementToCase({ ratedWatts }: ResistorBody): number {
  return (ELEMENT_LIMIT_CELSIUS - RATED_AT_CELSIUS) / ratedWatts;
}

/**
 * Case to surroundings, K/W: the air of every case on the mount and the mount itself, side by side. Cases on one mount
 * stand at one temperature: T = T_a + ΣP / (Σ 1/R_air + 1/R_mount).
 */
export function caseToAmbient({ ratedWatts, mount, beside = [], hotter = 1 }: ResistorBody): number {
  const air = [ratedWatts, ...beside.map((each) => each.ratedWatts)].reduce(
    (sum, each) => sum + 1 / housingOf(each).toAir,
    0,
  );
  return hotter / (air + 1 / MOUNT_OHMS[mount]);
}

function besideWatts({ beside = [] }: ResistorBody): number {
  return beside.reduce((sum, each) => sum + each.watts, 0);
}

/** Where it ends when it is left on: case and element, °C. */
export function settledHeat(body: ResistorBody, watts: number, ambientCelsius: number): HeatPoint {
  const caseCelsius = ambientCelsius + (watts + besideWatts(body)) * caseToAmbient(body);
  return {
    seconds: Number.POSITIVE_INFINITY,
    caseCelsius,
    elementCelsius: caseCelsius + watts * elementToCase(body),
  };
}

/**
 * Temperatures over time from surroundings-cold, under a mean power that is then switched off.
 *
 * Exact for each step of constant power: the two coupled nodes are solved as a linear system by the trapezoidal rule
 * at a step far below either time constant, so that what goes in is what is stored and what leaves.
 *
 * @param watts mean power while on, W; a flashing resistor's is its share of the time lit, its flash being far quicker than it
 * @param onSeconds how long it is on
 * @param seconds how long is looked at
 * @param everySeconds spacing of the points
 */
export function heatCurve(
  body: ResistorBody,
  watts: number,
  ambientCelsius: number,
  onSeconds: number,
  seconds: number,
  everySeconds = 5,
): HeatPoint[] {
  const { elementHeat } = housingOf(body.ratedWatts);
  const caseHeat = caseHeatOf(body);
  const others = besideWatts(body);
  const g1 = 1 / elementToCase(body);
  const g2 = 1 / caseToAmbient(body);
  const points: HeatPoint[] = [];
  // Above surroundings, K.
  let element = 0;
  let shell = 0;
  const step = Math.min(1, everySeconds);
  const [a, b] = [elementHeat / step, caseHeat / step];
  // (C/h + G/2) T' = (C/h − G/2) T + P
  const [m11, m12, m22] = [a + g1 / 2, -g1 / 2, b + (g1 + g2) / 2];
  const determinant = m11 * m22 - m12 * m12;
  for (let at = 0; at <= seconds + 1e-9; at += step) {
    if (points.length * everySeconds <= at + 1e-9)
      points.push({
        seconds: at,
        caseCelsius: ambientCelsius + shell,
        elementCelsius: ambientCelsius + element,
      });
    const power = at < onSeconds ? watts : 0;
    const r1 = (a - g1 / 2) * element + (g1 / 2) * shell + power;
    const warmed = at < onSeconds ? others : 0;
    const r2 = (g1 / 2) * element + (b - (g1 + g2) / 2) * shell + warmed;
    element = (r1 * m22 - r2 * m12) / determinant;
    shell = (r2 * m11 - r1 * m12) / determinant;
  }
  return points;
}

/** Heat stored in both nodes above the surroundings, J: for checking that no energy is lost. */
export function storedJoules(body: ResistorBody, point: HeatPoint, ambientCelsius: number): number {
  const { elementHeat } = housingOf(body.ratedWatts);
  return (
    caseHeatOf(body) * (point.caseCelsius - ambientCelsius) +
    elementHeat * (point.elementCelsius - ambientCelsius)
  );
}
