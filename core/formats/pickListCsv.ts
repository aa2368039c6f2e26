import type { PickList } from '../inventory/picklist.ts';
import { toCsv } from './csv.ts';

/** The pick list as a table: one row a part, prices in the shop's currency, empty where unknown. */
export function pickListCsv(list: PickList): string {
  return toCsv(
    ['code', 'part', 'for', 'quantity', 'on shelf', 'to buy', 'unit price', 'total'],
    list.lines.map((line) => [
      line.code,
      line.what,
      line.why,
      line.quantity,
      line.onShelf,
      line.toBuy,
      line.unitPrice,
      line.total === null ? null : Number(line.total.toFixed(2)),
    ]),
  );
}
