import type { VerdictState } from '../judge/states.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import type { JudgedWay } from './judgedWay.ts';
import type { QuickQuestion } from './question.ts';
import { isAboutTurns } from './question.ts';
import type { QuickJob } from './quickJob.ts';

/** Something cheap to look at that tells ways apart. */
export interface Look {
  id: 'listen' | 'trial' | 'relay' | 'bulb-number' | 'watts' | 'watched';
  minutes: number;
  /** what to do */
  act: string;
  /** what its outcomes mean */
  means: string;
}

interface Candidate extends Look {
  /** outcomes of one way; a way that could show several is in each group */
  outcomes(way: JudgedWay): readonly string[];
}

/** What a way does, as far as it matters: two ways that do the same need not be told apart. */
function doesOf({ state, flasher }: JudgedWay): string {
  return state === 'holds' ? 'holds' : `${state} ${flasher.kind}`;
}

/** What a click or silence means (common practice; some controllers click through a loudspeaker). */
const HEARD: Record<FlasherKind, readonly string[]> = {
  'watching-relay': ['click'],
  thermal: ['click'],
  'non-watching-relay': ['click', 'silence'],
  controller: ['silence'],
};

const LOOKS: readonly Candidate[] = [
  {
    id: 'listen',
    minutes: 1,
    act: 'Hazard on: listen for a click under the dash',
    means: 'A click is a relay. Silence is mostly a controller.',
    outcomes: ({ flasher }) => HEARD[flasher.kind],
  },
  {
    id: 'trial',
    minutes: 3,
    act: 'Fit them on one side and switch on, engine off',
    means: 'Normal, fast, slow or a message: each tells what watches, and from how much on.',
    outcomes: ({ flasher, state }) => outcomesOf(flasher.kind, state),
  },
  {
    id: 'relay',
    minutes: 10,
    act: 'Find the relay and read what is printed on it',
    means: 'Its kind and its load settle how it flashes.',
    outcomes: ({ flasher }) => [flasher.kind],
  },
];

function outcomesOf(kind: FlasherKind, state: VerdictState): readonly string[] {
  const short = {
    'watching-relay': ['fast'],
    controller: ['fast', 'message'],
    thermal: ['slow', 'fast'],
    'non-watching-relay': ['dark'],
  };
  if (state === 'holds') return ['normal'];
  return state === 'falls-short' ? short[kind] : ['normal', ...short[kind]];
}

/**
 * The cheapest look that tells apart what is open: the one that leaves the fewest kinds of outcome in each of its
 * results, per minute it takes. Ways are counted as possibilities, none as likelier than another.
 *
 * @returns null where all ways do the same
 */
export function nextLook(
  question: QuickQuestion,
  judged: readonly JudgedWay[],
  { job }: QuickJob,
): Look | null {
  const does = new Set(judged.map(doesOf));
  const open = judged.some(({ state }) => state === 'either-way') || does.size > 1;
  if (!open) return null;
  if (!isAboutTurns(question.lamps)) return steadyLook(question);
  const offered = LOOKS.filter(({ id }) => id !== 'listen' || question.heard === null);
  const best = offered
    .map((look) => ({ look, told: told(look, judged) / look.minutes }))
    .toSorted((a, b) => b.told - a.told)[0];
  if (best && best.told > 0) return plain(best.look);
  if (question.led.kind !== 'part' && question.led.watts === null)
    return {
      id: 'watts',
      minutes: 1,
      act: 'Read the watts on the LED or its packet',
      means: 'Without them it is judged from the least to the most that is sold for this bulb.',
    };
  const unseen = !question.bulbRead && Object.keys(job.identified).length === 0;
  if (unseen && question.bulb === null)
    return {
      id: 'bulb-number',
      minutes: 2,
      act: 'Read the number on the stock bulb',
      means: 'Bulbs that interchange draw differently.',
    };
  const trial = LOOKS.find(({ id }) => id === 'trial');
  return trial && question.trials.length === 0 ? plain(trial) : null;
}

function plain({ id, minutes, act, means }: Candidate): Look {
  return { id, minutes, act, means };
}

/** How many bits of what the ways do a look tells, each way counting once. */
function told(look: Candidate, judged: readonly JudgedWay[]): number {
  const groups = new Map<string, string[]>();
  let placed = 0;
  for (const way of judged)
    for (const outcome of look.outcomes(way)) {
      groups.set(outcome, [...(groups.get(outcome) ?? []), doesOf(way)]);
      placed += 1;
    }
  const after = [...groups.values()].reduce((sum, mine) => sum + (mine.length / placed) * bits(mine), 0);
  return Math.max(0, bits(judged.map(doesOf)) - after);
}

function bits(kinds: readonly string[]): number {
  const counts = new Map<string, number>();
  for (const kind of kinds) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts.values()].reduce(
    (sum, count) => sum - (count / kinds.length) * Math.log2(count / kinds.length),
    0,
  );
}

function steadyLook(question: QuickQuestion): Look {
  return question.lamps === 'interior'
    ? {
        id: 'watched',
        minutes: 10,
        act: 'Fit one and wait ten minutes with the doors shut',
        means: 'A glow or a flicker while it is off is a lamp that is watched or leaked to.',
      }
    : {
        id: 'watched',
        minutes: 2,
        act: 'Take one stock bulb out and switch on, engine running',
        means: 'A message on the dash: the circuit is watched. None within a minute: it mostly is not.',
      };
}
