import type { LedgerRow } from '../ledger/ledger.ts';
import { toCsv } from './csv.ts';

const watts = (value: number | null) => (value === null ? null : Number(value.toFixed(3)));

/** The ledger's lines as a table, watts at the test voltage. */
export function ledgerCsv(rows: readonly LedgerRow[]): string {
  return toCsv(
    [
      'lamp',
      'function',
      'in scope',
      'stock rated W',
      'planned rated W',
      'stock computed W',
      'planned computed W',
      'resistors W',
    ],
    rows.map((row) => [
      row.name,
      row.does,
      row.inScope ? 'yes' : 'no',
      watts(row.stockRated),
      watts(row.plannedRated),
      watts(row.stockWatts),
      watts(row.plannedWatts),
      watts(row.resistorWatts),
    ]),
  );
}
