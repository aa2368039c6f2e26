import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { shelfCsv } from '../../../core/formats/shelfCsv.ts';
import { type PartStock, reservedPieces } from '../../../core/inventory/stock.ts';
import type { KitPart, Part } from '../../../core/model/part.ts';
import { usePartRecords } from '../../job/useLog.ts';
import { price } from '../../ui/money.ts';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { DataTable } from '../../ui/table/DataTable.tsx';
import type { TableColumn } from '../../ui/table/tableColumn.ts';
import { figures } from './figures.ts';

/** The parts of the shelf: what is printed on them, what there is of them, what is done with them. */
export function PartTable({
  parts,
  stock,
  change,
  remove,
  count,
  sheet,
}: {
  parts: readonly Part[];
  stock: ReadonlyMap<string, PartStock>;
  change(part: Part): void;
  remove(parts: readonly Part[]): void;
  /** pieces come or go */
  count(part: Part): void;
  /** the sheet of a kit is written */
  sheet(part: KitPart): void;
}) {
  const records = usePartRecords();
  const columns = useMemo(
    (): TableColumn<Part>[] => [
      {
        id: 'code',
        header: 'Code',
        value: ({ code }) => code,
        cell: ({ code }) => <b>{code}</b>,
        width: 'minmax(90px, 1fr)',
        fixed: true,
      },
      {
        id: 'part',
        header: 'Part',
        value: ({ name }) => name,
        cell: ({ id, name }) => (
          <>
            {name}
            {records.has(id) && <div className="faint">{records.get(id)}</div>}
          </>
        ),
        width: 'minmax(0, 2fr)',
        fixed: true,
      },
      {
        id: 'printed',
        header: 'Printed',
        value: (part) => figures(part) || null,
        cell: (part) => <span className="faint">{figures(part)}</span>,
        width: 'minmax(0, 2.6fr)',
      },
      {
        id: 'price',
        header: 'Price',
        value: (part) => part.price,
        cell: (part) => price(part.price),
        figure: true,
        width: '66px',
      },
      {
        id: 'pack',
        header: 'Pack',
        value: ({ pack }) => pack?.pieces ?? null,
        cell: ({ pack }) => (pack ? `${pack.pieces} for ${price(pack.price)}` : ''),
        figure: true,
        width: '92px',
      },
      { id: 'stock', header: 'On shelf', value: (part) => part.stock, figure: true, width: '64px' },
      {
        id: 'reserved',
        header: 'Put aside',
        value: ({ id }) => reservedPieces(stock.get(id)),
        cell: ({ id }) => reservedPieces(stock.get(id)) || '',
        figure: true,
        width: '66px',
      },
      {
        id: 'seller',
        header: 'Seller',
        value: ({ seller, orderCode }) => [seller, orderCode].filter(Boolean).join(', ') || null,
        width: 'minmax(90px, 0.7fr)',
        further: true,
      },
    ],
    [stock, records],
  );
  return (
    <DataTable
      id="shelf"
      label="Parts on the shelf"
      rows={parts}
      columns={columns}
      rowId={({ id }) => id}
      rowName={({ code }) => code}
      search={false}
      actsWidth="218px"
      empty="Nothing on the shelf is called that. Try part of the code, or a base."
      acts={(part) => (
        <>
          {part.kind === 'kit' && (
            <Button
              size="xs"
              variant="default"
              onClick={() => sheet(part)}
              aria-label={`Sheet of ${part.code}`}
            >
              Sheet
            </Button>
          )}{' '}
          <Button
            size="xs"
            variant="default"
            onClick={() => count(part)}
            aria-label={`Stock of ${part.code}`}
          >
            Stock
          </Button>{' '}
          <Button size="xs" variant="default" onClick={() => change(part)} aria-label={`Change ${part.code}`}>
            Change
          </Button>{' '}
          <Button
            size="xs"
            variant="subtle"
            onClick={() => remove([part])}
            aria-label={`Take off ${part.code}`}
          >
            Take off
          </Button>
        </>
      )}
      actions={(ticked, clear) =>
        ticked.length > 0 && (
          <>
            <Button
              size="sm"
              variant="default"
              onClick={() =>
                saveTextFile(
                  'vumble-shelf-part.csv',
                  shelfCsv(ticked, (id) => reservedPieces(stock.get(id))),
                  'text/csv',
                )
              }
            >
              Export these
            </Button>
            <Button
              size="sm"
              variant="subtle"
              onClick={() => {
                remove(ticked);
                clear();
              }}
            >
              Take these off
            </Button>
          </>
        )
      }
    />
  );
}
