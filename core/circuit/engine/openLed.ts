import type { Ballast, LedPart } from '../../model/part.ts';
import { possibleTopologies, supposing } from './twinLedElements.ts';

/** From so many of the printed volts on a converter runs (typical). */
const CONVERTER_STARTS = 0.6;

/** One thing an LED may be, and whether it is among those that draw least of all, or most. */
export interface PossibleLed {
  led: LedPart;
  least: boolean;
  most: boolean;
}

/**
 * What an LED may be as far as nobody knows it: with each ballast or topology, as listed, at its least, and at its most.
 * Whatever lies between draws what lies between: more watts and a smaller load never draw less at any supply. What is
 * listed comes first; itself alone where all is known.
 */
export function boundedLeds(part: LedPart): PossibleLed[] {
  const { open, ...known } = part;
  const insides = insidesOf(known, open?.ballasts ?? []);
  if (!open) return insides.map((led) => ({ led, least: true, most: true }));
  const listed = known.builtInLoadOhms ?? Number.POSITIVE_INFINITY;
  const loads = [listed, ...(open.loads ?? [])];
  const [leastWatts, mostWatts] = open.watts ?? [known.watts, known.watts];
  const least = { watts: leastWatts, ohms: Math.max(...loads) };
  const most = { watts: mostWatts, ohms: Math.min(...loads) };
  const same = (one: typeof least, other: typeof least) =>
    one.watts === other.watts && one.ohms === other.ohms;
  const extremes = [{ watts: known.watts, ohms: listed }, least, most];
  return extremes
    .filter((each, index) => extremes.findIndex((other) => same(each, other)) === index)
    .flatMap((each) =>
      insides.map((inside) => ({
        led: withLoad(inside, each.watts, each.ohms, listed),
        least: same(each, least) && !isBetween(inside, insides),
        most: same(each, most) && !isBetween(inside, insides),
      })),
    );
}

/**
 * Whether an LED draws between two others of the same watts at every supply: a held current does, between a resistor,
 * whose current rises with the volts past those it is printed for, and a converter, whose falls.
 */
function isBetween({ ballast, twin }: LedPart, insides: readonly LedPart[]): boolean {
  const kinds = new Set(insides.map((each) => each.ballast.kind));
  return (
    !twin && ballast.kind === 'constant-current' && kinds.has('series-resistor') && kinds.has('converter')
  );
}

/** The same without what each draws. */
export function possibleLeds(part: LedPart): LedPart[] {
  return boundedLeds(part).map(({ led }) => led);
}

/** Whether anything of an LED is open, so that it must be judged more than once. */
export function isOpen(part: LedPart): boolean {
  return part.open !== undefined || part.twin?.topology === 'unknown';
}

function insidesOf(part: LedPart, others: readonly Ballast['kind'][]): LedPart[] {
  if (part.twin) {
    if (part.twin.topology !== 'unknown') return [part];
    return possibleTopologies(part).map((topology) => supposing(part, topology));
  }
  if (others.length === 0) return [part];
  const forwardVolts = part.ballast.kind === 'converter' ? part.atVolts * 0.75 : part.ballast.forwardVolts;
  const ballasts: Ballast[] = [
    { kind: 'series-resistor', forwardVolts },
    { kind: 'constant-current', forwardVolts },
    {
      kind: 'converter',
      startVolts:
        part.ballast.kind === 'converter' ? part.ballast.startVolts : part.atVolts * CONVERTER_STARTS,
    },
  ];
  return [
    part,
    ...ballasts
      .filter(({ kind }) => kind !== part.ballast.kind && others.includes(kind))
      .map((ballast) => ({ ...part, ballast })),
  ];
}

/** The same LED at other watts with another load, infinite for none; what its listed load draws is in its listed watts. */
function withLoad(part: LedPart, watts: number, ohms: number, listed: number): LedPart {
  const { builtInLoadOhms: _, ...rest } = part;
  const drawn = (each: number) => part.atVolts ** 2 / each;
  return {
    ...rest,
    watts: ohms === listed ? watts : watts - drawn(listed) + drawn(ohms),
    ...(Number.isFinite(ohms) ? { builtInLoadOhms: ohms } : {}),
  };
}
