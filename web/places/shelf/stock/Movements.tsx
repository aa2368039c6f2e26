import { Button } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { movementsCsv } from '../../../../core/formats/movementsCsv.ts';
import { type Movement, withdrawnIds } from '../../../../core/inventory/stock.ts';
import type { Part } from '../../../../core/model/part.ts';
import { jobSummaries } from '../../../store/jobSummaries.ts';
import { shelfId } from '../../../store/shelfId.ts';
import { movements, withdraw } from '../../../store/stock.ts';
import { shortMoment } from '../../../ui/dates.ts';
import { offerUndo } from '../../../ui/offerUndo.tsx';
import { saveTextFile } from '../../../ui/saveTextFile.ts';
import { DataTable } from '../../../ui/table/DataTable.tsx';
import type { TableColumn } from '../../../ui/table/tableColumn.ts';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import { ImportMovements } from './ImportMovements.tsx';

const WORDS: Record<Movement['kind'], string> = {
  bought: 'bought',
  counted: 'counted',
  'sent-back': 'sent back',
  scrapped: 'scrapped',
  reserved: 'put aside',
  released: 'free again',
  fitted: 'fitted',
  returned: 'returned to the shelf',
  withdrawn: 'taken back',
};

/** Everything that came and went, each with its id: two devices' stock can be joined by them. */
export default function Movements({ parts }: { parts: readonly Part[] }) {
  const all = useLiveQuery(() => movements(), []);
  const jobs = useLiveQuery(() => jobSummaries(Date.now()), []);
  const titles = useMemo(() => new Map(jobs?.jobs.map(({ id, title }) => [id, title])), [jobs]);
  const codes = useMemo(() => new Map(parts.map(({ id, code }) => [id, code])), [parts]);
  const withdrawn = useMemo(() => withdrawnIds(all ?? []), [all]);
  const columns = useMemo(
    (): TableColumn<Movement>[] => [
      {
        id: 'at',
        header: 'When',
        value: ({ at }) => at,
        cell: ({ at }) => shortMoment(at),
        width: '128px',
        fixed: true,
      },
      {
        id: 'part',
        header: 'Part',
        value: ({ partId }) => codes.get(partId) ?? partId,
        width: 'minmax(90px, 1.2fr)',
        fixed: true,
      },
      {
        id: 'kind',
        header: 'What',
        value: ({ kind }) => WORDS[kind],
        cell: ({ kind, id }) => (withdrawn.has(id) ? <s>{WORDS[kind]}</s> : WORDS[kind]),
        width: 'minmax(0, 1.2fr)',
      },
      { id: 'pieces', header: 'Pieces', value: ({ pieces }) => pieces, figure: true, width: '64px' },
      { id: 'batch', header: 'Order or batch', value: ({ batch }) => batch ?? null, width: 'minmax(0, 1fr)' },
      {
        id: 'where',
        header: 'Job, place',
        value: (each) =>
          'jobId' in each
            ? [titles.get(each.jobId) ?? each.jobId, each.place].filter(Boolean).join(', ')
            : 'note' in each
              ? (each.note ?? null)
              : null,
        width: 'minmax(0, 2fr)',
      },
    ],
    [codes, titles, withdrawn],
  );
  if (!all) return null;
  const rows = all.toSorted((a, b) => (a.at < b.at ? 1 : -1));
  return (
    <DataTable
      id="movements"
      label="Movements of stock"
      actsWidth="100px"
      rows={rows}
      columns={columns}
      rowId={({ id }) => id}
      rowName={({ partId, kind }) => `${codes.get(partId) ?? partId} ${WORDS[kind]}`}
      empty={rows.length === 0 ? 'Nothing came or went yet.' : 'Nothing is called that.'}
      acts={(each) =>
        'jobId' in each || each.kind === 'withdrawn' || withdrawn.has(each.id) ? null : (
          <Button
            size="xs"
            variant="subtle"
            aria-label={`Take back: ${WORDS[each.kind]} ${each.pieces} ${codes.get(each.partId) ?? each.partId}`}
            onClick={() =>
              withdraw([each.id])
                .then((ids) => offerUndo('Taken back', async () => void (await withdraw(ids))))
                .catch(tellTrouble)
            }
          >
            Take back
          </Button>
        )
      }
      actions={(ticked) => (
        <>
          <ImportMovements parts={parts} />
          <Button
            size="sm"
            variant="default"
            onClick={() =>
              saveTextFile(
                'vumble-movements.csv',
                movementsCsv(ticked.length > 0 ? ticked : rows, shelfId()),
                'text/csv;charset=utf-8',
              )
            }
          >
            {ticked.length > 0 ? 'Save these as CSV' : 'Save as CSV'}
          </Button>
        </>
      )}
    />
  );
}
