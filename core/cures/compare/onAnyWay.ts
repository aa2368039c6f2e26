import type { JobAnalysis } from '../../judge/analysis.ts';
import { byWorst, worstState } from '../../judge/states.ts';
import type { LoadResistorCure } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { eitherOf } from '../../possible/union.ts';
import { analysesOf, isFor, type Way } from '../../possible/ways.ts';
import { drawnAlike, ofTurnsAnew } from '../../vehicle/edit/turnOutputs.ts';
import { flasherWords, placeWords } from '../../words/ways.ts';
import { type CureReport, tryCures } from './evaluate.ts';
import type { CureOption } from './option.ts';
import { type CureScope, turnScope } from './scope.ts';

/** A cure as one way has it; null where it cannot be fitted there. */
interface Tried {
  way: Way;
  report: CureReport | null;
}

/**
 * Cures of a vehicle that may be built in several ways: what each kind of flasher suggests, tried on all of them. A cure
 * holds where it holds on every one; where it can be fitted to some alone it depends on that, and says so.
 *
 * @param drawn the vehicle as it is listed: what a cure changes is told of its circuits
 * @param compare every cure tried on one way
 * @param scopeOn the circuits it is for, as they are on a way
 */
export function onAnyWay(
  drawn: Vehicle,
  ways: readonly Way[],
  compare: (way: Way) => CureReport[],
  scopeOn: (way: Way) => CureScope = (way) => turnScope(way.job.vehicle),
): CureReport[] {
  const analyses = analysesOf(ways);
  const suggested = new Map<string, Map<Way, CureReport>>();
  const kinds = new Set<string>();
  for (const way of ways) {
    // With repeaters or without, the same cures come to mind; each is tried on both.
    const kind = `${way.flasher} ${way.outputs}`;
    if (kinds.has(kind)) continue;
    kinds.add(kind);
    for (const found of compare(way)) {
      const option = toldOf(found.option, way.job.vehicle, drawn);
      const report = option === found.option ? found : { ...found, option };
      const key = keyOf(report.option);
      suggested.set(key, (suggested.get(key) ?? new Map()).set(way, report));
    }
  }
  return [...suggested.values()].flatMap((known): CureReport[] => {
    const [first] = known.values();
    if (!first) return [];
    // Refused by one kind it may be right for another, which then has it in its own words.
    if (first.option.change === null) return known.size === kinds.size ? [first] : [];
    return [united(first, tryOn(drawn, ways, analyses, first.option, known, scopeOn))];
  });
}

function keyOf({ id, name, change }: CureOption): string {
  return change === null ? id : `${name} ${JSON.stringify(change)}`;
}

/** A cure told of the circuits a vehicle has when its outputs are wired otherwise. */
function toldOf(option: CureOption, from: Vehicle, to: Vehicle): CureOption {
  const { change } = option;
  if (!change || drawnAlike(from, to)) return option;
  const { cures, vehicleCures } = ofTurnsAnew(
    { cures: { ...change.cures }, vehicleCures: [...(change.vehicleCures ?? [])] },
    from,
    to,
  );
  return {
    ...option,
    change: {
      ...change,
      ...(change.cures ? { cures: withoutNulls(cures) } : {}),
      ...(change.vehicleCures ? { vehicleCures } : {}),
    },
  };
}

function withoutNulls(cures: Job['cures']): Record<string, LoadResistorCure> {
  return Object.fromEntries(
    Object.entries(cures).flatMap(([id, cure]) => (cure ? [[id, cure] as const] : [])),
  );
}

function tryOn(
  drawn: Vehicle,
  ways: readonly Way[],
  analyses: ReadonlyMap<Way, JobAnalysis>,
  option: CureOption,
  known: ReadonlyMap<Way, CureReport>,
  scopeOn: (way: Way) => CureScope,
): Tried[] {
  return ways.map((way) => {
    if (!(option.change?.vehicleCures ?? []).every((cure) => isFor(way.flasher, cure.kind)))
      return { way, report: null };
    const analysis = analyses.get(way);
    const report =
      known.get(way) ??
      (analysis && tryCures(analysis, [toldOf(option, drawn, way.job.vehicle)], scopeOn(way))[0]) ??
      null;
    return { way, report };
  });
}

/** One row for all ways: the worst of them speaks, with where it is so if not everywhere. */
function united(first: CureReport, tried: readonly Tried[]): CureReport {
  const done = tried.flatMap(({ way, report }) =>
    report?.state ? [{ way, report, state: report.state }] : [],
  );
  const cannot = [...new Set(tried.filter(({ report }) => report === null).map(({ way }) => way.flasher))];
  const can = [...new Set(done.map(({ way }) => way.flasher))];
  const [worst] = done.toSorted((a, b) => byWorst(a.state, b.state));
  if (!worst) return first;
  const agreed = eitherOf(done.map(({ state }) => state));
  const supposes = can.map((kind) => `it has ${flasherWords(kind)}`).join(' or ');
  const where = agreed === 'either-way' && worst.state !== 'either-way' ? `${placeWords(worst.way)}: ` : '';
  const report = { ...worst.report, option: first.option };
  if (cannot.length === 0) return { ...report, state: agreed, reason: `${where}${report.reason}` };
  return {
    ...report,
    option: { ...first.option, supposes: [...(first.option.supposes ?? []), supposes] },
    state: worstState([agreed, 'either-way']),
    reason: `If ${supposes}: ${where}${report.reason}`,
  };
}
