import { Button } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { pickListCsv } from '../../../../core/formats/pickListCsv.ts';
import type { ShoppingLine } from '../../../../core/inventory/shoppingList.ts';
import type { Job } from '../../../../core/model/job.ts';
import type { Part } from '../../../../core/model/part.ts';
import { db } from '../../../store/db.ts';
import { price, taxed } from '../../../ui/money.ts';
import { saveTextFile } from '../../../ui/saveTextFile.ts';
import { DataTable } from '../../../ui/table/DataTable.tsx';
import type { TableColumn } from '../../../ui/table/tableColumn.ts';
import { useShoppingList } from '../../../workers/usePicking.ts';
import { BookIn } from './BookIn.tsx';

const COLUMNS: readonly TableColumn<ShoppingLine>[] = [
  {
    id: 'code',
    header: 'Code',
    value: ({ code }) => code || null,
    cell: ({ code }) => <b>{code}</b>,
    width: 'minmax(80px, 0.8fr)',
    fixed: true,
  },
  { id: 'part', header: 'Part', value: ({ what }) => what, width: 'minmax(0, 2.4fr)', fixed: true },
  {
    id: 'jobs',
    header: 'For',
    value: ({ why }) => why,
    cell: ({ jobs }) =>
      jobs.map(({ id, title, pieces }, at) => (
        <span key={id}>
          {at > 0 && ', '}
          <Link to={`/jobs/${id}/pick`}>{title}</Link> {pieces}
        </span>
      )),
    width: 'minmax(0, 2.4fr)',
  },
  { id: 'wanted', header: 'Wanted', value: ({ quantity }) => quantity, figure: true, width: '66px' },
  { id: 'there', header: 'On shelf', value: ({ onShelf }) => onShelf, figure: true, width: '66px' },
  {
    id: 'buy',
    header: 'Buy',
    value: ({ toBuy }) => toBuy,
    cell: ({ toBuy }) => <b>{toBuy}</b>,
    figure: true,
    width: '50px',
  },
  {
    id: 'packs',
    header: 'Packs',
    value: ({ packs }) => packs?.count ?? null,
    cell: ({ packs, spare }) =>
      packs ? `${packs.count} × ${packs.of}${spare > 0 ? `, ${spare} over` : ''}` : '',
    figure: true,
    width: '104px',
  },
  {
    id: 'pay',
    header: 'To pay',
    value: ({ boughtTotal }) => boughtTotal,
    cell: ({ boughtTotal }) => price(boughtTotal),
    figure: true,
    width: '76px',
  },
  {
    id: 'seller',
    header: 'Seller, order code',
    value: ({ seller, orderCode }) => [seller, orderCode].filter(Boolean).join(', ') || null,
    width: 'minmax(0, 1fr)',
  },
];

/** The search word of one fleet alone: the job its vehicles were begun like. */
const FLEET = 'fleet';

/** What all open jobs together still need, or those of one fleet, less what lies on the shelf. */
export default function Shopping({ parts }: { parts: readonly Part[] }) {
  const [search, setSearch] = useSearchParams();
  const fleetId = search.get(FLEET);
  const loaded = useLiveQuery(async () => {
    const rows = await db.jobs.where('deleted').equals(0).toArray();
    const jobs = rows.map(({ job }) => job);
    const mine = ({ id, like }: Job) => fleetId === null || id === fleetId || like?.jobId === fleetId;
    return {
      jobs: jobs.filter((job) => job.handOver.filedAt === null && mine(job)),
      of: jobs.find(({ id }) => id === fleetId)?.title ?? null,
    };
  }, [fleetId]);
  const jobs = loaded?.jobs;
  const { data, error } = useShoppingList(jobs, parts);
  const lines = useMemo(() => data?.lines ?? [], [data]);
  if (error) return <p role="alert">The list could not be worked out: {error.message}</p>;
  if (!data) return <p className="faint">Adding up what the open jobs need.</p>;
  const paid = lines.reduce((sum, line) => sum + (line.boughtTotal ?? 0), 0);
  const unpriced = lines.filter(({ boughtTotal }) => boughtTotal === null).length;
  const everything = () =>
    setSearch((now) => {
      now.delete(FLEET);
      return now;
    });
  return (
    <>
      {fleetId !== null && (
        <p role="status">
          Only for {loaded?.of ?? 'this job'} and the vehicles like it; pieces on the shelf count for them
          alone.{' '}
          <Button size="xs" variant="default" onClick={everything}>
            All open jobs
          </Button>
        </p>
      )}
      {data.leftOut.length > 0 && (
        <p role="status">
          Not counted, since a part they name is gone: {data.leftOut.join(', ')}. Open them to mend that.
        </p>
      )}
      <DataTable
        id="shopping"
        label={fleetId === null ? 'Shopping list of all open jobs' : 'Shopping list of the fleet'}
        rows={lines}
        columns={COLUMNS}
        rowId={({ key }) => key}
        rowName={({ code, what }) => code || what}
        empty={lines.length === 0 ? 'Nothing has to be bought for these jobs.' : 'No line is called that.'}
        actions={(ticked) => (
          <>
            <BookIn parts={parts} />
            <Button
              size="sm"
              variant="default"
              disabled={lines.length === 0}
              onClick={() =>
                saveTextFile(
                  'vumble-shopping-list.csv',
                  pickListCsv({ lines: ticked.length > 0 ? ticked : lines }),
                  'text/csv;charset=utf-8',
                )
              }
            >
              {ticked.length > 0 ? 'Save these as CSV' : 'Save as CSV'}
            </Button>
          </>
        )}
        footer={
          <tr>
            <td>
              To pay <b>{price(paid)}</b>
              {taxed(paid)}
              {unpriced > 0 && `, ${unpriced} lines without a price`}
            </td>
          </tr>
        }
      />
    </>
  );
}
