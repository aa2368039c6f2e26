import { Button, SegmentedControl } from '@mantine/core';
import { useMemo, useState } from 'react';
import { ledgerCsv } from '../../../../core/formats/ledgerCsv.ts';
import { volts, watts } from '../../../../core/formatting/format.ts';
import { type LedgerRow, type LedgerSum, sumOf } from '../../../../core/ledger/ledger.ts';
import { savedWords } from '../../../../core/ledger/words.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { saveTextFile } from '../../../ui/saveTextFile.ts';
import { DataTable } from '../../../ui/table/DataTable.tsx';
import type { TableColumn } from '../../../ui/table/tableColumn.ts';
import { useLedger } from '../../../workers/usePicking.ts';
import { BatteryCard } from './BatteryCard.tsx';
import { FusesCard } from './FusesCard.tsx';
import classes from './Ledger.module.css';
import { MoneyCard } from './MoneyCard.tsx';
import { UsesCard } from './UsesCard.tsx';

const figure = (value: number | null) => (value === null ? 'not printed' : watts(value));

const COLUMNS: readonly TableColumn<LedgerRow>[] = [
  { id: 'lamp', header: 'Lamp', value: ({ name }) => name, width: 'minmax(0, 1.6fr)', fixed: true },
  { id: 'does', header: 'Function', value: ({ does }) => does, width: 'minmax(0, 1.2fr)' },
  {
    id: 'stock-rated',
    header: 'Stock, rated',
    value: ({ stockRated }) => stockRated,
    cell: ({ stockRated }) => figure(stockRated),
    figure: true,
    width: '92px',
  },
  {
    id: 'stock',
    header: 'Stock, computed',
    value: ({ stockWatts }) => stockWatts,
    cell: ({ stockWatts }) => watts(stockWatts),
    figure: true,
    width: '92px',
  },
  {
    id: 'planned-rated',
    header: 'Planned, rated',
    value: ({ plannedRated }) => plannedRated,
    cell: ({ plannedRated }) => figure(plannedRated),
    figure: true,
    width: '92px',
  },
  {
    id: 'planned',
    header: 'Planned, computed',
    value: ({ plannedWatts }) => plannedWatts,
    cell: ({ plannedWatts }) => watts(plannedWatts),
    figure: true,
    width: '92px',
  },
  {
    id: 'resistors',
    header: 'Resistors',
    value: ({ resistorWatts }) => resistorWatts,
    cell: ({ resistorWatts }) => (resistorWatts >= 0.05 ? watts(resistorWatts) : '0 W'),
    figure: true,
    width: '84px',
  },
  {
    id: 'ratio',
    header: 'Ratio',
    value: (row) => sumOf([row]).ratio,
    cell: (row) => ratioWords(sumOf([row])),
    figure: true,
    width: '66px',
  },
];

function ratioWords({ ratio, stockWatts }: LedgerSum): string {
  return ratio === null || stockWatts < 0.01 ? 'none' : `${ratio.toFixed(1)} : 1`;
}

/** Watts per lamp and function, energy in use, fuses, the battery of the work and the money: each line can be checked by hand. */
export default function LedgerView() {
  const { job, shelf } = useDesk();
  const { data: ledger, error } = useLedger(job, shelf);
  const [which, setWhich] = useState<'scope' | 'vehicle'>('scope');
  const rows = useMemo(
    () => (ledger?.rows ?? []).filter(({ inScope }) => which === 'vehicle' || inScope),
    [ledger, which],
  );
  if (error) return <p role="alert">The ledger could not be worked out: {error.message}</p>;
  if (!ledger) return <p className="faint">Working out what each lamp takes.</p>;
  const sum = sumOf(rows);
  const after = sum.plannedWatts + sum.resistorWatts;
  return (
    <div className={classes.ledger}>
      <Card
        title={`Watts, computed at ${volts(ledger.volts)} with the lamp lit`}
        aside={
          <SegmentedControl
            size="xs"
            value={which}
            onChange={(next) => setWhich(next as 'scope')}
            data={[
              { value: 'scope', label: 'Converted' },
              { value: 'vehicle', label: 'Whole vehicle' },
            ]}
          />
        }
      >
        <dl className={classes.sums}>
          <div>
            <dt>Stock bulbs</dt>
            <dd>{watts(sum.stockWatts)}</dd>
          </div>
          <div>
            <dt>As planned</dt>
            <dd>{watts(sum.plannedWatts)}</dd>
          </div>
          <div>
            <dt>Resistors give back as heat</dt>
            <dd>{watts(sum.resistorWatts)}</dd>
          </div>
          <div>
            <dt>Together</dt>
            <dd>
              {savedWords(sum.stockWatts, after)}, {ratioWords(sum)}
            </dd>
          </div>
        </dl>
        <DataTable
          id="ledger"
          label="Watts per lamp and function"
          rows={rows}
          columns={COLUMNS}
          rowId={({ lampId, circuitId, level, does }) => `${circuitId} ${lampId} ${level} ${does}`}
          rowName={({ name, does }) => `${name}, ${does}`}
          empty="No lamp is called that."
          footer={
            <tr>
              <td>
                Sum of the lines: stock <b>{watts(sum.stockWatts)}</b>, planned{' '}
                <b>{watts(sum.plannedWatts)}</b>, resistors <b>{watts(sum.resistorWatts)}</b>
              </td>
            </tr>
          }
        />
        <Button
          size="xs"
          variant="default"
          onClick={() => saveTextFile(`${job.id}-ledger.csv`, ledgerCsv(rows), 'text/csv;charset=utf-8')}
        >
          Save as CSV
        </Button>
      </Card>
      <div className={classes.cards}>
        <UsesCard uses={ledger.uses} />
        <FusesCard fuses={ledger.fuses} />
        <BatteryCard battery={ledger.battery} />
        <MoneyCard money={ledger.money} />
      </div>
    </div>
  );
}
