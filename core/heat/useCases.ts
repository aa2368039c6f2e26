import { commonPractice, fromMemory } from '../formatting/source.ts';
import type { Source } from '../model/source.ts';
import type { Circuit, CircuitKind } from '../model/vehicle/circuit.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { ELEMENT_LIMIT_CELSIUS, type HeatPoint, heatCurve, type ResistorBody } from './resistorHeat.ts';

/** A way a resistor is used hard. */
export interface UseCase {
  id: 'turn' | 'hazard' | 'jam' | 'night' | 'stuck';
  name: string;
  seconds: number;
  /** share of the time it is lit */
  duty: number;
  /** something must have failed for it: it is told, and condemns nothing */
  fault?: boolean;
}

export const USE_CASES: Record<UseCase['id'] | 'road', UseCase> = {
  turn: { id: 'turn', name: 'two minutes of turn', seconds: 120, duty: 0.5 },
  hazard: { id: 'hazard', name: 'thirty minutes of hazard', seconds: 1800, duty: 0.5 },
  jam: { id: 'jam', name: 'twenty minutes on the brake', seconds: 1200, duty: 1 },
  road: {
    id: 'jam',
    name: 'twenty minutes of road with the brake on for a fifth of it',
    seconds: 1200,
    duty: 0.2,
  },
  night: { id: 'night', name: 'two hours with lights on', seconds: 7200, duty: 1 },
  stuck: { id: 'stuck', name: 'ten minutes with the flasher stuck on', seconds: 600, duty: 1, fault: true },
};

/** The use cases of a kind of circuit. */
function casesFor(kind: CircuitKind): UseCase[] {
  switch (kind) {
    case 'turn':
      return [USE_CASES.turn, USE_CASES.hazard, USE_CASES.stuck];
    case 'stop':
    case 'third-brake':
      return [USE_CASES.jam];
    default:
      return [USE_CASES.night];
  }
}

/**
 * Every use that some circuits of a vehicle see: of what flashes the flasher's own share of the time, of a filament
 * that is the stop lamp too the brake held. A vehicle without hazard switch is not blamed for hazard.
 */
export function usesOf(
  { hazardSwitch, flasher, facts }: Pick<Vehicle, 'hazardSwitch' | 'flasher' | 'facts'>,
  circuits: readonly Circuit[],
): UseCase[] {
  const uses = circuits.flatMap((circuit) => [
    ...casesFor(circuit.kind),
    ...(circuit.stopFuseId !== undefined || circuit.fullWithBrake ? [USE_CASES.jam] : []),
  ]);
  // How much it brakes somebody may have said; where nobody did, it is held in a queue.
  const braked = facts?.brakeUse === 'road' ? USE_CASES.road : USE_CASES.jam;
  return [...new Set(uses)]
    .map((use) => (use.id === 'jam' ? braked : use))
    .filter((use) => hazardSwitch || use.id !== 'hazard')
    .map((use) => (use.id === 'turn' || use.id === 'hazard' ? { ...use, duty: flasher.onFraction } : use));
}

export const AMBIENTS = [25, 40] as const;

/** A temperature that matters. */
export interface HeatLine {
  celsius: number;
  what: string;
  source: Source;
}

const SKIN = fromMemory('ISO 13732-1, bare metal');

/** What burns, softens and melts; the first two are for hands. */
export const HEAT_LINES: readonly HeatLine[] = [
  { celsius: 65, what: 'burns skin in a second', source: SKIN },
  { celsius: 55, what: 'burns skin in ten seconds', source: SKIN },
  { celsius: 90, what: 'common lamp plastics soften', source: commonPractice('typical') },
  {
    celsius: 105,
    what: 'limit of common wire insulation',
    source: commonPractice('PVC of 105 °C class, typical'),
  },
  { celsius: 160, what: 'carpet fibre melts', source: commonPractice('polypropylene, typical') },
];

/** Bare-metal burn thresholds by time of contact, °C (ISO 13732-1, from memory). */
export const SKIN_LIMITS: readonly (readonly [seconds: number, celsius: number])[] = [
  [1, 65],
  [10, 55],
  [60, 51],
  [600, 48],
  [28_800, 43],
];

export interface HeatVerdict {
  useCase: UseCase;
  ambientCelsius: number;
  peakCaseCelsius: number;
  peakElementCelsius: number;
  /** from switching off until its case is estimated under what burns skin in ten seconds, s; 0 where it never gets there: no promise, it is measured */
  coolerAfterSeconds: number;
  state: 'cool' | 'burns' | 'keep-clear' | 'condemned';
  curve: readonly HeatPoint[];
}

/** Skin burns on bare metal this hot in ten seconds, °C (ISO 13732-1, from memory). */
export const SKIN_TEN_SECONDS = SKIN_LIMITS[1]?.[1] ?? 55;
const SKIN_ONE_SECOND = SKIN_LIMITS[0]?.[1] ?? 65;
/** What common wire insulation bears, °C (common practice). */
export const INSULATION_CELSIUS = 105;
/** A curve is followed so long after switching off, s. */
const COOLING = 1800;

/**
 * One resistor in one use, and whether it is allowed.
 *
 * Condemned where its element passes its limit. Where its case is hotter than wire insulation bears it must be kept
 * clear of every wire and all plastic; where it burns skin it is allowed with a caution.
 *
 * @param litWatts power while lit, W
 */
export function judgeHeat(
  body: ResistorBody,
  litWatts: number,
  useCase: UseCase,
  ambientCelsius: number,
): HeatVerdict {
  const curve = heatCurve(
    body,
    litWatts * useCase.duty,
    ambientCelsius,
    useCase.seconds,
    useCase.seconds + COOLING,
    useCase.seconds > 600 ? 10 : 2,
  );
  const peakCaseCelsius = Math.max(...curve.map((point) => point.caseCelsius));
  const peakElementCelsius = Math.max(...curve.map((point) => point.elementCelsius));
  const safe = SKIN_TEN_SECONDS;
  const hot = curve.filter((point) => point.seconds >= useCase.seconds && point.caseCelsius > safe);
  const coolerAfterSeconds = hot.length === 0 ? 0 : (hot.at(-1)?.seconds ?? 0) - useCase.seconds;
  const base = { useCase, ambientCelsius, peakCaseCelsius, peakElementCelsius, coolerAfterSeconds, curve };
  if (peakElementCelsius > ELEMENT_LIMIT_CELSIUS) return { ...base, state: 'condemned' };
  if (peakCaseCelsius > INSULATION_CELSIUS) return { ...base, state: 'keep-clear' };
  return { ...base, state: peakCaseCelsius > SKIN_ONE_SECOND ? 'burns' : 'cool' };
}
