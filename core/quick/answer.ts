import { byWorst, type VerdictState } from '../judge/states.ts';
import type { CircuitVerdict } from '../judge/verdict.ts';
import type { TrialResult } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { STEADY_RESULTS, TRIAL_RESULTS } from '../model/trialResults.ts';
import { eitherOf, unitedRate } from '../possible/union.ts';
import { analysesOf, type Way, waysOf, waysSeen } from '../possible/ways.ts';
import { setFlasher } from '../presets/flashers.ts';
import { ledOf } from '../simulation/fitment.ts';
import { type JudgedWay, judgeWay } from './judgedWay.ts';
import type { QuickOutcome, SplitRow, Spoken, Stop } from './outcome/quickOutcome.ts';
import { isAboutTurns, isBeam, type QuickQuestion } from './question.ts';
import { type QuickJob, quickJob } from './quickJob.ts';

/** The answer of a quick check with the question as the job it is. */
export interface QuickAnswer extends QuickOutcome {
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
  const { led } = question;
  const turns = isAboutTurns(question.lamps);
  const wholeLamp =
    led.kind === 'part' && shelf.some((part) => part.id === led.partId && part.kind === 'whole-lamp');
  const stop = stopOf(question, asked);
  const beam = isBeam(question.lamps);
  if (stop) return { ...NOTHING, stop, turns, beam, wholeLamp, asked };
  const { ways, fitsNone } = waysSeen(asked.job, asked.shelf);
  const left = analysesOf(fitsNone ? waysOf({ ...asked.job, evidence: [] }, asked.shelf) : ways);
  const byShelf = new Map<Shelf, Map<string, CircuitVerdict>>();
  const judged = [...left].map(([way, analysis]) => {
    const known = byShelf.get(way.shelf) ?? new Map<string, CircuitVerdict>();
    byShelf.set(way.shelf, known);
    return judgeWay(way, analysis, asked, known);
  });
  const state = eitherOf(judged.map((each) => each.state));
  const rates = judged.flatMap((each) => (each.rate ? [each.rate] : []));
  return {
    state,
    stop: null,
    seen: seenOf(state, question),
    turns,
    beam,
    worst: worstOf(judged),
    rate: rates.length > 0 ? unitedRate(rates) : null,
    split: splitOf(judged),
    allFour: judged.some(isAllFour),
    wholeLamp,
    fitsNone,
    asked: fitsNone ? asked : { ...asked, job: narrowed(asked.job, [...left.keys()]) },
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
function seenOf(state: VerdictState, { trials, lamps }: QuickQuestion): TrialResult | null {
  const shows: readonly TrialResult[] = isAboutTurns(lamps) ? TRIAL_RESULTS : STEADY_RESULTS;
  const seen = trials.findLast(({ result }) => AMISS.includes(result) && shows.includes(result));
  return state === 'falls-short' && seen ? seen.result : null;
}

const AMISS: readonly TrialResult[] = ['fast', 'slow', 'message'];

const NOTHING = {
  state: null,
  seen: null,
  worst: null,
  rate: null,
  split: [],
  allFour: false,
  fitsNone: false,
} as const;

/** What makes every further question idle: volts it is not for, a part that converts nothing. */
function stopOf({ led }: QuickQuestion, { job, shelf, lampIds, systemVolts }: QuickJob): Stop | null {
  if (led.kind !== 'part' && led.forVolts !== null && led.forVolts !== systemVolts)
    return { stop: 'volts', ledVolts: led.forVolts, systemVolts };
  const fitted = lampIds.map((lampId) => ledOf(job, shelf, lampId));
  if (fitted.every((part) => part === null)) return { stop: 'converts-nothing' };
  const [part] = fitted;
  if (!part) return null;
  const { code, bases, supplyRange } = part;
  const bulbBase = job.vehicle.lamps.find((each) => each.id === lampIds[0])?.base;
  if (bulbBase && !bases.includes(bulbBase)) return { stop: 'base', code, bases, bulbBase };
  if (supplyRange[1] < systemVolts || supplyRange[0] > systemVolts * 1.05)
    return { stop: 'range', code, range: supplyRange, systemVolts };
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
  return kinds.flatMap((flasher) => {
    const mine = judged.filter(({ way }) => way.flasher === flasher);
    const state = eitherOf(mine.map((each) => each.state));
    const worst = worstOf(mine);
    return worst ? [{ flasher, state, allFour: mine.some(isAllFour), worst }] : [];
  });
}

/** The way that is worst off, with what is worst off there. */
function worstOf(judged: readonly JudgedWay[]): Spoken | null {
  const [worst] = judged.toSorted((a, b) => byWorst(a.state, b.state));
  if (!worst) return null;
  return {
    vehicle: worst.way.job.vehicle,
    flasher: worst.flasher,
    verdict: worst.verdicts.toSorted((a, b) => byWorst(a.state, b.state))[0] ?? null,
    rate: worst.rate,
    allFour: isAllFour(worst),
  };
}
