import { BASES } from '../catalogue/bases.ts';
import { BULBS } from '../catalogue/bulbs.ts';
import { fold } from '../catalogue/fold.ts';
import { COLOUR_RULES, REGION_RULES, regionName } from '../catalogue/regions.ts';
import { TERMINALS, TRAILER_SOCKETS } from '../catalogue/terminals.ts';
import { TRADE_WORDS } from '../catalogue/tradeWords.ts';
import { COLOUR_HABITS, WIRE_COLOURS, WIRE_SIZES } from '../catalogue/wires.ts';
import { workName } from '../vehicle/lampWork.ts';
import { bulbWatts } from '../words/bulbs.ts';

export const SECTIONS = ['bulbs', 'bases', 'terminals', 'wire', 'regions', 'words'] as const;
export type Section = (typeof SECTIONS)[number];

/** Something that can be looked up. */
export interface Entry {
  section: Section;
  id: string;
  title: string;
  detail: string;
  /** everything it may be asked for by */
  words: string;
}

/** Everything the catalogue knows, as things to look up. */
export function referenceEntries(): Entry[] {
  return [
    ...BULBS.map((bulb): Entry => {
      return {
        section: 'bulbs',
        id: bulb.id,
        title: bulb.names.slice(0, 2).join(', '),
        detail: `${bulb.base}, ${bulbWatts(bulb)}, ${bulb.systemVolts} V`,
        words: [...bulb.names, bulb.base].join(' '),
      };
    }),
    ...BASES.map(
      (base): Entry => ({
        section: 'bases',
        id: base.id,
        title: base.id,
        detail: base.name,
        words: `${base.id} ${base.name} ${base.recognise}`,
      }),
    ),
    ...TERMINALS.map(
      (terminal): Entry => ({
        section: 'terminals',
        id: terminal.mark,
        title: [terminal.mark, ...(terminal.letters ?? [])].join(', '),
        detail: terminal.means,
        words: `terminal ${terminal.mark} ${terminal.letters?.join(' ') ?? ''} ${terminal.means}`,
      }),
    ),
    ...TRAILER_SOCKETS.flatMap((socket) =>
      socket.pins.map(
        (pin): Entry => ({
          section: 'terminals',
          id: `${socket.name} ${pin.pin}`,
          title: `Trailer pin ${pin.pin}, ${pin.colour}`,
          detail: `${pin.means}; ${socket.name.toLowerCase()}`,
          words: `trailer socket plug ${pin.pin} ${pin.colour} ${pin.means}`,
        }),
      ),
    ),
    ...WIRE_SIZES.map(
      (size): Entry => ({
        section: 'wire',
        id: size.name,
        title: size.name,
        detail: `${size.milliohmsPerM.toFixed(1)} mΩ a metre; ${size.use}`,
        words: `wire size ${size.name} ${size.use}`,
      }),
    ),
    ...WIRE_COLOURS.map(
      (colour): Entry => ({
        section: 'wire',
        id: colour.code,
        title: `${colour.code}, ${colour.name}`,
        detail: COLOUR_HABITS.filter((habit) => habit.colour === colour.name)
          .map((habit) => `${habit.means} on ${habit.where}`)
          .join('; '),
        words: `wire colour ${colour.code} ${colour.name}`,
      }),
    ),
    ...COLOUR_RULES.map(
      (rule): Entry => ({
        section: 'regions',
        id: `${rule.region} ${rule.does} ${rule.end ?? ''}`.trim(),
        title: `${regionName(rule.region)}: ${workName(rule.does)}${rule.end ? ` at the ${rule.end}` : ''}`,
        detail: `may show ${rule.colours.join(' or ')}`,
        words: `colour law ${rule.region} ${workName(rule.does)} ${rule.end ?? ''}`,
      }),
    ),
    ...TRADE_WORDS.map(
      ({ term, means, alsoCalled }): Entry => ({
        section: 'words',
        id: term,
        title: term,
        detail: means,
        words: `word meaning ${alsoCalled.join(' ')}`,
      }),
    ),
    ...REGION_RULES.map(
      (rule): Entry => ({
        section: 'regions',
        id: `${rule.region} ${rule.topic}`,
        title: `${regionName(rule.region)}: ${rule.topic}`,
        detail: rule.text,
        words: `law ${rule.region} ${rule.topic}`,
      }),
    ),
  ];
}

/**
 * Finds what is asked for: every word of the question must begin a word of the entry, or stand in its name however it
 * is typed (`p21/5w`, `P21-5W`). Names that are the question itself come first, then names that begin with it.
 */
export function findEntries<T extends Pick<Entry, 'title' | 'words'>>(
  entries: readonly T[],
  question: string,
  most = 40,
): T[] {
  const asked = question.trim().toLowerCase();
  if (asked === '') return [];
  const folded = fold(asked);
  const words = asked.split(/\s+/);
  return entries
    .map((entry) => ({ entry, rank: rankOf(entry, folded, words) }))
    .filter(({ rank }) => rank < Number.POSITIVE_INFINITY)
    .toSorted((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map(({ entry }) => entry);
}

function rankOf(
  { title, words }: Pick<Entry, 'title' | 'words'>,
  folded: string,
  asked: readonly string[],
): number {
  const names = title.split(', ').map(fold);
  if (names.includes(folded)) return 0;
  if (names.some((name) => name.startsWith(folded))) return 1;
  const all = `${title} ${words}`.toLowerCase().split(/\s+/);
  if (all.some((word) => fold(word) === folded)) return 2;
  if (asked.every((word) => all.some((each) => each.startsWith(word) || fold(each).startsWith(fold(word)))))
    return 3;
  return Number.POSITIVE_INFINITY;
}
