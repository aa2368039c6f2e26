// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { DataTable } from './DataTable.tsx';
import type { TableColumn } from './tableColumn.ts';
import { isShown, NO_VIEW, readView, withColumn } from './tableView.ts';

interface Row {
  id: string;
  code: string;
  pieces: number | null;
}
const COLUMNS: readonly TableColumn<Row>[] = [
  { id: 'code', header: 'Code', value: ({ code }) => code, width: '1fr', fixed: true },
  { id: 'pieces', header: 'Pieces', value: ({ pieces }) => pieces, figure: true, width: '80px' },
];
const rows: Row[] = [
  { id: 'a', code: 'B-10', pieces: 3 },
  { id: 'b', code: 'B-9', pieces: null },
  { id: 'c', code: 'A-1', pieces: 12 },
];
const codes = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => within(row).getAllByRole('cell')[1]?.textContent);

function draw(shown: readonly Row[] = rows, ticked: (rows: readonly Row[]) => void = () => {}) {
  render(
    <MantineProvider env="test">
      <DataTable
        id={`test-${Math.random()}`}
        label="Pieces"
        rows={shown}
        columns={COLUMNS}
        rowId={({ id }) => id}
        rowName={({ code }) => code}
        empty="None."
        actions={(chosen) => (
          <button type="button" onClick={() => ticked(chosen)}>
            Act
          </button>
        )}
      />
    </MantineProvider>,
  );
}
afterEach(cleanup);

describe('the one table', () => {
  it('sorts by its heads, numbers as numbers, what nobody knows last either way', () => {
    draw();
    fireEvent.click(screen.getByRole('button', { name: 'Code' }));
    expect(codes()).toEqual(['A-1', 'B-9', 'B-10']);
    fireEvent.click(screen.getByRole('button', { name: 'Pieces' }));
    const once = codes();
    fireEvent.click(screen.getByRole('button', { name: 'Pieces' }));
    expect([once, codes()]).toEqual([
      ['A-1', 'B-10', 'B-9'],
      ['B-10', 'A-1', 'B-9'],
    ]);
  });

  it('acts on the ticked rows alone', () => {
    const seen: string[][] = [];
    draw(rows, (chosen) => seen.push(chosen.map(({ id }) => id)));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Tick B-9' }));
    fireEvent.click(screen.getByRole('button', { name: 'Act' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Tick all' }));
    fireEvent.click(screen.getByRole('button', { name: 'Act' }));
    expect(seen).toEqual([['b'], ['a', 'b', 'c']]);
  });

  it('hides a column that is taken off', () => {
    draw();
    fireEvent.click(screen.getByRole('button', { name: 'Columns' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Pieces' }));
    expect(screen.queryByRole('columnheader', { name: 'Pieces' })).toBeNull();
  });

  it('builds of five thousand rows only those in sight, and all of them for paper', () => {
    draw(Array.from({ length: 5000 }, (_, at) => ({ id: `${at}`, code: `C-${at}`, pieces: at })));
    expect(screen.getByRole('table').getAttribute('aria-rowcount')).toBe('5001');
    expect(screen.getAllByRole('row').length).toBeLessThan(200);
    fireEvent(window, new Event('beforeprint'));
    expect(screen.getByRole('table').querySelectorAll('tbody tr').length).toBe(5000);
    fireEvent(window, new Event('afterprint'));
    expect(screen.getByRole('table').querySelectorAll('tbody tr').length).toBeLessThan(200);
  });
});

describe('how a table was left', () => {
  it('is read back whatever build it is of', () => {
    expect(readView({ sort: [{ id: 'a', desc: true }, { id: 3 }], hidden: ['x', 7] })).toEqual({
      sort: [{ id: 'a', desc: true }],
      hidden: ['x'],
      shown: [],
    });
    expect(readView('nothing')).toBeUndefined();
  });

  it('keeps a further column only where it was asked for', () => {
    const further = { id: 'f', further: true as const };
    expect(isShown(further, NO_VIEW)).toBe(false);
    expect(isShown(further, withColumn(NO_VIEW, further, true))).toBe(true);
    expect(isShown({ id: 'a' }, withColumn(NO_VIEW, { id: 'a' }, false))).toBe(false);
    expect(isShown({ id: 'a', fixed: true }, { ...NO_VIEW, hidden: ['a'] })).toBe(true);
  });
});
