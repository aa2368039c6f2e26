import type { CureReport } from '../../../core/cures/compare/evaluate.ts';
import type { RankedCure } from '../../../core/cures/compare/rank.ts';
import type { WarningKept } from '../../../core/cures/compare/warningKept.ts';
import { amps, inARow, volts, watts } from '../../../core/formatting/format.ts';
import { temperature } from '../../../core/formatting/units.ts';
import { VERDICT_WORDS, type VerdictState, worstState } from '../../../core/judge/states.ts';
import { Mark } from '../../ui/Mark.tsx';
import { price } from '../../ui/money.ts';
import classes from './CureTable.module.css';

const WARNING_WORDS: Record<WarningKept, string> = { kept: 'kept', partly: 'partly', lost: 'lost' };

/** One thing that is said of a cure: in the table, or under its name once that is opened. */
export interface CureFact {
  label: string;
  /** only said of turn lamps */
  turnsOnly?: boolean;
  cell(each: RankedCure): React.ReactNode;
}

/** What is compared at a glance. */
export const CURE_COLUMNS: readonly CureFact[] = [
  {
    label: 'Supply',
    cell: ({ report }) => marked(report.points.map((point) => [point.state, volts(point.volts)])),
  },
  { label: 'Lights, brake', turnsOnly: true, cell: ({ report }) => situation(report, ['lights', 'brake']) },
  { label: 'Hazard', turnsOnly: true, cell: ({ report }) => situation(report, ['hazard']) },
  { label: 'Cold start', turnsOnly: true, cell: ({ report }) => situation(report, ['cold-start']) },
  {
    label: 'Heat while lit',
    cell: ({ report }) => (report.heatWatts > 0.5 ? watts(report.heatWatts) : 'none'),
  },
  {
    label: 'Hottest',
    cell: ({ report }) => {
      const hottest = Math.max(report.hottest?.peakCaseCelsius ?? 0, report.hottestLed ?? 0);
      return hottest > 0 ? temperature(hottest) : '';
    },
  },
  { label: 'Failure warning', cell: ({ report }) => WARNING_WORDS[report.warning] },
  { label: 'Joints', cell: ({ report }) => (report.cuts === 0 ? 'none' : report.cuts) },
  {
    label: 'Time',
    cell: ({ report }) =>
      report.minutes[1] === 0 ? 'none' : `${report.minutes[0]} to ${report.minutes[1]} min`,
  },
  {
    label: 'Price',
    cell: ({ report }) => (
      <>
        {price(Math.round(report.price * 100) / 100)}
        {report.unpriced > 0 && <span className="faint"> and parts to buy</span>}
      </>
    ),
  },
];

/** The rest, under the name of the cure. */
export const CURE_FACTS: readonly CureFact[] = [
  {
    label: 'Why',
    cell: ({ report }) => `${report.reason} ${report.cautions.join(' ')}`,
  },
  {
    label: 'At each supply',
    cell: ({ report }) =>
      report.points
        .map((point) => `${volts(point.volts)} ${VERDICT_WORDS[point.state].toLowerCase()}`)
        .join('; '),
  },
  {
    label: 'In the cases that break',
    turnsOnly: true,
    cell: ({ report }) => (
      <ul className={classes.points}>
        {report.situations.map((each) => (
          <li key={each.id} data-state={each.state}>
            {each.name}: {VERDICT_WORDS[each.state].toLowerCase()}, {each.text}
          </li>
        ))}
      </ul>
    ),
  },
  {
    label: 'Hottest surface',
    cell: ({ report }) => {
      const surfaces = [
        ...(report.hottest ? [`resistor ${temperature(report.hottest.peakCaseCelsius)}`] : []),
        ...(report.hottestLed !== null ? [`LED body ${temperature(report.hottestLed)}`] : []),
      ];
      return surfaces.length > 0 ? `${surfaces.join(', ')}, estimate` : 'nothing gets hot, estimate';
    },
  },
  {
    label: 'Lamps left filament',
    cell: ({ report }) => (report.unconverted === 0 ? 'none' : report.unconverted),
  },
  {
    label: 'Saved while lit',
    cell: ({ report }) =>
      report.savedWatts >= 0 ? watts(report.savedWatts) : `costs ${watts(-report.savedWatts)}`,
  },
  { label: 'Hazard draws', turnsOnly: true, cell: ({ report }) => amps(report.litAmps) },
  {
    label: 'Way back',
    cell: ({ report }) => (report.reversible ? 'plug the old part in' : 'joints to undo'),
  },
  { label: 'Opened for it', cell: ({ report }) => report.access || 'nothing' },
  { label: 'Needs', cell: ({ report }) => inARow(report.needs) || 'nothing else' },
  { label: 'Parts', cell: ({ report }) => inARow(report.parts) || 'none' },
  {
    label: 'By your weights',
    cell: ({ score, dominatedBy }) => {
      const beaten = dominatedBy ? `; ${dominatedBy} is as good in all and better in some` : '';
      return `${score === null ? 'not weighed, since it does not hold' : `${Math.round(100 * score)} of 100`}${beaten}`;
    },
  },
];

function situation(report: CureReport, ids: readonly string[]): React.ReactNode {
  const found = report.situations.filter((each) => ids.includes(each.id));
  return found.length === 0 ? '' : marked(found.map((each) => [each.state, `${each.name}: ${each.text}`]));
}

/** The worst of some cases as its mark; what each is, for whoever rests the pointer there. */
function marked(cases: readonly (readonly [state: VerdictState, what: string])[]): React.ReactNode {
  const title = cases.map(([state, what]) => `${what}, ${VERDICT_WORDS[state].toLowerCase()}`).join('; ');
  return (
    <span title={title}>
      <Mark state={worstState(cases.map(([state]) => state))} label />
    </span>
  );
}
