import { Button } from '@mantine/core';
import { Fragment, useState } from 'react';
import type { CureReport } from '../../../core/cures/compare/evaluate.ts';
import { isInForce } from '../../../core/cures/compare/inForce.ts';
import { CRITERIA, CRITERION_WORDS, type RankedCure } from '../../../core/cures/compare/rank.ts';
import type { CureScope } from '../../../core/cures/compare/scope.ts';
import { temperature } from '../../../core/formatting/units.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { Weighing } from '../../ui/Weighing.tsx';
import classes from './CureTable.module.css';
import { CURE_COLUMNS, CURE_FACTS, type CureFact } from './cureColumns.tsx';
import type { Ranking } from './useRanking.ts';
import { useTakeCure } from './useTakeCure.ts';

interface CureTableProps {
  ranking: Ranking;
  scope: CureScope;
  busy: boolean;
}

/** The cures of some circuits side by side, best by the user's own weights first; each opens to all that is known of it. */
export function CureTable({ ranking, scope, busy }: CureTableProps) {
  const { job } = useDesk();
  const [all, setAll] = useState(false);
  const [opened, setOpened] = useState<string | null>(null);
  const take = useTakeCure(scope);
  const { ranked } = ranking;
  const everyone = ranked.filter(({ report }) => report.state !== null);
  const failing = everyone.filter(
    ({ report }) => !worthARow(report) && !isInForce(job, report.option, scope),
  );
  const shown = all ? everyone : everyone.filter((each) => !failing.includes(each));
  const refused = ranked.filter(({ report }) => report.state === null);
  const said = ({ turnsOnly }: CureFact) => scope.turning || !turnsOnly;
  const columns = CURE_COLUMNS.filter(said);
  const [first] = scope.circuits;
  const where = scope.turning || !first ? '' : ` for ${first.name}`;
  return (
    <Card
      title={
        scope.turning
          ? 'Every cure tried on this vehicle'
          : `Every cure of ${first?.name.toLowerCase()} tried`
      }
    >
      <table className={classes.table} aria-busy={busy}>
        <thead>
          <tr>
            <th>Cure</th>
            {columns.map((column) => (
              <th key={column.label}>{column.label}</th>
            ))}
            <th>
              <span className="visually-hidden">Choose</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((each) => {
            const { option, state } = each.report;
            const inForce = isInForce(job, option, scope);
            const open = opened === option.id;
            return (
              <Fragment key={option.id}>
                <tr data-in-force={inForce}>
                  <th scope="row">
                    <button
                      type="button"
                      aria-expanded={open}
                      onClick={() => setOpened(open ? null : option.id)}
                    >
                      {state && <Mark state={state} label />} {option.name}
                    </button>
                  </th>
                  {columns.map((column) => (
                    <td key={column.label} data-label={column.label}>
                      {column.cell(each)}
                    </td>
                  ))}
                  <td className={classes.pick}>
                    <Button
                      size="compact-sm"
                      variant={inForce ? 'filled' : 'default'}
                      aria-label={`${inForce ? 'Chosen' : 'Choose'} ${option.name}${where}`}
                      onClick={() => take(each.report)}
                    >
                      {inForce ? 'Chosen' : 'Choose'}
                    </Button>
                  </td>
                </tr>
                {open && (
                  <tr className={classes.facts}>
                    <td colSpan={columns.length + 2}>
                      <Facts of={each} facts={CURE_FACTS.filter(said)} />
                    </td>
                  </tr>
                )}
              </Fragment>
            );
          })}
        </tbody>
      </table>
      <div className={classes.more}>
        {failing.length > 0 && (
          <Button size="compact-sm" variant="subtle" onClick={() => setAll(!all)} aria-expanded={all}>
            {all ? 'Leave out what will not do' : `Show ${failing.length} more that will not do`}
          </Button>
        )}
        {refused.length > 0 && (
          <details className={classes.fold}>
            <summary>{refused.length} out of the question</summary>
            <ul className={classes.refused}>
              {refused.map(({ report }) => (
                <li key={report.option.id}>
                  <b>{report.option.name}</b>, out of the question: {report.reason}
                </li>
              ))}
            </ul>
          </details>
        )}
        {scope.turning && (
          <Weighing
            criteria={CRITERIA}
            words={CRITERION_WORDS}
            weights={ranking.weights}
            weigh={ranking.weigh}
            reset={ranking.reset}
            resetWords="As the trade mostly weighs"
          />
        )}
        <details className={classes.fold}>
          <summary>How it was tried</summary>
          <p className="faint">
            On the simulated circuit at every working point, with lights and brake where those bear on it,
            hazard and a cold start included. Times are common practice, prices the shop’s over the LEDs
            alone; temperatures from a two-node estimate, hardest use at {temperature(40)}.
          </p>
        </details>
      </div>
    </Card>
  );
}

function Facts({ of, facts }: { of: RankedCure; facts: readonly CureFact[] }) {
  return (
    <dl className={classes.list}>
      {facts.map((fact) => (
        <div key={fact.label}>
          <dt>{fact.label}</dt>
          <dd>{fact.cell(of)}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What holds or may hold, and doing nothing, to measure the others by. */
function worthARow({ state, option }: CureReport): boolean {
  return state === 'holds' || state === 'either-way' || option.kinds.includes('nothing');
}
