import { regionRule } from '../catalogue/regions.ts';
import { UNDERLOADED, underloadedRate } from '../devices/flasher.ts';
import { perMinute } from '../formatting/format.ts';
import type { VerdictState } from '../judge/states.ts';
import type { TrialResult } from '../model/evidence.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import type { QuickOutcome, SplitRow, Spoken, Stop } from '../quick/outcome/quickOutcome.ts';
import { FITS_NONE } from './unknowns.ts';
import { reasonOf } from './verdicts.ts';
import { flasherWords } from './ways.ts';

/** The answer of a quick check in words. */
export interface QuickWords {
  /** the answer in a few words */
  headline: string;
  /** why, with its figures */
  why: string;
  /** what it rests on, where the kinds of flasher do not agree: `a relay that watches: fast, 176 a minute` */
  rests: readonly { flasher: FlasherKind; state: VerdictState; on: string; text: string }[];
  /** what was seen that fits no way */
  contradiction: string | null;
  /** what no current tells and the installer must know */
  mind: string | null;
}

/** What a quick check answers. */
export function wordsOfAnswer(answer: QuickOutcome): QuickWords {
  const { state, stop, seen, worst, turns, beam, split, wholeLamp, fitsNone } = answer;
  if (stop || state === null)
    return {
      ...(stop ? stopWords(stop) : { headline: '', why: '' }),
      rests: [],
      contradiction: null,
      mind: null,
    };
  const rests = split.map((row) => ({
    flasher: row.flasher,
    state: row.state,
    on: flasherWords(row.flasher),
    text: rowWords(row),
  }));
  const housing = wholeLamp
    ? ' Whether its housing and plug fit this vehicle is not judged here: compare them with the old lamp.'
    : '';
  return {
    headline: (seen && SEEN[seen] && `${SEEN[seen]}, as you saw`) ?? headlineOf(state, split, turns),
    why: `${worst?.verdict ? reasonOf(worst.vehicle, worst.verdict) : ''}${housing}`,
    rests: new Set(rests.map(({ text }) => text)).size > 1 ? rests : [],
    contradiction: fitsNone ? FITS_NONE : null,
    mind: beam && worst ? beamWords(worst.vehicle) : null,
  };
}

/** A beam is shaped by where its filament is, which no current tells. */
function beamWords({ region }: Spoken['vehicle']): string {
  const law = regionRule(region, 'retrofit bulbs')?.text ?? '';
  return `This is its current alone. Whether the beam is right, or dazzles, is seen at a wall before and after. ${law}`;
}

const SEEN: Partial<Record<TrialResult, string>> = {
  fast: 'It flashes fast',
  slow: 'It flashes slow, or stays on',
  message: 'It raises a bulb message',
};

function stopWords(stop: Stop): Pick<QuickWords, 'headline' | 'why'> {
  switch (stop.stop) {
    case 'volts': {
      const { ledVolts, systemVolts } = stop;
      const instead = `Take one for ${systemVolts} V, or with a range of 9 to 30 V.`;
      return {
        headline: `Stop: a ${ledVolts} V LED on ${systemVolts} V`,
        why:
          ledVolts < systemVolts
            ? `It would draw far more than it is made for, and burn. ${instead}`
            : `It would hardly light. ${instead}`,
      };
    }
    case 'converts-nothing':
      return {
        headline: 'It converts nothing here',
        why: 'This part has an empty socket for these lamps, or no such lamp at all: the old bulb moves over and draws what it always drew. Choose the LED that goes into that socket.',
      };
    case 'base':
      return {
        headline: 'It does not go in',
        why: `${stop.code} has a ${stop.bases.join(' or ')} base; the bulb there has ${stop.bulbBase}. Take one with that base, or look at the bulb again.`,
      };
    case 'range':
      return {
        headline: `Stop: ${stop.code} is not for ${stop.systemVolts} V`,
        why: `It is made for ${stop.range[0]} to ${stop.range[1]} V. Take one for ${stop.systemVolts} V.`,
      };
  }
}

function rowWords({ state, worst }: SplitRow): string {
  if (worst.rate === null) return steadyWords(state, worst);
  if (worst.allFour) return state === 'falls-short' ? 'all four flash' : 'normal, or all four flash';
  const { usually } = UNDERLOADED[worst.flasher.kind];
  switch (state) {
    case 'holds':
      return `normal, ${perMinute(worst.rate.low)}`;
    case 'falls-short': {
      const short = underloadedRate(worst.flasher);
      return short > 0 && worst.flasher.kind === 'watching-relay'
        ? `${usually}, ${perMinute(short)}`
        : usually;
    }
    case 'either-way':
      return `normal, or ${usually}`;
    case 'too-much':
      return 'over a limit';
  }
}

function steadyWords(state: VerdictState, { vehicle, verdict }: Spoken): string {
  if (state === 'holds') return 'quiet';
  if (state === 'either-way') return 'a message, or none';
  return verdict ? reasonOf(vehicle, verdict) : '';
}

function headlineOf(state: VerdictState, split: readonly SplitRow[], turning: boolean): string {
  if (!turning)
    return {
      holds: 'It holds: no message to expect',
      'either-way': 'It may raise a bulb message, or nothing',
      'falls-short': 'Expect a bulb message',
      'too-much': 'Too much for a fuse or a part',
    }[state];
  if (state === 'holds') return 'It holds: a normal flash';
  if (state === 'too-much') return 'Too much for a fuse or a part';
  const short = split.filter((row) => row.state === 'falls-short');
  const fine = split.filter((row) => row.state === 'holds');
  if (state === 'falls-short') return `Expect ${expected(split)}`;
  if (short.length > 0 && short.length + fine.length === split.length)
    return `Expect ${expected(short)}, unless ${fine.map((row) => UNLESS[row.flasher]).join(' or ')}`;
  return `Could go either way: normal, or ${expected(split.filter((row) => row.state !== 'holds'))}`;
}

function expected(rows: readonly SplitRow[]): string {
  const kinds = rows.filter((row) => !row.allFour).map((row) => row.flasher);
  const words = [
    ...(rows.some((row) => row.allFour) ? ['all four flashing'] : []),
    ...TOLD_IN_ORDER.filter((kind) => kinds.includes(kind)).map((kind) => UNDERLOADED[kind].expect),
  ];
  return words.length < 3 ? words.join(' or ') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`;
}

/** Those met most come first. */
const TOLD_IN_ORDER: readonly FlasherKind[] = [
  'watching-relay',
  'controller',
  'thermal',
  'non-watching-relay',
];

const UNLESS: Record<FlasherKind, string> = {
  'watching-relay': 'it has a relay that watches',
  'non-watching-relay': 'its relay does not watch',
  thermal: 'it has a thermal flasher',
  controller: 'a controller flashes it',
};
