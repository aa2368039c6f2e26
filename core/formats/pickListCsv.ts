import type { PickLine } from '../inventory/pickLine.ts';
import { toCsv } from './csv.ts';

/** Two digits of the shop's currency; empty where nobody knows. */
const money = (value: number | null) => (value === null ? null : Number(value.toFixed(2)));

/** What a pick list or a shopping list says of each of its lines; prices in the shop's currency, empty where unknown. */
export function pickListCsv({ lines }: { lines: readonly PickLine[] }): string {
  return toCsv(
    [
      'code',
      'part',
      'for',
      'quantity',
      'on shelf',
      'to buy',
      'packs',
      'pieces in a pack',
      'spare',
      'unit price',
      'total',
      'to pay',
      'seller',
      'order code',
    ],
    lines.map((line) => [
      line.code,
      line.what,
      line.why,
      line.quantity,
      line.onShelf,
      line.toBuy,
      line.packs?.count ?? null,
      line.packs?.of ?? null,
      line.spare,
      money(line.unitPrice),
      money(line.total),
      money(line.boughtTotal),
      line.seller,
      line.orderCode,
    ]),
  );
}
