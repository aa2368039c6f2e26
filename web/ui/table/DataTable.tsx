import { Button, Checkbox, TextInput } from '@mantine/core';
import {
  type ColumnDef,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  type RowSelectionState,
  type SortingState,
  useReactTable,
} from '@tanstack/react-table';
import { type ReactNode, useDeferredValue, useMemo, useState } from 'react';
import { useKept } from '../../store/kept.ts';
import classes from './DataTable.module.css';
import { TableBody } from './TableBody.tsx';
import type { TableColumn } from './tableColumn.ts';
import { isShown, NO_VIEW, readView, type TableView, withColumn } from './tableView.ts';

/**
 * The one table for parts, pick lists, shopping lists and ledgers: sorted by its heads, searched, its columns chosen and kept,
 * rows ticked for acts on several, thousands of rows built only where they are on the screen, and all of them on paper.
 */
export function DataTable<R>({
  id,
  label,
  rows,
  columns,
  rowId,
  rowName,
  acts,
  actsWidth = '120px',
  actions,
  footer,
  search = true,
  empty,
}: {
  /** under which its columns and order are kept */
  id: string;
  label: string;
  rows: readonly R[];
  columns: readonly TableColumn<R>[];
  rowId(row: R): string;
  /** how a row is called for whoever cannot see it */
  rowName(row: R): string;
  /** what can be done with one row, at its end */
  acts?(row: R): ReactNode;
  /** a CSS grid track: every row is laid out by itself, so that it is a fixed one */
  actsWidth?: string;
  /** what can be done with the ticked rows; without it none is ticked */
  actions?(ticked: readonly R[], clear: () => void): ReactNode;
  footer?: ReactNode;
  search?: boolean;
  /** what is said where nothing is found */
  empty: string;
}) {
  const [view, setView] = useKept<TableView>(`table-${id}`, NO_VIEW, readView);
  const [query, setQuery] = useState('');
  const wanted = useDeferredValue(query.trim());
  const [selection, setSelection] = useState<RowSelectionState>({});
  const [choosing, setChoosing] = useState(false);
  const defs = useMemo(
    () =>
      columns.map(
        ({ id: name, value, header }): ColumnDef<R> => ({
          id: name,
          header,
          // What nobody knows stands last, whichever way round.
          accessorFn: (row) => value(row) ?? undefined,
          sortUndefined: 'last',
          sortingFn: 'alphanumeric',
        }),
      ),
    [columns],
  );
  const data = useMemo(() => [...rows], [rows]);
  const table = useReactTable<R>({
    data,
    columns: defs,
    getRowId: rowId,
    state: {
      sorting: view.sort as SortingState,
      globalFilter: wanted,
      rowSelection: selection,
    },
    onSortingChange: (change) =>
      setView((now) => ({
        ...now,
        sort: typeof change === 'function' ? change(now.sort as SortingState) : change,
      })),
    onRowSelectionChange: setSelection,
    enableRowSelection: actions !== undefined,
    globalFilterFn: 'includesString',
    getColumnCanGlobalFilter: () => true,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
  });
  const shown = columns.filter((column) => isShown(column, view));
  const found = table.getRowModel().rows;
  const ticked = table.getSelectedRowModel().rows.map(({ original }) => original);
  const clear = () => setSelection({});
  const tracks = [
    ...(actions ? ['32px'] : []),
    ...shown.map(({ width }) => width),
    ...(acts ? [actsWidth] : []),
  ].join(' ');
  const sorted = new Map(view.sort.map(({ id: name, desc }) => [name, desc]));
  return (
    <div className={classes.table}>
      <div className={classes.tools}>
        {search && (
          <TextInput
            size="sm"
            aria-label={`Search: ${label}`}
            placeholder="Search"
            value={query}
            onChange={(event) => setQuery(event.currentTarget.value)}
            className={classes.search}
          />
        )}
        {search && (
          <span className="faint" role="status">
            {found.length === rows.length ? `${rows.length}` : `${found.length} of ${rows.length}`} lines
          </span>
        )}
        <Button size="sm" variant="subtle" aria-expanded={choosing} onClick={() => setChoosing(!choosing)}>
          Columns
        </Button>
        {actions && (
          <div className={classes.actions}>
            {ticked.length > 0 && <span>{ticked.length} ticked</span>}
            {actions(ticked, clear)}
          </div>
        )}
      </div>
      {choosing && (
        <fieldset className={classes.columns}>
          <legend className="visually-hidden">Columns shown</legend>
          {columns
            .filter(({ fixed }) => !fixed)
            .map((column) => (
              <Checkbox
                key={column.id}
                label={column.header}
                checked={isShown(column, view)}
                onChange={(event) => {
                  const on = event.currentTarget.checked;
                  setView((now) => withColumn(now, column, on));
                }}
              />
            ))}
        </fieldset>
      )}
      {found.length === 0 ? (
        <p>{empty}</p>
      ) : (
        <TableBody
          label={label}
          rows={found}
          columns={shown}
          tracks={tracks}
          sorted={sorted}
          toggleSort={(name) => table.getColumn(name)?.toggleSorting()}
          rowName={rowName}
          {...(acts ? { acts } : {})}
          ticking={actions !== undefined}
          allTicked={table.getIsAllRowsSelected()}
          tickAll={(on) => table.toggleAllRowsSelected(on)}
          footer={footer}
        />
      )}
    </div>
  );
}
