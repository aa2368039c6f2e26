import { inARow } from '../../formatting/format.ts';
import type { CureReport } from './evaluate.ts';

/** What somebody may care about in a cure. */
export const CRITERIA = ['warning', 'heat', 'cuts', 'whole', 'time', 'price'] as const;
export type Criterion = (typeof CRITERIA)[number];
export type Weights = Readonly<Record<Criterion, number>>;

export const CRITERION_WORDS: Record<Criterion, string> = {
  warning: 'keeps the failure warning',
  heat: 'wastes little heat',
  cuts: 'cuts little wire',
  whole: 'converts every lamp',
  time: 'is soon done',
  price: 'costs little',
};

/**
 * The trade's default: whatever leaves the failure warning working, wastes least heat and cuts least wire, within
 * access (common practice). Everybody may weigh otherwise.
 */
export const DEFAULT_WEIGHTS: Weights = { warning: 5, heat: 4, cuts: 4, whole: 3, time: 2, price: 1 };

export interface RankedCure {
  report: CureReport;
  /** 0 to 1, by the weights; null where it does not work */
  score: number | null;
  /** how well it does by each criterion, 0 to 1 */
  marks: Readonly<Record<Criterion, number>>;
  /** another that works is as good in everything and better in something */
  dominatedBy: string | null;
}

/** What each criterion is measured by; less is better. */
function costs(report: CureReport): Record<Criterion, number> {
  return {
    warning: { kept: 0, partly: 1, lost: 2 }[report.warning],
    heat: report.heatWatts,
    cuts: report.cuts,
    whole: report.unconverted,
    time: (report.minutes[0] + report.minutes[1]) / 2,
    price: report.price + report.unpriced * 5,
  };
}

/** At this cost a mark has fallen to about a third: what an installer begins to mind. */
const MINDED: Record<Criterion, number> = { warning: 1, heat: 40, cuts: 6, whole: 2, time: 60, price: 40 };

/**
 * The cures in the order of the weights: those that work first, then those that could go either way, then the rest.
 * What another working cure beats in everything is marked, not hidden.
 */
export function rankCures(reports: readonly CureReport[], weights: Weights = DEFAULT_WEIGHTS): RankedCure[] {
  const working = reports.filter((report) => report.state === 'holds');
  const total = CRITERIA.reduce((sum, each) => sum + weights[each], 0) || 1;
  const ranked = reports.map((report): RankedCure => {
    const cost = costs(report);
    const marks = Object.fromEntries(
      CRITERIA.map((each) => [each, Math.exp(-Math.max(0, cost[each]) / MINDED[each])]),
    ) as Record<Criterion, number>;
    const works = report.state === 'holds';
    return {
      report,
      marks,
      score: works ? CRITERIA.reduce((sum, each) => sum + weights[each] * marks[each], 0) / total : null,
      dominatedBy: works ? dominator(report, working) : null,
    };
  });
  const order = ['holds', 'either-way', 'falls-short', 'too-much', null];
  const mayNeedNone = reports.some(isAloneEitherWay);
  // A filament on a circuit that nothing may be wrong with gives up what was asked for: it comes after LEDs that may hold.
  const place = (report: CureReport) =>
    mayNeedNone && keepsSteadyFilament(report) ? 1.5 : order.indexOf(report.state);
  return ranked.toSorted((a, b) => place(a.report) - place(b.report) || (b.score ?? 0) - (a.score ?? 0));
}

/** LEDs alone where nobody has looked whether anything would mind them. */
function isAloneEitherWay({ option, state }: CureReport): boolean {
  return option.kinds.includes('nothing') && state === 'either-way';
}

/** A filament left in a circuit that is on steadily. */
function keepsSteadyFilament({ option }: CureReport): boolean {
  return option.id === 'filament';
}

function dominator(report: CureReport, working: readonly CureReport[]): string | null {
  const mine = costs(report);
  const better = working.find((other) => {
    if (other === report) return false;
    const theirs = costs(other);
    return (
      CRITERIA.every((each) => theirs[each] <= mine[each]) &&
      CRITERIA.some((each) => theirs[each] < mine[each])
    );
  });
  return better?.option.name ?? null;
}

/** The best cure for this vehicle and why, in one sentence; or that none works, and what comes nearest. */
export function bestInWords(ranked: readonly RankedCure[]): string {
  const [best] = ranked;
  if (!best) return 'Nothing was tried.';
  const sure = ranked.find(({ score }) => score !== null);
  if (best.score === null && isAloneEitherWay(best.report) && sure)
    return `The LEDs alone may hold: nobody has looked whether anything minds them. Fit them and see; if something does, ${sure.report.option.name.toLowerCase()} holds.`;
  if (best.score === null)
    return best.report.state === 'either-way'
      ? `Nothing here holds for certain; ${best.report.option.name} could go either way.`
      : 'Nothing tried here contents this vehicle: accept it as unresolved, or look for a cure the shelf does not hold.';
  const { option, warning, heatWatts, cuts, unconverted } = best.report;
  if (option.kinds.includes('nothing'))
    return 'No cure is needed: the LEDs alone hold at every supply, lights off and on.';
  const good = CRITERIA.filter((each) => best.marks[each] > 0.66).map((each) => CRITERION_WORDS[each]);
  const prices = [
    ...(warning === 'lost' ? ['the failure warning is lost'] : []),
    ...(warning === 'partly' ? ['a dead LED beside a filament may go unnoticed'] : []),
    ...(unconverted > 0 ? [`${unconverted} lamps stay filament, a mixed look`] : []),
    ...(heatWatts > 1 ? [`${Math.round(heatWatts)} W of heat while lit`] : []),
    ...(cuts > 0 ? [`${cuts} joints in the loom`] : []),
  ];
  return `Best for this vehicle: ${option.name}. It holds at every supply${good.length > 0 ? `, ${inARow(good)}` : ''}${
    prices.length > 0 ? `; its price: ${inARow(prices)}` : ''
  }.`;
}
