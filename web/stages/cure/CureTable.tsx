import { Button, Slider } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useMemo, useState } from 'react';
import type { CureReport, WarningKept } from '../../../core/cures/compare/evaluate.ts';
import {
  bestInWords,
  CRITERIA,
  CRITERION_WORDS,
  DEFAULT_WEIGHTS,
  type RankedCure,
  rankCures,
  type Weights,
} from '../../../core/cures/compare/rank.ts';
import { circuitScope, turnScope } from '../../../core/cures/compare/scope.ts';
import { withCure } from '../../../core/cures/compare/withCure.ts';
import { amps, inARow, volts, watts } from '../../../core/formatting/format.ts';
import { VERDICT_WORDS } from '../../../core/judge/states.ts';
import type { CircuitVerdict } from '../../../core/judge/verdict.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { price } from '../../ui/money.ts';
import { VerdictBadge } from '../../ui/VerdictBadge.tsx';
import classes from './CureTable.module.css';
import { isInForce } from './cureInForce.ts';

const WARNING_WORDS: Record<WarningKept, string> = { kept: 'kept', partly: 'partly', lost: 'lost' };

interface CureTableProps {
  reports: readonly CureReport[] | undefined;
  error: Error | null;
  busy: boolean;
  /** one steady circuit; the turn circuits where left out */
  circuit?: Circuit;
  /** as it is without a cure */
  verdict?: CircuitVerdict;
}

/** The cures of some circuits side by side: cures as columns, what matters as rows; best by the user's own weights. */
export function CureTable({ reports, error, busy, circuit, verdict }: CureTableProps) {
  const { job, edit, setConfiguration } = useDesk();
  const [weights, setWeights] = useLocalStorage<Weights>({
    key: 'vumble-cure-weights',
    defaultValue: DEFAULT_WEIGHTS,
  });
  const ranked = useMemo(
    () => rankCures(reports ?? [], { ...DEFAULT_WEIGHTS, ...weights }),
    [reports, weights],
  );
  const [all, setAll] = useState(false);
  const scope = useMemo(
    () => (circuit ? circuitScope(circuit) : turnScope(job.vehicle)),
    [circuit, job.vehicle],
  );
  if (error)
    return (
      <p role="alert">The cures could not be tried: {error.message} Change the choice of LED, or reload.</p>
    );
  if (!reports) return <p className="faint">Trying every cure on this vehicle.</p>;
  const everyone = ranked.filter(({ report }) => report.state !== null);
  const failing = everyone.filter(
    ({ report }) => !worthAColumn(report) && !isInForce(job, report.option, scope),
  );
  const tried = all ? everyone : everyone.filter((each) => !failing.includes(each));
  const refused = ranked.filter(({ report }) => report.state === null);
  const choose = ({ option }: CureReport) => {
    const { change } = option;
    if (!change) return;
    edit(option.name, (draft) => {
      // Of the job as it is now, not as it was when this was worked out.
      const { chosen, cures, vehicleCures } = withCure(draft, change, scope);
      draft.chosen = chosen;
      draft.cures = cures;
      draft.vehicleCures = vehicleCures;
    });
    setConfiguration(option.kinds.includes('nothing') ? 'leds' : 'cured');
  };
  return (
    <Card
      title={
        circuit
          ? `Every cure of ${circuit.name.toLowerCase()} tried`
          : 'Every cure tried on this vehicle, side by side'
      }
      {...(verdict ? { aside: <VerdictBadge state={verdict.state} /> } : {})}
    >
      {verdict && <p className="faint">Without a cure: {verdict.reason}</p>}
      <p className={classes.best}>{bestInWords(ranked)}</p>
      <div className={classes.scroll} aria-busy={busy}>
        <table className={classes.table}>
          <thead>
            <tr>
              <th>
                <span className="visually-hidden">What matters</span>
              </th>
              {tried.map((each) => (
                <th
                  key={each.report.option.id}
                  scope="col"
                  data-in-force={isInForce(job, each.report.option, scope)}
                >
                  {each.report.option.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ROWS.filter((row) => !circuit || !row.turnsOnly).map((row) => (
              <tr key={row.label}>
                <th scope="row">{row.label}</th>
                {tried.map((each) => (
                  <td key={each.report.option.id} data-in-force={isInForce(job, each.report.option, scope)}>
                    {row.cell(each)}
                  </td>
                ))}
              </tr>
            ))}
            <tr>
              <th scope="row">
                <span className="visually-hidden">Choose</span>
              </th>
              {tried.map(({ report }) => {
                const inForce = isInForce(job, report.option, scope);
                return (
                  <td key={report.option.id} data-in-force={inForce}>
                    <Button
                      size="xs"
                      variant={inForce ? 'filled' : 'default'}
                      aria-label={`${inForce ? 'Chosen' : 'Choose'} ${report.option.name}${circuit ? ` for ${circuit.name}` : ''}`}
                      onClick={() => choose(report)}
                    >
                      {inForce ? 'Chosen' : 'Choose'}
                    </Button>
                  </td>
                );
              })}
            </tr>
          </tbody>
        </table>
      </div>
      {failing.length > 0 && (
        <Button size="xs" variant="subtle" onClick={() => setAll(!all)} aria-expanded={all}>
          {all ? 'Leave out what will not do' : `Show ${failing.length} more that will not do`}
        </Button>
      )}
      {refused.length > 0 && (
        <ul className={classes.refused}>
          {refused.map(({ report }) => (
            <li key={report.option.id}>
              <b>{report.option.name}</b>, out of the question: {report.reason}
            </li>
          ))}
        </ul>
      )}
      {!circuit && (
        <details className={classes.weights}>
          <summary>What matters to you</summary>
          <div>
            {CRITERIA.map((criterion) => (
              <div key={criterion}>
                <span>{CRITERION_WORDS[criterion]}</span>
                <Slider
                  min={0}
                  max={10}
                  step={1}
                  label={null}
                  thumbLabel={CRITERION_WORDS[criterion]}
                  value={weights[criterion] ?? DEFAULT_WEIGHTS[criterion]}
                  onChange={(value) =>
                    setWeights((now) => ({ ...DEFAULT_WEIGHTS, ...now, [criterion]: value }))
                  }
                />
              </div>
            ))}
            <Button size="xs" variant="default" onClick={() => setWeights(DEFAULT_WEIGHTS)}>
              As the trade mostly weighs
            </Button>
          </div>
        </details>
      )}
      <p className="faint">
        Tried on the simulated circuit at every working point, with lights and brake where those bear on it,
        hazard and a cold start included. Times are common practice, prices the shop’s over the LEDs alone;
        temperatures from a two-node estimate, hardest use at 40 °C.
      </p>
    </Card>
  );
}

/** What holds or may hold, and doing nothing, to measure the others by. */
function worthAColumn({ state, option }: CureReport): boolean {
  return state === 'holds' || state === 'either-way' || option.kinds.includes('nothing');
}

const ROWS: readonly { label: string; turnsOnly?: boolean; cell(each: RankedCure): React.ReactNode }[] = [
  {
    label: 'On this vehicle',
    cell: ({ report }) => (
      <>
        {report.state && <VerdictBadge state={report.state} />}
        <details className={classes.why}>
          <summary>Why</summary>
          {report.reason} {report.cautions.join(' ')}
        </details>
      </>
    ),
  },
  {
    label: 'At each supply',
    cell: ({ report }) => (
      <ul className={classes.points}>
        {report.points.map((point) => (
          <li key={point.volts} data-state={point.state}>
            {volts(point.volts)} {VERDICT_WORDS[point.state].toLowerCase()}
          </li>
        ))}
      </ul>
    ),
  },
  {
    label: 'In the cases that break',
    turnsOnly: true,
    cell: ({ report }) => (
      <ul className={classes.points}>
        {report.situations.map((situation) => (
          <li key={situation.id} data-state={situation.state} title={situation.text}>
            {situation.name}: {VERDICT_WORDS[situation.state].toLowerCase()}
          </li>
        ))}
      </ul>
    ),
  },
  { label: 'Failure warning', cell: ({ report }) => WARNING_WORDS[report.warning] },
  {
    label: 'Heat while lit',
    cell: ({ report }) => (report.heatWatts > 0.5 ? watts(report.heatWatts) : 'none'),
  },
  {
    label: 'Hottest surface',
    cell: ({ report }) => {
      const surfaces = [
        ...(report.hottest ? [`resistor ${Math.round(report.hottest.peakCaseCelsius)} °C`] : []),
        ...(report.hottestLed !== null ? [`LED body ${Math.round(report.hottestLed)} °C`] : []),
      ];
      return surfaces.length > 0 ? `${surfaces.join(', ')}, estimate` : '';
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
  { label: 'Joints in the loom', cell: ({ report }) => (report.cuts === 0 ? 'none' : report.cuts) },
  {
    label: 'Way back',
    cell: ({ report }) => (report.reversible ? 'plug the old part in' : 'joints to undo'),
  },
  { label: 'Opened for it', cell: ({ report }) => report.access },
  { label: 'Needs', cell: ({ report }) => inARow(report.needs) || 'nothing else' },
  { label: 'Parts', cell: ({ report }) => inARow(report.parts) || 'none' },
  {
    label: 'Time',
    cell: ({ report }) =>
      report.minutes[1] === 0 ? 'none' : `${report.minutes[0]} to ${report.minutes[1]} min`,
  },
  {
    label: 'Price',
    cell: ({ report }) =>
      `${price(Math.round(report.price * 100) / 100)}${report.unpriced > 0 ? ' and parts to buy' : ''}`,
  },
  {
    label: 'By your weights',
    cell: ({ score, dominatedBy }) => (
      <>
        {score === null ? '' : `${Math.round(100 * score)} of 100`}
        {dominatedBy && <div className="faint">{dominatedBy} is as good in all and better in some</div>}
      </>
    ),
  },
];
