import { capital } from '../../formatting/format.ts';
import type { Fastening } from '../../model/vehicle/opening.ts';
import type { About, LitBy } from '../../work/steps/stepAbout.ts';
import { closingWords, countWords, HAZARD_WORDS, losable, undoWords } from '../openings.ts';
import { PAST_WORDS } from '../past.ts';
import { switchWords } from '../switches.ts';
import type { StepWords, Tick } from './stepWords.ts';

/** What a fastening is called in a record: by what it is, so that a tick does not move when the list is corrected. */
const tickId = (held: Fastening) => Object.values(held).join(' ').slice(0, 120);
const ticksOf = (held: readonly Fastening[], say: (each: Fastening) => string): Tick[] =>
  held.map((each) => ({ id: tickId(each), label: say(each) }));

/** A panel opened. */
export function openWords(
  { opened: { opening, structured, texts }, worked, past }: About<'open'>,
  blocked: boolean,
): StepWords {
  const place = worked[0]?.name ?? opening.name;
  const counted = countWords(opening);
  const plugs = past
    .filter(({ kind }) => kind === 'spare-plug')
    .map(({ id, text }) => ({ id: `spare ${id}`, label: `spare plug tied up and capped: ${text}` }));
  return {
    place,
    title: `Open: ${place.toLowerCase()}`,
    text: [
      opening.where ? `${capital(opening.where)}.` : '',
      structured ? '' : texts.join(' '),
      structured && opening.usual && !opening.corrected
        ? 'As most of its kind are; look before you pull.'
        : '',
      `Tools: ${opening.tools.join(', ') || 'none'}.`,
      structured
        ? counted && `Keep them in order: ${counted}.`
        : 'Ease every screw a little before taking any out, and keep them in order.',
      opening.differs ? `Other side: ${opening.differs}.` : '',
    ]
      .filter(Boolean)
      .join(' '),
    cautions: [
      ...opening.hazards.map((hazard) => HAZARD_WORDS[hazard]),
      ...past
        .filter(({ kind }) => kind !== 'spare-plug')
        .map(({ kind, text }) => `Was here before, ${PAST_WORDS[kind]}: ${text}.`),
    ],
    losable: losable(opening),
    ...(opening.undo.length + plugs.length > 0
      ? { ticks: [...ticksOf(opening.undo, undoWords), ...plugs] }
      : {}),
    ...(blocked
      ? {
          blocked:
            'How long to wait after the battery is off is for the vehicle’s maker to say. Look it up and enter it on Identify, under how this is opened.',
        }
      : {}),
  };
}

/** What was worked on, seen lit before its panel is closed. */
export function testWords({ worked, alike, wayRound, turns, resistors }: About<'test'>): StepWords {
  const ticks = [
    ...alike.map(({ lamp, switches }) => ({
      id: `lights ${lamp.id}`,
      label: `${lamp.name} lights with: ${switchWords(switches)}`,
    })),
    ...wayRound.map(({ id, name }) => ({
      id: `way-round ${id}`,
      label: `${name}: lit, so its polarity is right; which way round is written down`,
    })),
  ];
  const ways = [...new Set(worked.map(({ switches }) => switchWords(switches)))];
  return {
    place: worked[0]?.lamp.name ?? '',
    title: 'Test before closing',
    text: `${mustLight(worked)}${turns ? ' The rate is only right once the whole side is done.' : ''}`,
    cautions: resistors ? ['Keep fingers off the resistors while the lamps are on.'] : [],
    helper: {
      say: ways.join('. Then: '),
      see: worked.map(({ lamp }) => lamp.name.toLowerCase()).join(' and '),
    },
    ...(ticks.length > 0 ? { ticks } : {}),
  };
}

/** `Key on, left turn: front left must light. Lights on: position left must light.` */
function mustLight(lamps: readonly LitBy[]): string {
  const byWay = new Map<string, string[]>();
  for (const { lamp, switches } of lamps) {
    const way = switchWords(switches);
    byWay.set(way, [...(byWay.get(way) ?? []), lamp.name.toLowerCase()]);
  }
  return [...byWay].map(([way, names]) => `${capital(way)}: ${names.join(' and ')} must light.`).join(' ');
}

/** A panel closed: its opening reversed, with counts to tick. */
export function closeWords({ opened: { opening, structured }, worked }: About<'close'>): StepWords {
  const place = worked[0]?.name ?? opening.name;
  const outside = worked.some(({ end }) => end === 'front' || end === 'rear' || end === 'side');
  const ticks = ticksOf(opening.undo.toReversed(), closingWords);
  return {
    place,
    title: `Close: ${place.toLowerCase()}`,
    text: 'Seal clean and without wrinkles, wires tucked and not pinched. Start all screws by hand, then tighten evenly and stop as soon as the part seats.',
    cautions: [],
    losable: losable(opening),
    ...(structured && ticks.length > 0
      ? {
          ticks: [
            ...(outside ? [{ id: 'seal', label: 'seal clean, no wrinkles, dust cover fully on' }] : []),
            ...ticks,
          ],
        }
      : {}),
  };
}
