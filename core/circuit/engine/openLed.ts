import type { Ballast, LedPart } from '../../model/part.ts';
import { supposing, TOPOLOGIES, twinTopology } from './twinLedElements.ts';

/** From so many of the printed volts on a converter runs (typical). */
const CONVERTER_STARTS = 0.6;

/**
 * What an LED may be as far as nobody knows it: with each ballast or topology, as listed, at its least, and at its most.
 * Whatever lies between draws what lies between: more watts and a smaller load never draw less at any supply. What is
 * listed comes first; itself alone where all is known.
 */
export function possibleLeds(part: LedPart): LedPart[] {
  const { open, ...known } = part;
  const insides = insidesOf(known, open?.ballasts ?? []);
  if (!open) return insides;
  const listed = known.builtInLoadOhms ?? Number.POSITIVE_INFINITY;
  const loads = [listed, ...(open.loads ?? [])];
  const [least, most] = open.watts ?? [known.watts, known.watts];
  const extremes = [
    { watts: known.watts, ohms: listed },
    { watts: least, ohms: Math.max(...loads) },
    { watts: most, ohms: Math.min(...loads) },
  ];
  const distinct = extremes.filter(
    (each, index) =>
      extremes.findIndex(({ watts, ohms }) => watts === each.watts && ohms === each.ohms) === index,
  );
  return distinct.flatMap(({ watts, ohms }) =>
    insides.map((inside) => withLoad(inside, watts, ohms, listed)),
  );
}

/** Whether anything of an LED is open, so that it must be judged more than once. */
export function isOpen(part: LedPart): boolean {
  return part.open !== undefined || part.twin?.topology === 'unknown';
}

function insidesOf(part: LedPart, others: readonly Ballast['kind'][]): LedPart[] {
  if (part.twin) {
    if (part.twin.topology !== 'unknown') return [part];
    const likeliest = twinTopology(part).kind;
    return TOPOLOGIES.toSorted((a, b) => Number(b === likeliest) - Number(a === likeliest)).map((topology) =>
      supposing(part, topology),
    );
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
