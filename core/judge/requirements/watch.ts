import type { Circuit } from '../../model/vehicle/circuit.ts';
import type { Flasher } from '../../model/vehicle/flasher.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { ALONE, type Company } from '../../simulation/litState.ts';
import { coverOf } from '../cover.ts';
import { companiesFor, isTurn, looksAt } from '../scenario.ts';
import type { Variant } from '../variants.ts';
import type { JudgedPoint, PointVerdict } from '../verdict.ts';
import { workingPoints } from '../workingPoints.ts';
import {
  clears,
  EQUAL_SHARE,
  EQUAL_WHILE_WARMING,
  looksOf,
  pointState,
  type Watched,
} from './watcherLooks.ts';

/** Who looks at the current of a circuit: its flasher, its output, the module; null where nobody does. */
export function watcherOf(vehicle: Vehicle, flasher: Flasher, circuit: Circuit): string | null {
  if (isTurn(circuit)) return flasher.name;
  const { bulbCheck } = vehicle;
  if (bulbCheck?.watches.some((each) => each.circuitId === circuit.id)) return bulbCheck.name;
  // How its output would watch is known of most; whether it does, nobody has looked.
  if (circuit.watched === null) return null;
  if (flasher.kind === 'controller') {
    const output = flasher.outputs.find((each) => each.circuitId === circuit.id);
    if (circuit.from.by === 'output' && output?.watch) return 'the controller';
  }
  return circuit.watched ? 'what watches it' : null;
}

/** From here on a flashing lamp draws at most so much more than it will (2 to 4 % in signal bulbs; tested). */
const EARLY = 0.1;
const MOST_INRUSH = 1.25;

/** Whether a settled point lies so far from its band that no inrush of either could change what it says. */
function isFar({ amps, band }: PointVerdict): boolean {
  return amps.low > band.highAmps * MOST_INRUSH || amps.high * MOST_INRUSH < band.lowAmps;
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
 * Whether whoever watches a circuit is content at every working point, whatever is on beside it and whatever is not known:
 * where the least that may flow is too little once, nothing more is asked.
 */
export function isContent(variants: readonly Variant[], circuit: Circuit): boolean {
  const turns = variants[0]?.fitted[0];
  if (!turns) return true;
  const companies = companiesFor(turns, circuit);
  const asked = companies.length > 1 && onlyTakes(variants, circuit) ? companies.slice(-1) : companies;
  const sides = isTurn(circuit) ? [circuit.side] : [];
  return workingPoints(turns.vehicle.systemVolts).every(({ volts: emfVolts }) =>
    asked.every((company) =>
      variants.every((variant) => {
        for (const { amps, band, equalShare } of looksOf(variant, { circuit, sides, emfVolts, company }))
          if (!clears(amps.low, band, equalShare)) return false;
        return true;
      }),
    ),
  );
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
