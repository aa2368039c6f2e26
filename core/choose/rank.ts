import type { VerdictState } from '../judge/states.ts';
import { throughLens } from '../light/throughLens.ts';
import type { Aim, Job } from '../model/job.ts';
import type { LedPart } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { bulbOf } from '../simulation/fitment.ts';
import { panelAsLed, sectionFor } from '../simulation/wholeLamp.ts';
import { coloursFor } from '../vehicle/lampWork.ts';
import type { Behaviour, Candidate } from './candidates.ts';

/** What somebody may care about in an LED. */
export const LED_CRITERIA = ['verdict', 'light', 'watts', 'price'] as const;
export type LedCriterion = (typeof LED_CRITERIA)[number];
export type LedWeights = Readonly<Record<LedCriterion, number>>;

export const LED_CRITERION_WORDS: Record<LedCriterion, string> = {
  verdict: 'contents its watcher by itself',
  light: 'gives much light behind the lens',
  watts: 'draws little',
  price: 'costs little',
};

/** What each aim asks for, while nobody weighs otherwise (common practice). */
const BY_AIM: Record<Aim | 'none', LedWeights> = {
  none: { verdict: 6, light: 2, watts: 1, price: 1 },
  look: { verdict: 4, light: 4, watts: 0, price: 1 },
  light: { verdict: 3, light: 7, watts: 0, price: 1 },
  power: { verdict: 3, light: 1, watts: 6, price: 1 },
  repair: { verdict: 6, light: 1, watts: 0, price: 3 },
  rule: { verdict: 6, light: 3, watts: 0, price: 1 },
};

/** The weights a job's aim asks for. */
export function weightsFor(aim: Aim | null | undefined): LedWeights {
  return BY_AIM[aim ?? 'none'];
}

const STATE_MARK: Record<VerdictState, number> = {
  holds: 1,
  'either-way': 0.6,
  'falls-short': 0.3,
  'too-much': 0,
};
/** At this price a mark has fallen to about a third. */
const MINDED_PRICE = 20;

/** An LED or the panel of a whole lamp as an LED; null where its section has a socket. */
export function lightOf(job: Job, lamp: Lamp, { part }: Candidate): LedPart | null {
  if (part.kind === 'led') return part;
  const section = sectionFor(job.vehicle, lamp, part);
  return section ? panelAsLed(part, section, lamp.base) : null;
}

/** How well a candidate does by each criterion, 0 to 1. */
export function marksOf(
  job: Job,
  lamp: Lamp,
  candidate: Candidate,
  behaviour: Behaviour | undefined,
): Record<LedCriterion, number> {
  const light = lightOf(job, lamp, candidate);
  // Beside an LED from the works there is nothing to compare with: as much light as it had.
  const ratio = !light
    ? 0
    : lamp.works
      ? 1
      : throughLens(job.vehicle.region, lamp, bulbOf(job, lamp), light).ratio;
  return {
    verdict: behaviour?.state ? STATE_MARK[behaviour.state] : 0,
    light: 1 - Math.exp(-ratio),
    watts: light ? Math.exp(-light.watts / 4) : 0,
    price: Math.exp(-candidate.part.price / MINDED_PRICE),
  };
}

/**
 * What fits first, then what may, then what does not; of those what converts the lamp, in the colour it must show, by
 * credible figures; and of those in the order of the weights, what it has to spare in its circuit deciding between equals.
 */
export function ranked(
  job: Job,
  lamp: Lamp,
  candidates: readonly Candidate[],
  behaviours: ReadonlyMap<string, Behaviour>,
  weights: LedWeights = weightsFor(job.scope?.aim),
): Candidate[] {
  const colours: readonly string[] = coloursFor(job.vehicle, lamp);
  const total = LED_CRITERIA.reduce((sum, each) => sum + weights[each], 0) || 1;
  const sorted = candidates.map((candidate) => {
    const behaviour = behaviours.get(candidate.part.id);
    const { fit, part } = candidate;
    // What does not go in is not weighed: a shelf may hold hundreds.
    const marks = fit.obstacles.length === 0 ? marksOf(job, lamp, candidate, behaviour) : null;
    return {
      candidate,
      place: fit.fits ? 0 : fit.obstacles.length === 0 ? 1 : 2,
      converts: behaviour?.state === null ? 1 : 0,
      colour: part.kind === 'led' && !colours.includes(part.colour) ? 1 : 0,
      usual: part.kind === 'led' && part.colour !== colours[0] ? 1 : 0,
      claim: candidate.claim === null ? 0 : 1,
      score: marks ? LED_CRITERIA.reduce((sum, each) => sum + weights[each] * marks[each], 0) / total : 0,
      margin: behaviour?.margin ?? 0,
    };
  });
  return sorted
    .toSorted(
      (a, b) =>
        a.place - b.place ||
        a.converts - b.converts ||
        a.colour - b.colour ||
        a.claim - b.claim ||
        b.score - a.score ||
        a.usual - b.usual ||
        b.margin - a.margin ||
        a.candidate.fit.cautions.length - b.candidate.fit.cautions.length ||
        a.candidate.part.price - b.candidate.part.price,
    )
    .map(({ candidate }) => candidate);
}
