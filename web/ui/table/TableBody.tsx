import { Checkbox } from '@mantine/core';
import type { Row } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type CSSProperties, type ReactNode, useRef } from 'react';
import classes from './DataTable.module.css';
import type { TableColumn } from './tableColumn.ts';
import { usePrinting } from './usePrinting.ts';

/** From so many rows on they scroll in a box of their own, and only those in sight are built. */
const MANY = 200;
/** About as high as a row is, px, until it is measured. */
const ROW_PX = 44;

/** The head and rows of a table. */
export function TableBody<R>({
  label,
  rows,
  columns,
  tracks,
  sorted,
  toggleSort,
  rowName,
  acts,
  ticking,
  allTicked,
  tickAll,
  footer,
}: {
  label: string;
  rows: readonly Row<R>[];
  columns: readonly TableColumn<R>[];
  tracks: string;
  /** columns it is sorted by, and whether downwards */
  sorted: ReadonlyMap<string, boolean>;
  toggleSort(column: string): void;
  rowName(row: R): string;
  acts?(row: R): ReactNode;
  ticking: boolean;
  allTicked: boolean;
  tickAll(on: boolean): void;
  footer?: ReactNode;
}) {
  const box = useRef<HTMLDivElement>(null);
  const printing = usePrinting();
  const many = rows.length > MANY && !printing;
  const virtual = useVirtualizer({
    count: many ? rows.length : 0,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const parts = { columns, acts, ticking, rowName };
  const style = { '--tracks': tracks } as CSSProperties;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by key
    <div ref={box} className={classes.box} data-many={many} role="group" aria-label={label} tabIndex={0}>
      <table className={classes.grid} style={style} aria-label={label} aria-rowcount={rows.length + 1}>
        <thead>
          <tr>
            {ticking && (
              <th>
                <Checkbox
                  size="sm"
                  aria-label="Tick all"
                  checked={allTicked}
                  onChange={(event) => tickAll(event.currentTarget.checked)}
                />
              </th>
            )}
            {columns.map(({ id, header, figure }) => {
              const desc = sorted.get(id);
              return (
                <th
                  key={id}
                  className={figure ? 'figure' : undefined}
                  aria-sort={desc === undefined ? 'none' : desc ? 'descending' : 'ascending'}
                >
                  <button type="button" className={classes.sort} onClick={() => toggleSort(id)}>
                    {header}
                    <span aria-hidden="true" data-way={desc === undefined ? 'none' : desc ? 'down' : 'up'} />
                  </button>
                </th>
              );
            })}
            {acts && (
              <th>
                <span className="visually-hidden">What can be done</span>
              </th>
            )}
          </tr>
        </thead>
        {many ? (
          <tbody className={classes.virtual} style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map(({ index, start, key }) => {
              const row = rows[index];
              return (
                row && (
                  <OneRow
                    key={key}
                    row={row}
                    {...parts}
                    index={index}
                    measure={virtual.measureElement}
                    top={start}
                  />
                )
              );
            })}
          </tbody>
        ) : (
          <tbody>
            {rows.map((row, index) => (
              <OneRow key={row.id} row={row} {...parts} index={index} />
            ))}
          </tbody>
        )}
        {footer && <tfoot>{footer}</tfoot>}
      </table>
    </div>
  );
}

function OneRow<R>({
  row,
  columns,
  acts,
  ticking,
  rowName,
  index,
  measure,
  top,
}: {
  row: Row<R>;
  columns: readonly TableColumn<R>[];
  acts: ((row: R) => ReactNode) | undefined;
  ticking: boolean;
  rowName(row: R): string;
  index: number;
  measure?: (element: HTMLElement | null) => void;
  top?: number;
}) {
  const { original } = row;
  return (
    <tr
      ref={measure}
      data-index={index}
      aria-rowindex={index + 2}
      data-ticked={row.getIsSelected()}
      style={top === undefined ? undefined : { transform: `translateY(${top}px)` }}
    >
      {ticking && (
        <td>
          <Checkbox
            size="sm"
            aria-label={`Tick ${rowName(original)}`}
            checked={row.getIsSelected()}
            onChange={row.getToggleSelectedHandler()}
          />
        </td>
      )}
      {columns.map(({ id, header, cell, value, figure }) => (
        <td key={id} className={figure ? 'figure' : undefined} data-label={header}>
          {cell ? cell(original) : value(original)}
        </td>
      ))}
      {acts && <td className={classes.acts}>{acts(original)}</td>}
    </tr>
  );
}
