import { UNDERLOADED, underloadedRate } from '../devices/flasher.ts';
import { perMinute } from '../formatting/format.ts';
import { byWorst, type VerdictState } from '../judge/states.ts';
import type { CircuitVerdict, RatePrediction } from '../judge/verdict.ts';
import type { TrialResult } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { STEADY_RESULTS, TRIAL_RESULTS } from '../model/trialResults.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import { eitherOf, unitedRate } from '../possible/union.ts';
import { flasherPlace } from '../possible/verdicts.ts';
import { analysesOf, type Way, waysOf, waysSeen } from '../possible/ways.ts';
import { setFlasher } from '../presets/flashers.ts';
import { ledOf } from '../simulation/fitment.ts';
import { reasonOf } from '../words/verdicts.ts';
import { type JudgedWay, judgeWay } from './judgedWay.ts';
import { isAboutTurns, type QuickQuestion } from './question.ts';
import { type QuickJob, quickJob } from './quickJob.ts';

/** What the lamps do on one kind of flasher. */
export interface SplitRow {
  flasher: FlasherKind;
  /** `On a relay that watches` */
  where: string;
  state: VerdictState;
  /** whether it flashes as it should, but on both sides at once */
  allFour: boolean;
  /** `fast, 176 a minute` */
  text: string;
}

/** The answer of a quick check: true of every way the vehicle and the LED may be. */
export interface QuickAnswer {
  /** null where the part converts nothing of these lamps, or is not for these volts */
  state: VerdictState | null;
  /** the answer in a few words */
  headline: string;
  /** why, with its figures */
  why: string;
  /** the rates to expect, flashes a minute; null for lamps that do not flash */
  rate: RatePrediction | null;
  /** what it rests on, where the kinds of flasher do not agree */
  split: readonly SplitRow[];
  /** whether one side may light the other through a single pilot */
  allFour: boolean;
  /** what was seen that fits no way, in words */
  contradiction: string | null;
  /** the question as the job it is */
  asked: QuickJob;
}

/**
 * Answers a quick check: every way the vehicle and the LED may be as far as nobody said, judged by the judge of every
 * job, narrowed by what was seen in trials.
 *
 * @throws UnknownReferenceError for a bulb or part that is not known
 */
export function quickAnswer(question: QuickQuestion, shelf: Shelf, id: string, at: string): QuickAnswer {
  const asked = quickJob(question, shelf, id, at);
  const stop = stopOf(question, asked);
  if (stop) return { ...nothing(asked), headline: stop.headline, why: stop.why };
  const { ways, contradiction } = waysSeen(asked.job, asked.shelf);
  const left = analysesOf(contradiction ? waysOf({ ...asked.job, evidence: [] }, asked.shelf) : ways);
  const byShelf = new Map<Shelf, Map<string, CircuitVerdict>>();
  const judged = [...left].map(([way, analysis]) => {
    const known = byShelf.get(way.shelf) ?? new Map<string, CircuitVerdict>();
    byShelf.set(way.shelf, known);
    return judgeWay(way, analysis, asked, known);
  });
  const state = eitherOf(judged.map((each) => each.state));
  const rates = judged.flatMap((each) => (each.rate ? [each.rate] : []));
  const split = splitOf(judged);
  return {
    state,
    headline: seenHeadline(state, question) ?? headlineOf(state, split, isAboutTurns(question.lamps)),
    why: `${whyOf(judged)}${housingWords(question, shelf)}`,
    rate: rates.length > 0 ? unitedRate(rates) : null,
    split: new Set(split.map((row) => row.text)).size > 1 ? split : [],
    allFour: judged.some(isAllFour),
    contradiction,
    asked: contradiction ? asked : { ...asked, job: narrowed(asked.job, [...left.keys()]) },
  };
}

/** The job with the kinds of flasher alone that what was seen leaves possible. */
function narrowed(job: Job, left: readonly Way[]): Job {
  const kinds = [...new Set(left.map((way) => way.flasher))];
  const [first] = kinds;
  const before = job.vehicle.facts?.flashers;
  if (!first || !before || kinds.length === before.length) return job;
  const vehicle = structuredClone(job.vehicle);
  if (!kinds.includes(vehicle.flasher.kind)) setFlasher(vehicle, first);
  const { flashers: _, ...facts } = vehicle.facts ?? {};
  vehicle.facts = kinds.length > 1 ? { ...facts, flashers: kinds } : facts;
  return { ...job, vehicle };
}

/** What was seen needs no guess of what flashes it. */
function seenHeadline(state: VerdictState, { trials, lamps }: QuickQuestion): string | null {
  const shows: readonly TrialResult[] = isAboutTurns(lamps) ? TRIAL_RESULTS : STEADY_RESULTS;
  const seen = trials.findLast(({ result }) => SEEN[result] !== undefined && shows.includes(result));
  return state === 'falls-short' && seen ? `${SEEN[seen.result]}, as you saw` : null;
}

const SEEN: Partial<Record<TrialResult, string>> = {
  fast: 'It flashes fast',
  slow: 'It flashes slow, or stays on',
  message: 'It raises a bulb message',
};

/** A whole lamp is made for a model: whether it goes in is no question of its current. */
function housingWords({ led }: QuickQuestion, shelf: Shelf): string {
  const part = led.kind === 'part' ? shelf.find(({ id }) => id === led.partId) : undefined;
  return part?.kind === 'whole-lamp'
    ? ' Whether its housing and plug fit this vehicle is not judged here: compare them with the old lamp.'
    : '';
}

function nothing(asked: QuickJob): QuickAnswer {
  return {
    state: null,
    headline: '',
    why: '',
    rate: null,
    split: [],
    allFour: false,
    contradiction: null,
    asked,
  };
}

/** What makes every further question idle: volts it is not for, a part that converts nothing. */
function stopOf(
  { led }: QuickQuestion,
  { job, shelf, lampIds, systemVolts }: QuickJob,
): { headline: string; why: string } | null {
  if (led.kind !== 'part' && led.forVolts !== null && led.forVolts !== systemVolts)
    return {
      headline: `Stop: a ${led.forVolts} V LED on ${systemVolts} V`,
      why:
        led.forVolts < systemVolts
          ? `It would draw far more than it is made for, and burn. Take one for ${systemVolts} V, or with a range of 9 to 30 V.`
          : `It would hardly light. Take one for ${systemVolts} V, or with a range of 9 to 30 V.`,
    };
  const fitted = lampIds.map((lampId) => ledOf(job, shelf, lampId));
  if (fitted.every((part) => part === null))
    return {
      headline: 'It converts nothing here',
      why: 'This part has an empty socket for these lamps, or no such lamp at all: the old bulb moves over and draws what it always drew. Choose the LED that goes into that socket.',
    };
  const [part] = fitted;
  const base = job.vehicle.lamps.find((each) => each.id === lampIds[0])?.base;
  if (part && base && !part.bases.includes(base))
    return {
      headline: 'It does not go in',
      why: `${part.code} has a ${part.bases.join(' or ')} base; the bulb there has ${base}. Take one with that base, or look at the bulb again.`,
    };
  if (part && (part.supplyRange[1] < systemVolts || part.supplyRange[0] > systemVolts * 1.05))
    return {
      headline: `Stop: ${part.code} is not for ${systemVolts} V`,
      why: `It is made for ${part.supplyRange[0]} to ${part.supplyRange[1]} V. Take one for ${systemVolts} V.`,
    };
  return null;
}

/** Whether what is wrong is that one side lights the other through the pilot, and nothing else. */
function isAllFour({ verdicts }: JudgedWay): boolean {
  return verdicts.some(
    ({ watched, findings }) =>
      watched === 'holds' && findings.some(({ requirement }) => requirement === 'back-feed'),
  );
}

/** One row a kind of flasher, those that fall short first. */
function splitOf(judged: readonly JudgedWay[]): SplitRow[] {
  const kinds = [...new Set(judged.map(({ way }) => way.flasher))];
  return kinds.map((kind) => {
    const mine = judged.filter(({ way }) => way.flasher === kind);
    const [first] = mine as [JudgedWay];
    const state = eitherOf(mine.map((each) => each.state));
    const allFour = mine.some(isAllFour);
    const worst = mine.toSorted((a, b) => byWorst(a.state, b.state))[0] ?? first;
    return { flasher: kind, where: flasherPlace(kind), state, allFour, text: wordsOf(worst, state) };
  });
}

function wordsOf(judged: JudgedWay, state: VerdictState): string {
  const { way, flasher, rate, verdicts } = judged;
  if (rate === null)
    return state === 'holds'
      ? 'quiet'
      : state === 'either-way'
        ? 'a message, or none'
        : verdicts[0]
          ? reasonOf(way.job.vehicle, verdicts[0])
          : '';
  if (isAllFour(judged)) return state === 'falls-short' ? 'all four flash' : 'normal, or all four flash';
  switch (state) {
    case 'holds':
      return `normal, ${perMinute(rate.low)}`;
    case 'falls-short': {
      const short = underloadedRate(flasher);
      return short > 0 && flasher.kind === 'watching-relay'
        ? `${UNDERLOADED[flasher.kind].usually}, ${perMinute(short)}`
        : UNDERLOADED[flasher.kind].usually;
    }
    case 'either-way':
      return `normal, or ${UNDERLOADED[flasher.kind].usually}`;
    case 'too-much':
      return 'over a limit';
  }
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
  const what = (rows: readonly SplitRow[]) => {
    const kinds = rows.filter((row) => !row.allFour).map((row) => row.flasher);
    const words = [
      ...(rows.some((row) => row.allFour) ? ['all four flashing'] : []),
      ...TOLD_IN_ORDER.filter((kind) => kinds.includes(kind)).map((kind) => UNDERLOADED[kind].expect),
    ];
    return words.length < 3 ? words.join(' or ') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`;
  };
  if (state === 'falls-short') return `Expect ${what(split)}`;
  if (short.length > 0 && short.length + fine.length === split.length)
    return `Expect ${what(short)}, unless ${fine.map((row) => UNLESS[row.flasher]).join(' or ')}`;
  return `Could go either way: normal, or ${what(split.filter((row) => row.state !== 'holds'))}`;
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

/** The reason of the way that is worst off; of a split each is said in its row. */
function whyOf(judged: readonly JudgedWay[]): string {
  const [worst] = judged.toSorted((a, b) => byWorst(a.state, b.state));
  const speaks = worst?.verdicts.toSorted((a, b) => byWorst(a.state, b.state))[0];
  return worst && speaks ? reasonOf(worst.way.job.vehicle, speaks) : '';
}
