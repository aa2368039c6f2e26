import { amps } from '../../formatting/format.ts';
import { condemnedIn, type Hotter } from '../../heat/mounts.ts';
import type { HeatVerdict } from '../../heat/useCases.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import type { ResistorPart } from '../../model/part.ts';
import type { TurnCircuit } from '../../model/vehicle/circuit.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { type ChoiceAim, choiceOf, oneSizeLarger, type ResistorChoice } from './choice.ts';
import type { OhmsInterval } from './interval.ts';
import { pairsOfMostOhms, setsThereAre, setsWithin } from './sets.ts';
import { MOST_PIECES, type Stock, spreadOver, stockFor, usable } from './stock.ts';

export type { ResistorChoice } from './choice.ts';

export interface ResistorSearch {
  choices: readonly ResistorChoice[];
  /** sets there are: each was looked at, or ruled out with all its like by what they add up to */
  examined: number;
  /** why there are none, when there are none */
  none: string | null;
  /** sets that keep every limit but the heat of their mounts, beyond those listed; 0 where all are listed */
  more: number;
  /** where there are too many resistors to try all together: how many, spread over their values, sets of three and four were made of */
  spreadOver: number | null;
}

export interface SearchLimits {
  /** shelf values alone, or the E12 series too */
  values?: 'shelf' | 'all';
  /** lamps of one end alone */
  at?: Lamp['end'] | undefined;
  /** the first so many that bear their heat */
  most?: number;
  /** how much hotter than typical each place was measured to be */
  hotter?: Hotter;
}

/** Of so many resistors every set is tried: half a million of them. */
const ALL_OF = 57;
/** Of more, sets of three and four are made of so many. */
const SPREAD_OVER = 40;
/** And pairs are tried from the most ohms on, so many of each tolerance. */
const PAIRS = 8000;
/** Tolerances told apart there; with more of them the finer are taken for the coarser. */
const TOLERANCES = 6;
/** Ranked at most: nobody reads so many. */
const RANKED = 1000;
/** Sets looked at between two words on how far it is. */
const AT_A_STRETCH = 2000;

/**
 * Every set of one to four resistors, all side by side or all in a row, from the shelf and from the E12
 * series in 25, 50 and 100 W, that keeps the interval over its tolerance, stays within its printed watts, and bears
 * its heat on the metal there, in every use of the feed. Of a shelf with more values than can all be tried together, all
 * singles, the pairs of most ohms, and threes and fours of values spread over theirs; the best thousand are kept.
 *
 * Ranked: on the shelf first; then nearest to one a converted main bulb (spreads the heat, each tapped at
 * its own lamp); then least heat; then price; then ohms.
 *
 * @param sides how many sides get the same set, for counting stock
 * @param limits what to search less than all of
 */
export function searchResistors(
  fitted: TurnCircuits,
  circuit: TurnCircuit,
  interval: OhmsInterval,
  shelf: readonly ResistorPart[],
  sides = 2,
  limits: SearchLimits = {},
): ResistorSearch {
  const steps = searchSteps(fitted, circuit, interval, shelf, sides, limits);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The same, a stretch at a time: yields how far it is, from 0 to 1. Whoever runs it may stop between two stretches. */
export function* searchSteps(
  fitted: TurnCircuits,
  circuit: TurnCircuit,
  interval: OhmsInterval,
  shelf: readonly ResistorPart[],
  sides = 2,
  { values = 'all', at, most = RANKED, hotter }: SearchLimits = {},
): Generator<number, ResistorSearch> {
  const nothing = { choices: [], examined: 0, more: 0, spreadOver: null };
  if (interval.maxOhms === Number.POSITIVE_INFINITY)
    return {
      ...nothing,
      none: 'The bulbs now fitted clear the band by themselves: no resistor is needed.',
    };
  const mounts = mountsFor(fitted, circuit).filter((lamp) => at === undefined || lamp.end === at);
  if (mounts.length === 0)
    return {
      ...nothing,
      none: 'No converted lamp of this side has metal within reach to mount a resistor on.',
    };
  const volts = chargingVolts(fitted.vehicle.systemVolts);
  const stock = stockFor(interval, shelf, values);
  const best = new BestChoices({ interval, mounts, volts, sides });
  let spread: number | null = null;
  let looked = 0;
  for (const [turn, connection] of (['parallel', 'series'] as const).entries()) {
    const able = usable(stock, connection, interval, volts);
    if (able.length > ALL_OF) spread = SPREAD_OVER;
    for (const set of setsOf(able, connection, interval, sides)) {
      best.offer(set, connection);
      looked += 1;
      // How many there are nobody knows beforehand: nearer to the end the slower.
      if (looked % AT_A_STRETCH === 0) yield 0.4 * (turn + looked / (looked + 100_000));
    }
  }
  const ranked = best.ranked();
  const followed = new Map<string, HeatVerdict>();
  const bears = ({ cure }: ResistorChoice) =>
    condemnedIn(fitted.vehicle, cure.networks, volts, cure.networks, followed, hotter) === null;
  const borne: ResistorChoice[] = [];
  for (const [index, choice] of ranked.entries()) {
    if (borne.length >= most) break;
    let larger: ResistorChoice | null = choice;
    while (larger && !bears(larger)) larger = oneSizeLarger(larger);
    if (larger) borne.push(larger);
    if (index % 50 === 49) yield 0.8 + (0.2 * index) / ranked.length;
  }
  return {
    choices: borne,
    examined: 2 * setsThereAre(stock.length) - stock.length,
    more: best.found - ranked.length,
    spreadOver: spread,
    none:
      borne.length > 0
        ? null
        : ranked.length > 0
          ? 'Every set that would do is estimated to get hotter on this metal than it bears: a better mount, or another cure.'
          : noneReason(interval),
  };
}

/** The sets to look at: all there are, or where those are too many to, what stands for them. */
function* setsOf(
  able: readonly Stock[],
  connection: ResistorNetwork['connection'],
  interval: OhmsInterval,
  sides: number,
): Generator<readonly Stock[]> {
  if (able.length <= ALL_OF) {
    yield* setsWithin(able, connection, interval);
    return;
  }
  const seen = new Set<string>();
  const order = new Map(able.map((each, index) => [each, index]));
  const onShelf = able.filter((each) => each.stock >= sides);
  for (const tolerance of tolerancesOf(able)) {
    // A pair of this tolerance keeps the interval only so much within it.
    const within = {
      ...interval,
      maxOhms: interval.maxOhms / (1 + tolerance.from),
      minOhms: interval.minOhms / (1 - tolerance.from),
    };
    for (const from of [onShelf, able]) {
      const mine = from.filter((each) => each.tolerance <= tolerance.to);
      for (const set of pairsOfMostOhms(mine, connection, within, PAIRS)) {
        const key = set.map((each) => order.get(each)).join();
        if (seen.has(key)) continue;
        seen.add(key);
        yield set;
      }
    }
  }
  yield* setsWithin(spreadOver(able, SPREAD_OVER), connection, interval, 3);
}

/** Tolerances there are, the least first, each from what to what it stands for. */
function tolerancesOf(stock: readonly Stock[]): { from: number; to: number }[] {
  const all = [...new Set(stock.map(({ tolerance }) => tolerance))].toSorted((a, b) => a - b);
  const each = Math.ceil(all.length / TOLERANCES);
  return Array.from({ length: Math.ceil(all.length / each) }, (_, group) => {
    const mine = all.slice(group * each, (group + 1) * each);
    return { from: mine[0] ?? 0, to: mine.at(-1) ?? 0 };
  });
}

/** The best choices among sets that are offered one by one, and no more of them kept than will be ranked. */
class BestChoices {
  /** sets that keep every limit but the heat of their mounts */
  found = 0;
  private kept: ResistorChoice[] = [];
  private last: ResistorChoice | null = null;

  constructor(private readonly aim: ChoiceAim) {}

  offer(set: readonly Stock[], connection: ResistorNetwork['connection']): void {
    const choice = choiceOf(set, connection, this.aim);
    if (!choice) return;
    this.found += 1;
    if (this.last && this.order(choice, this.last) >= 0) return;
    this.kept.push(choice);
    if (this.kept.length >= 2 * RANKED) {
      this.kept = this.ranked();
      this.last = this.kept.at(-1) ?? null;
    }
  }

  ranked(): ResistorChoice[] {
    return this.kept.toSorted((a, b) => this.order(a, b)).slice(0, RANKED);
  }

  private order(a: ResistorChoice, b: ResistorChoice): number {
    const wanted = this.aim.mounts.length;
    return (
      Number(b.onShelf) - Number(a.onShelf) ||
      Math.abs(a.pieces.length - wanted) - Math.abs(b.pieces.length - wanted) ||
      a.litWatts - b.litWatts ||
      (a.price ?? Number.POSITIVE_INFINITY) - (b.price ?? Number.POSITIVE_INFINITY) ||
      b.ohms - a.ohms
    );
  }
}

/** Converted main lamps with metal to mount on; rear first, where there is usually more room. */
function mountsFor(fitted: TurnCircuits, circuit: TurnCircuit): Lamp[] {
  return lampIdsOf(circuit)
    .map((id) => fitted.lamp(id))
    .filter((lamp) => lamp.role === 'main' && lamp.resistorMount !== 'none')
    .filter((lamp) => fitted.fitment.contents.get(lamp.id)?.kind === 'led')
    .sort((a, b) => Number(b.end === 'rear') - Number(a.end === 'rear'));
}

const LIMITS: Record<OhmsInterval['minSetBy'], string> = {
  'fuse-heating': 'the fuse’s heating',
  'fuse-lit': 'the fuse',
  relay: 'the relay’s rating',
  output: 'the controller’s output',
  switch: 'the turn switch',
};

function noneReason(interval: OhmsInterval): string {
  const tooTight = interval.maxOhms < interval.minOhms;
  if (!Number.isFinite(interval.minOhms))
    return `No resistor can be added: what is fitted is over what ${LIMITS[interval.minSetBy]} allows already, ${amps(interval.allowedAmps)} lit.`;
  return tooTight
    ? `No resistor can do both: the band asks for at most ${interval.maxOhms.toFixed(2)} Ω a side, and the supply allows no less than ${interval.minOhms.toFixed(2)} Ω.`
    : `No set of up to ${MOST_PIECES} resistors lies between ${interval.minOhms.toFixed(2)} and ${interval.maxOhms.toFixed(2)} Ω within its printed watts.`;
}
