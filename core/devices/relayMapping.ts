import { length } from '../formatting/units.ts';
import type { FlasherPart } from '../model/part.ts';
import type { Flasher, RelayFunction } from '../model/vehicle/flasher.ts';
import { ratedAmps } from './flasher.ts';

/** One terminal of the new relay: where the wire for it comes from. */
export interface TerminalLink {
  function: RelayFunction;
  /** marking on the stock relay; null where it had none for this */
  from: string | null;
  /** marking on the new one; null where it has none for this */
  to: string | null;
  state: 'straight' | 'missing' | 'spare';
  text: string;
}

export interface RelayMapping {
  links: readonly TerminalLink[];
  /** supply and lamps change places; null where nobody has compared how the blades stand */
  crossed: boolean | null;
  /** whether plugging it in by shape would be wrong: supply and lamps change places, or an earth is wanted */
  adapter: boolean;
  /** what an adapter or jumper has to do, one line each; empty where it plugs straight in */
  adapterLines: readonly string[];
  cautions: readonly string[];
}

/** Which function a marking stands for: DIN 72552 numbers and the letters met for them (from memory, verify). */
const MARKS: Readonly<Record<string, RelayFunction>> = {
  '49': 'supply',
  B: 'supply',
  '+': 'supply',
  X: 'supply',
  '15': 'supply',
  '30': 'supply',
  '49A': 'lamps',
  L: 'lamps',
  S: 'lamps',
  '31': 'earth',
  E: 'earth',
  '−': 'earth',
  '-': 'earth',
  C: 'pilot',
  P: 'pilot',
};

type Marks = Partial<Record<RelayFunction, string | undefined>> & {
  order?: readonly RelayFunction[] | undefined;
};

/** What a marking stands for; undefined for one nobody has written down. */
export function functionOfMark(mark: string): RelayFunction | undefined {
  return MARKS[mark.trim().toUpperCase()];
}

const WORDS: Record<RelayFunction, string> = {
  supply: 'supply',
  lamps: 'lamps',
  earth: 'earth',
  pilot: 'pilot lamp',
};

/** Whether a relay needs an earth that the stock one of its vehicle never had: a wire of its own, to bare body metal. */
export function needsEarthWire(stock: Flasher, part: FlasherPart): boolean {
  return mapRelay(stock, part).links.some((link) => link.function === 'earth' && link.state === 'missing');
}

/**
 * The terminals of a stock relay against those of a new one, by function and never by place: two relays with the same
 * pins can have supply and lamps swapped. Whether the new one needs an earth is a datum of the part, not of its pins.
 *
 * @param heightAllowedMm room under the relay's cover, where it was measured
 */
export function mapRelay(stock: Flasher, part: FlasherPart, heightAllowedMm?: number): RelayMapping {
  const had: Marks = stock.kind === 'controller' ? {} : stock.terminals;
  const has: Marks = part.terminals;
  const links = (['supply', 'lamps', 'earth', 'pilot'] as const).flatMap((name): TerminalLink[] => {
    const from = had[name] ?? null;
    const to = has[name] ?? null;
    const wanted = name === 'earth' ? part.needsEarth || to !== null : to !== null;
    if (from === null && to === null && !(name === 'earth' && part.needsEarth)) return [];
    if (from !== null && to !== null)
      return [
        {
          function: name,
          from,
          to,
          state: 'straight',
          text: `${WORDS[name]}: the wire on ${from} goes to ${to}`,
        },
      ];
    if (from === null && wanted)
      return [
        {
          function: name,
          from,
          to,
          state: 'missing',
          text:
            name === 'earth'
              ? `earth: the stock relay had none; the new one needs ${to === null ? 'one at its case or lead' : `one on ${to}`}, to bare body metal`
              : `${WORDS[name]}: nothing in the old socket for ${to}`,
        },
      ];
    return [
      {
        function: name,
        from,
        to,
        state: 'spare',
        text: `${WORDS[name]}: the wire on ${from} has no place on the new one; insulate its end`,
      },
    ];
  });
  const crossed = crosses(had, has);
  const missing = links.filter((link) => link.state === 'missing');
  const adapterLines = [
    ...(crossed
      ? [
          `Swap supply and lamps: ${had.supply} of the socket to ${has.supply}, ${had.lamps} of the socket to ${has.lamps}. Plugged in by shape it would be fed backwards and not flash.`,
        ]
      : []),
    ...missing.map((link) => link.text),
  ];
  return {
    links,
    crossed,
    adapter: adapterLines.length > 0,
    adapterLines,
    cautions: [
      ...(part.adjuster
        ? [
            `It is set with a small screw: ${part.adjuster.fasterWhen} is faster, and a change shows after about ${part.adjuster.settleSeconds} s. ${part.adjuster.turnedOff === 'slowest' ? 'Turned right off it flashes at its slowest.' : 'A new one may arrive turned right off and still flash fast: turn the screw before another relay is tried.'}`,
            'With its cap off the live board must touch no metal; put the cap back the right way round.',
          ]
        : []),
      ...(heightAllowedMm !== undefined && part.heightMm > heightAllowedMm
        ? [
            `It is ${length(part.heightMm)} high and there are ${length(heightAllowedMm)} under the cover: it would not close.`,
          ]
        : []),
      ...(crossed === null
        ? [
            `Nobody has compared how their blades stand: hold both side by side, and see that ${had.supply} and ${has.supply}, ${had.lamps} and ${has.lamps} come to the same places before it is plugged in.`,
          ]
        : []),
      'It no longer tells of a dead lamp.',
      `Keep the old relay${ratedAmps(stock) === null ? '' : ', labelled'}, and reuse its rubber mount.`,
    ],
  };
}

/**
 * Whether the same place in the socket means another thing on the new relay: by how the blades of both stand, or where
 * a marking of one stands for something else on the other. Null where neither says.
 */
function crosses(had: Marks, has: Marks): boolean | null {
  if (!had.supply || !had.lamps || !has.supply || !has.lamps) return false;
  if (functionOfMark(has.supply) === 'lamps' || functionOfMark(had.supply) === 'lamps') return true;
  if (!had.order || !has.order) return null;
  const place = (marks: Marks, name: RelayFunction) => marks.order?.indexOf(name) ?? -1;
  return (
    place(had, 'supply') !== place(has, 'supply') &&
    (place(had, 'supply') === place(has, 'lamps') || place(had, 'lamps') === place(has, 'supply'))
  );
}

/**
 * Where to set an adjustable relay for a rate, and which way to turn.
 *
 * @param now where its screw stands, 0 slowest to 1 fastest
 * @throws RangeError for a relay without an adjuster
 */
export function adjusterFor(
  part: FlasherPart,
  ratePerMinute: number,
  now: number,
): { position: number; text: string } {
  const { adjuster, slowestRate, fastestRate } = part;
  if (!adjuster || fastestRate <= slowestRate) throw new RangeError(`${part.code} has no adjuster`);
  const position = Math.min(1, Math.max(0, (ratePerMinute - slowestRate) / (fastestRate - slowestRate)));
  const faster = position > now + 0.01;
  const slower = position < now - 0.01;
  const other = adjuster.fasterWhen === 'clockwise' ? 'anticlockwise' : 'clockwise';
  return {
    position,
    text:
      !faster && !slower
        ? `It stands right for ${Math.round(ratePerMinute)} a minute.`
        : `Turn it ${faster ? adjuster.fasterWhen : other} to ${Math.round(100 * position)} % of its way, then wait ${adjuster.settleSeconds} s and count.`,
  };
}
