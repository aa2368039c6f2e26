import { widestTolerance } from '../../circuit/resistorNetwork.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import type { Flasher } from '../../model/vehicle/flasher.ts';
import type { Side } from '../../model/vehicle/lamp.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { ALONE, type Company } from '../../simulation/litState.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import type { Possibility } from '../analysis.ts';
import { flasherBand, type OutageBand } from '../outageBand.ts';
import { companiesFor, isTurn, looksAt, seenBy } from '../scenario.ts';
import type { VerdictState } from '../states.ts';
import type { Variant } from '../variants.ts';
import type { CurrentRange, JudgedPoint, PointVerdict } from '../verdict.ts';
import { workingPoints } from '../workingPoints.ts';

/**
 * Currents equal to this share count as equal: a stock vehicle sits exactly on its band's upper edge, and two ways to
 * the same solution agree to about a hundred-thousandth.
 */
export const EQUAL_SHARE = 1e-4;

/** The same while filaments still warm, each by itself: two ways there agree to about a thousandth. */
const EQUAL_WHILE_WARMING = 1e-3;

/** Where a current range lies against the band: above it, inside it, or below it. */
export function pointState(amps: CurrentRange, band: OutageBand, equalShare = EQUAL_SHARE): VerdictState {
  if (amps.low >= band.highAmps * (1 - equalShare)) return 'holds';
  if (amps.high <= band.lowAmps * (1 + equalShare)) return 'falls-short';
  return 'either-way';
}

/** Who looks at the current of a circuit: its flasher, its output, the module; null where nobody does. */
export function watcherOf(vehicle: Vehicle, flasher: Flasher, circuit: Circuit): string | null {
  if (isTurn(circuit)) return flasher.name;
  if (flasher.kind === 'controller') {
    const output = flasher.outputs.find((each) => each.circuitId === circuit.id);
    if (circuit.from.by === 'output' && output?.watch) return 'the controller';
  }
  const { bulbCheck } = vehicle;
  if (circuit.watched) return 'what watches it';
  return bulbCheck?.watches.some((each) => each.circuitId === circuit.id) ? bulbCheck.name : null;
}

/** From here on a flashing lamp draws at most so much more than it will (2 to 4 % in signal bulbs; tested). */
const EARLY = 0.1;
const MOST_INRUSH = 1.25;

/** Whether a settled point lies so far from its band that no inrush of either could change what it says. */
function isFar({ amps, band }: PointVerdict): boolean {
  return amps.low > band.highAmps * MOST_INRUSH || amps.high * MOST_INRUSH < band.lowAmps;
}

/** What is looked at of a circuit in one moment. */
export interface Watched {
  circuit: Circuit;
  /** sides that flash; none for what is on steadily */
  sides: readonly Side[];
  emfVolts: number;
  company: Company;
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
  { circuit, sides, emfVolts, company }: Watched,
  flasher: Flasher | undefined = variant.fitted[0]?.fitment.flasher,
  moments?: readonly (number | undefined)[],
): Generator<WatcherLook> {
  const { possibility } = variant;
  const [likeliest] = variant.fitted;
  if (!likeliest || !flasher) return;
  const tolerance = widestTolerance(likeliest.fitment.resistors);
  for (const lookSeconds of moments ?? looksAt(possibility.job.vehicle, flasher, circuit)) {
    const seen = (turns: TurnCircuits, resistorFactor: number) =>
      seenBy(turns, circuit, { sides, company }, { emfVolts, lookSeconds, resistorFactor });
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

/** One point judged over every moment of looking, every variant, every topology and the resistors' tolerance. */
export function watchAt(variants: readonly Variant[], what: Watched): PointVerdict {
  const { emfVolts, company } = what;
  return united(
    variants.flatMap((variant) => {
      const judged: PointVerdict[] = [];
      for (const { amps, band, lookSeconds, equalShare } of looksOf(variant, what)) {
        judged.push({
          volts: emfVolts,
          company,
          lookSeconds,
          band,
          amps,
          state: pointState(amps, band, equalShare),
        });
        const [settled] = judged as [PointVerdict];
        // What is open once settled stays open whatever it was before.
        if (settled.state === 'either-way') break;
        if (judged.length === 1 && firstLookSettles(variant, what) && isFar(settled)) break;
      }
      return judged;
    }),
  );
}

/** Whether the first look is late enough that of the inrush little is left. */
function firstLookSettles({ possibility, fitted }: Variant, { circuit }: Watched): boolean {
  const flasher = fitted[0]?.fitment.flasher;
  const first = flasher && looksAt(possibility.job.vehicle, flasher, circuit)[1];
  return first !== undefined && first >= EARLY;
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

/** How much of what its band asks for a point has, 1 where it has just enough: a share. */
export function coverOf({ amps, band }: PointVerdict): number {
  return band.highAmps > 0 ? amps.low / band.highAmps : Number.MAX_VALUE;
}

/**
 * One point judged under every possibility. Where all agree, the one with the least to spare speaks for them; where
 * they do not, it could go either way, and the ranges of all are shown.
 */
export function united(points: readonly PointVerdict[]): PointVerdict {
  // As good as equal, the settled moment speaks.
  const tightest = points.reduce((tight, each) =>
    coverOf(each) < coverOf(tight) * (1 - EQUAL_WHILE_WARMING) ? each : tight,
  );
  if (points.every((each) => each.state === tightest.state)) return tightest;
  return {
    ...tightest,
    band: {
      ...tightest.band,
      lowAmps: Math.min(...points.map(({ band }) => band.lowAmps)),
      highAmps: Math.max(...points.map(({ band }) => band.highAmps)),
    },
    // What nobody reads is not worked out.
    amps: {
      low: Math.min(...points.map(({ amps }) => amps.low)),
      get nominal() {
        return tightest.amps.nominal;
      },
      get high() {
        return Math.max(...points.map(({ amps }) => amps.high));
      },
    },
    state: 'either-way',
  };
}

/** The point with the least current for what its band asks; among equals the lowest volts. */
export function worstPoint(points: readonly JudgedPoint[]): JudgedPoint {
  return points.reduce((worst, each) => (coverOf(each) < coverOf(worst) * (1 - EQUAL_SHARE) ? each : worst));
}

/**
 * Every working point, alone and with all else that may be on beside the circuit and bears on it. Where nothing
 * there has a converter, all else only ever takes from the feed: what holds with all of it on holds without, and what
 * falls short without falls short with it, so that only what lies between is asked for each.
 */
export function watchPoints(
  variants: readonly Variant[],
  circuit: Circuit,
  judge: (emfVolts: number, company: Company) => PointVerdict,
): JudgedPoint[] {
  const [first] = variants;
  const turns = first?.fitted[0];
  if (!turns) return [];
  const companies = companiesFor(turns, circuit);
  const all = companies.at(-1) ?? ALONE;
  const shortcut = companies.length > 1 && onlyTakes(variants, circuit);
  let short = false;
  return workingPoints(turns.vehicle.systemVolts).flatMap((point) => {
    const at = (company: Company): JudgedPoint => ({ point, ...judge(point.volts, company) });
    if (!shortcut) return companies.map(at);
    if (!short) {
      const on = at(all);
      if (on.state === 'holds') return [on];
    }
    const off = at(ALONE);
    short = off.state === 'falls-short';
    return short ? [off] : [off, ...companies.slice(1).map(at)];
  });
}

/**
 * Whether whatever else comes on can only take from a circuit's feed: true of wires, filaments, diodes and regulators,
 * whose current rises with their volts. A converter draws the more the less it is given: behind a bad shared earth
 * another load may raise its current.
 */
export function onlyTakes(variants: readonly Variant[], circuit: Circuit): boolean {
  return variants.every(({ fitted }) =>
    fitted.every(({ vehicle, fitment, simulation }) => {
      const near = simulation.bearing.together([circuit.id]);
      return vehicle.circuits
        .filter((each) => near.has(each.id))
        .flatMap(lampIdsOf)
        .every((id) => {
          const content = fitment.contents.get(id);
          return (
            content?.kind !== 'led' ||
            (content.part.ballast.kind !== 'converter' && content.part.twin?.topology !== 'shared-converter')
          );
        });
    }),
  );
}
