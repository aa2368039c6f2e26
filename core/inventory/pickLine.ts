import type { Part } from '../model/part.ts';

export interface PickLine {
  key: string;
  code: string;
  what: string;
  /** what it is for */
  why: string;
  quantity: number;
  onShelf: number;
  toBuy: number;
  /** null where nobody has told the shelf a price */
  unitPrice: number | null;
  total: number | null;
}

/** So many of a part, with what of them is on the shelf and what is to be bought. */
export function shelfLine(part: Part, quantity: number, why: string): PickLine {
  const onShelf = Math.min(part.stock, quantity);
  return {
    key: part.id,
    code: part.code,
    what: part.name,
    why,
    quantity,
    onShelf,
    toBuy: quantity - onShelf,
    unitPrice: part.price,
    total: part.price * quantity,
  };
}

/** So many of something the shelf does not have, its price unknown. */
export function orderLine(key: string, code: string, what: string, quantity: number, why: string): PickLine {
  return { key, code, what, why, quantity, onShelf: 0, toBuy: quantity, unitPrice: null, total: null };
}
