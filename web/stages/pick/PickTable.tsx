import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { pickListCsv } from '../../../core/formats/pickListCsv.ts';
import { heldOf, putBackPieces, releasePieces, reserveLines } from '../../../core/inventory/jobPieces.ts';
import type { PickLine } from '../../../core/inventory/pickLine.ts';
import type { PickList } from '../../../core/inventory/picklist.ts';
import { useDesk } from '../../job/workspace.ts';
import { writing } from '../../store/writing.ts';
import { price } from '../../ui/money.ts';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { DataTable } from '../../ui/table/DataTable.tsx';
import type { TableColumn } from '../../ui/table/tableColumn.ts';
import classes from './Pick.module.css';

/** The pick list: what to take, what of it is there, what to buy and in which packs; pieces are put aside for the job here. */
export function PickTable({ list }: { list: PickList }) {
  const { job, edit } = useDesk();
  const held = useMemo(() => heldOf(job), [job]);
  const aside = [...held.values()].reduce((sum, { reserved }) => sum + reserved, 0);
  const fitted = [...held.values()].reduce((sum, each) => sum + each.fitted, 0);
  const columns = useMemo(
    (): TableColumn<PickLine>[] => [
      {
        id: 'code',
        header: 'Code',
        value: ({ code }) => code || null,
        cell: ({ code }) => <b>{code}</b>,
        width: '92px',
        fixed: true,
      },
      {
        id: 'part',
        header: 'Part',
        value: ({ what }) => what,
        cell: ({ what, why }) => (
          <>
            {what}
            <span className={classes.why}>for {why}</span>
          </>
        ),
        width: 'minmax(150px, 1fr)',
        fixed: true,
      },
      { id: 'take', header: 'Take', value: ({ quantity }) => quantity, figure: true, width: '42px' },
      { id: 'there', header: 'On shelf', value: ({ onShelf }) => onShelf, figure: true, width: '66px' },
      {
        id: 'aside',
        header: 'Put aside',
        value: ({ partId }) => (partId ? (held.get(partId)?.reserved ?? 0) : null),
        cell: ({ partId }) => {
          const mine = partId ? held.get(partId) : undefined;
          if (!mine) return '';
          return mine.fitted > 0 ? `${mine.reserved}, ${mine.fitted} fitted` : mine.reserved;
        },
        figure: true,
        width: '80px',
      },
      {
        id: 'buy',
        header: 'Buy',
        value: ({ toBuy }) => toBuy,
        cell: ({ toBuy, packs, spare }) =>
          toBuy === 0 ? (
            '0'
          ) : (
            <>
              <b>{toBuy}</b>
              {packs && (
                <span className={classes.why}>
                  {packs.count} × {packs.of}
                  {spare > 0 && `, ${spare} over`}
                </span>
              )}
            </>
          ),
        figure: true,
        width: '84px',
      },
      {
        id: 'each',
        header: 'Each',
        value: ({ unitPrice }) => unitPrice,
        cell: ({ unitPrice }) => price(unitPrice),
        figure: true,
        width: '56px',
        further: true,
      },
      {
        id: 'total',
        header: 'As used',
        value: ({ total }) => total,
        cell: ({ total }) => price(total),
        figure: true,
        width: '60px',
      },
      {
        id: 'pay',
        header: 'To pay',
        value: ({ boughtTotal }) => boughtTotal,
        cell: ({ boughtTotal }) => price(boughtTotal),
        figure: true,
        width: '60px',
      },
      {
        id: 'seller',
        header: 'Seller, order code',
        value: ({ seller, orderCode }) => [seller, orderCode].filter(Boolean).join(', ') || null,
        width: 'minmax(90px, 0.6fr)',
        further: true,
      },
    ],
    [held],
  );
  const shown = held.size > 0 ? columns : columns.filter(({ id }) => id !== 'aside');
  const reserve = (lines: readonly PickLine[]) =>
    edit('Put aside for this job', (draft) => void reserveLines(draft, lines, writing()));
  const release = (lines: readonly PickLine[]) =>
    edit('No longer put aside', (draft) =>
      releasePieces(draft, writing(), new Set(lines.flatMap(({ partId }) => partId ?? []))),
    );
  return (
    <>
      <DataTable
        id="pick"
        label="Parts to pick"
        rows={list.lines}
        columns={shown}
        rowId={({ key }) => key}
        rowName={({ code, what }) => code || what}
        empty={list.lines.length === 0 ? 'No parts yet.' : 'No line is called that.'}
        actions={(ticked, clear) => (
          <>
            <Button
              size="sm"
              onClick={() => {
                reserve(ticked.length > 0 ? ticked : list.lines);
                clear();
              }}
            >
              {ticked.length > 0 ? 'Put these aside' : 'Put all aside'}
            </Button>
            {aside > 0 && (
              <Button
                size="sm"
                variant="default"
                onClick={() => {
                  release(ticked.length > 0 ? ticked : list.lines);
                  clear();
                }}
              >
                {ticked.length > 0 ? 'Free these' : 'Free all'}
              </Button>
            )}
            <Button
              size="sm"
              variant="default"
              onClick={() =>
                saveTextFile(`${job.id}-pick-list.csv`, pickListCsv(list), 'text/csv;charset=utf-8')
              }
            >
              Save as CSV
            </Button>
          </>
        )}
      />
      {aside + fitted > 0 && (
        <p className={classes.held}>
          This job holds {aside} pieces put aside and {fitted} fitted; each act is taken back by undo.{' '}
          <Button
            size="xs"
            variant="default"
            onClick={() => edit('Put back to stock', (draft) => putBackPieces(draft, writing()))}
          >
            Put back: all pieces to the shelf
          </Button>
        </p>
      )}
    </>
  );
}
