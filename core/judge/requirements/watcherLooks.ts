import { widestTolerance } from '../../circuit/resistorNetwork.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import type { Flasher } from '../../model/vehicle/flasher.ts';
import type { Side } from '../../model/vehicle/lamp.ts';
import type { Company } from '../../simulation/litState.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import type { Possibility } from '../analysis.ts';
import { flasherBand, type OutageBand } from '../outageBand.ts';
import { isTurn, looksAt, seenBy } from '../scenario.ts';
import type { VerdictState } from '../states.ts';
import type { Variant } from '../variants.ts';
import type { CurrentRange } from '../verdict.ts';

/**
 * Currents equal to this share count as equal: a stock vehicle sits exactly on its band's upper edge, and two ways to
 * the same solution agree to about a hundred-thousandth.
 */
export const EQUAL_SHARE = 1e-4;

/** The same while filaments still warm, each by itself: two ways there agree to about a thousandth. */
export const EQUAL_WHILE_WARMING = 1e-3;

/** What leaks through an open contact is nothing, A; the least that any output is known to look for is ten times it. */
const NOTHING_AMPS = 1e-3;

/** Whether the least that may flow clears the band. */
export function clears(lowAmps: number, band: OutageBand, equalShare = EQUAL_SHARE): boolean {
  return lowAmps >= band.highAmps * (1 - equalShare);
}

/** Where a current range lies against the band: above it, inside it, or below it. */
export function pointState(amps: CurrentRange, band: OutageBand, equalShare = EQUAL_SHARE): VerdictState {
  if (clears(amps.low, band, equalShare)) return 'holds';
  if (amps.high <= band.lowAmps * (1 + equalShare)) return 'falls-short';
  // Wherever its threshold lies, who watches misses a circuit that draws nothing.
  if (amps.high < NOTHING_AMPS) return 'falls-short';
  return 'either-way';
}

/** What is looked at of a circuit in one moment. */
export interface Watched {
  circuit: Circuit;
  /** sides that flash; none for what is on steadily */
  sides: readonly Side[];
  emfVolts: number;
  company: Company;
  /** a lamp that is dead or out */
  without?: string;
}

/** One look of a watcher: what it sees over tolerance and topologies, and the band its threshold lies in. */
export interface WatcherLook {
  possibility: Possibility;
  /** so long after the circuit came on, s; settled where left out */
  lookSeconds: number | undefined;
  amps: CurrentRange;
  band: OutageBand;
  /** currents equal to this share count as equal */
  equalShare: number;
}

/**
 * Every look of whoever watches a circuit, on one variant, the settled one first.
 *
 * @param flasher who watches, where it is not as it is fitted: a setting that was lost
 * @param moments the looks to take; those of the watcher where left out
 */
export function* looksOf(
  variant: Variant,
  { circuit, sides, emfVolts, company, without }: Watched,
  flasher: Flasher | undefined = variant.fitted[0]?.fitment.flasher,
  moments?: readonly (number | undefined)[],
): Generator<WatcherLook> {
  const { possibility } = variant;
  const [likeliest] = variant.fitted;
  if (!likeliest || !flasher) return;
  const tolerance = widestTolerance(likeliest.fitment.resistors);
  for (const lookSeconds of moments ?? looksAt(possibility.job.vehicle, flasher, circuit)) {
    const seen = (turns: TurnCircuits, resistorFactor: number) =>
      seenBy(
        turns,
        circuit,
        { sides, company },
        { emfVolts, lookSeconds, resistorFactor, ...(without === undefined ? {} : { without }) },
      );
    yield {
      possibility,
      lookSeconds,
      amps: rangeOf(variant, likeliest, tolerance, seen),
      band: bandAt(possibility, flasher, circuit, emfVolts, lookSeconds, company),
      equalShare: lookSeconds === undefined ? EQUAL_SHARE : EQUAL_WHILE_WARMING,
    };
  }
}

/**
 * The currents over tolerance and topologies. Only what decides is worked out at once: where the least holds, nobody may
 * ever ask for the rest.
 */
function rangeOf(
  { fitted, least, most }: Variant,
  likeliest: TurnCircuits,
  tolerance: number,
  seen: (turns: TurnCircuits, resistorFactor: number) => number,
): CurrentRange {
  if (tolerance === 0 && fitted.length === 1) {
    const nominal = seen(likeliest, 1);
    return { low: nominal, nominal, high: nominal };
  }
  return {
    low: Math.min(...least.map((turns) => seen(turns, 1 + tolerance))),
    get high() {
      return Math.max(...most.map((turns) => seen(turns, 1 - tolerance)));
    },
    get nominal() {
      return seen(likeliest, 1);
    },
  };
}

/** The band of a circuit's watcher under one possibility: printed on it, learned, or told from the stock bulbs. */
export function bandAt(
  { bands, learned }: Possibility,
  flasher: Flasher,
  circuit: Circuit,
  emfVolts: number,
  lookSeconds: number | undefined,
  company: Company,
): OutageBand {
  const printed = flasherBand(flasher, circuit);
  if (printed) return printed;
  if (learned && isTurn(circuit)) return learned.at(circuit, emfVolts, lookSeconds);
  return bands.at(circuit, emfVolts, lookSeconds, company);
}

/**
 * What all looks of a watcher say together, where what is drawn is not what is fitted: with something wrong, say.
 *
 * @param looks of each variant
 * @param drawn what is seen in place of so many amps as fitted, A
 */
export function stateOver(
  looks: readonly (readonly WatcherLook[])[],
  drawn: (amps: number, possibility: Possibility) => number,
): VerdictState {
  const states = looks.flatMap((each) =>
    each.map(({ amps, band, possibility, equalShare }) => {
      const seen = (fitted: number) => drawn(fitted, possibility);
      const range = { low: seen(amps.low), nominal: seen(amps.nominal), high: seen(amps.high) };
      return pointState(range, band, equalShare);
    }),
  );
  const [first = 'either-way'] = states;
  return states.every((state) => state === first) ? first : 'either-way';
}
