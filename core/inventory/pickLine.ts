import type { Part } from '../model/part.ts';

export interface PickLine {
  key: string;
  /** the part on the shelf; null of what it has no record of */
  partId: string | null;
  code: string;
  what: string;
  /** what it is for */
  why: string;
  quantity: number;
  onShelf: number;
  /** pieces that are missing */
  toBuy: number;
  /** what is bought for them; null where it is sold by the piece */
  packs: Packs | null;
  /** pieces bought beyond what is needed */
  spare: number;
  /** one piece, of a pack its share; null where nobody has told the shelf a price */
  unitPrice: number | null;
  /** as used: the pieces that go into the vehicle */
  total: number | null;
  /** as bought: what is paid for what is missing, spares with it */
  boughtTotal: number | null;
  seller: string;
  orderCode: string;
  /** a tube, roll or pen: one serves all jobs */
  shared?: true;
}

/** Packs to buy. */
export interface Packs {
  count: number;
  /** pieces in one */
  of: number;
}

/** What is bought where so many pieces are missing, and what is left over. */
export function packsFor({ pack, price }: Pick<Part, 'pack' | 'price'>, missing: number) {
  const pieces = Math.max(0, missing);
  if (!pack) return { packs: null, spare: 0, cost: price * pieces };
  const count = Math.ceil(pieces / pack.pieces);
  return {
    packs: { count, of: pack.pieces },
    spare: count * pack.pieces - pieces,
    cost: count * pack.price,
  };
}

/** One piece in the shop's currency: of what is sold in packs alone its share of one. */
export function piecePrice({ pack, price }: Pick<Part, 'pack' | 'price'>): number {
  return pack ? pack.price / pack.pieces : price;
}

/** So many of a part, with what of them is on the shelf and what is to be bought. */
export function shelfLine(part: Part, quantity: number, why: string): PickLine {
  const onShelf = Math.max(0, Math.min(part.stock, quantity));
  const toBuy = quantity - onShelf;
  const { packs, spare, cost } = packsFor(part, toBuy);
  const unitPrice = piecePrice(part);
  return {
    key: part.id,
    partId: part.id,
    code: part.code,
    what: part.name,
    why,
    quantity,
    onShelf,
    toBuy,
    packs,
    spare,
    unitPrice,
    total: unitPrice * quantity,
    boughtTotal: cost,
    seller: part.seller ?? '',
    orderCode: part.orderCode ?? '',
  };
}

/** So many of something the shelf does not have, its price unknown. */
export function orderLine(key: string, code: string, what: string, quantity: number, why: string): PickLine {
  return {
    key,
    partId: null,
    code,
    what,
    why,
    quantity,
    onShelf: 0,
    toBuy: quantity,
    packs: null,
    spare: 0,
    unitPrice: null,
    total: null,
    boughtTotal: quantity > 0 ? null : 0,
    seller: '',
    orderCode: '',
  };
}
