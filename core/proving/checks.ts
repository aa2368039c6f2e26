import type { TestChoice } from '../evidence/nextTest.ts';
import type { Place } from '../faults/places.ts';
import type { Job } from '../model/job.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import type { Controls } from '../simulation/controls.ts';
import type { Cell } from './cells.ts';
import type { Shown } from './deviations.ts';
import { MISTOLD } from './likelihood.ts';
import type { Outcome } from './outcome.ts';

/** Where somebody stands, with what already open, and whether a second person works the switches. */
export interface Whereabouts {
  helper: boolean;
  /** openings that are open now */
  open: readonly string[];
}
export const ALONE_AT_THE_SEAT: Whereabouts = { helper: false, open: [] };

export type NextCheck =
  | { kind: 'cell'; cellId: string; minutes: number }
  /** looking at one place, where any of these may be found */
  | { kind: 'place'; placeId: string; faultIds: readonly string[]; minutes: number };

/** To work a switch, and once round the lamps (typical), minutes; a helper saves the way to the seat. */
const SWITCH_MINUTES = { alone: 0.8, helper: 0.3 };
const END_MINUTES = 0.3;
const ENGINE_MINUTES = 0.5;
/** Less is not seen to be lit, lm. */
const LIT_LUMENS = 0.5;

/** What one cell costs: the switch, each end and side of the vehicle where something is lit, and what is waited for. */
export function cellMinutes(job: Job, cell: Cell, expected: Outcome, whereabouts: Whereabouts): number {
  const lit = [...expected.lumens].flatMap(([id, lumens]) => (lumens >= LIT_LUMENS ? [id] : []));
  const waits = cell.condition === 'minutes' ? 10 : cell.condition === 'asleep' ? 15 : 0;
  return roundMinutes(job, lit, cell.controls, whereabouts) + waits;
}

/** What it costs to work the panel once and go round whatever is lit, minutes (typical). */
export function roundMinutes(
  job: Job,
  litLampIds: readonly string[],
  controls: Controls,
  { helper }: Whereabouts,
): number {
  const ends = new Set(
    litLampIds.map((id) => {
      const { end, side } = lampById(job.vehicle, id);
      return `${end} ${side}`;
    }),
  );
  const engine = controls.key === 'running' ? ENGINE_MINUTES : 0;
  return (
    (helper ? SWITCH_MINUTES.helper : SWITCH_MINUTES.alone) + END_MINUTES * Math.max(1, ends.size) + engine
  );
}

/** What a look at a place costs, its opening counted where it is not open. */
export function placeMinutes(job: Job, { minutes, openingId }: Place, { open }: Whereabouts): number {
  const mean = ([from, to]: readonly [number, number]) => (from + to) / 2;
  const behind = job.vehicle.lamps.find((lamp) => lamp.access.group === openingId);
  return mean(minutes) + (behind && openingId && !open.includes(openingId) ? mean(behind.access.minutes) : 0);
}

/** What a cell surely shows and all that it may, in one word each: asked of the same rows at every look. */
const LABELS = new WeakMap<Shown, { certain: string; all: string }>();

function labelsOf(shown: Shown): { certain: string; all: string } {
  const known = LABELS.get(shown);
  if (known) return known;
  const { sure, maybe } = shown;
  const certain = sure.join('+');
  const labels = {
    certain,
    all: maybe.length === 0 ? certain : [...sure, ...maybe].toSorted().join('+'),
  };
  LABELS.set(shown, labels);
  return labels;
}

/**
 * What a cell shows on each of some ways, as outcomes with their shares: what may show, shows every second time; some
 * tell it wrongly. Ways that show the same share one.
 */
export function cellOutcomes(ways: readonly Shown[]): ReadonlyMap<string, number>[] {
  const labels = ways.map(labelsOf);
  const kinds = new Set(labels.map(({ certain }) => certain)).size;
  const known = new Map<string, ReadonlyMap<string, number>>();
  return labels.map(({ certain, all }) => {
    const key = `${certain}?${all}`;
    const outcomes =
      known.get(key) ??
      withSlips(
        certain === all
          ? [[certain, 1]]
          : [
              [certain, 0.5],
              [all, 0.5],
            ],
        kinds,
      );
    known.set(key, outcomes);
    return outcomes;
  });
}

/** Outcomes with a share of tellings that are anything else. */
export function withSlips(
  outcomes: readonly (readonly [string, number])[],
  kinds: number,
): ReadonlyMap<string, number> {
  const slip = MISTOLD * (1 - 1 / Math.max(kinds, 1));
  const slipped = new Map(outcomes.map(([label, share]) => [label, share * (1 - slip)]));
  return slip > 0 ? slipped.set('told wrongly', slip) : slipped;
}

export type Choice = TestChoice<number> & { check: NextCheck };
