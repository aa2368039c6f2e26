import { Part } from '../../core/model/part.ts';

/** What parts of a file are called here, and those to be added. */
export interface OwnIds {
  names: ReadonlyMap<string, string>;
  parts: Part[];
}

/**
 * Ids here for parts of a file whose own are taken by parts with other figures: none that is here is overwritten.
 *
 * @param here the parts there are, those to be added before among them
 */
export function withOwnIds(jobId: string, differing: readonly Part[], here: readonly Part[]): OwnIds {
  const taken = new Map(here.map((part) => [part.id, part]));
  const names = new Map<string, string>();
  const parts: Part[] = [];
  for (const part of differing) {
    const id = ownId(part, jobId, taken);
    names.set(part.id, id);
    const mine = { ...part, id };
    if (!taken.has(id)) parts.push(mine);
    taken.set(id, mine);
  }
  return { names, parts: parts.map((part) => withOwnItems(part, names)) };
}

/** A kit whose box names parts by the ids they have here. */
export function withOwnItems(part: Part, own: ReadonlyMap<string, string>): Part {
  if (part.kind !== 'kit' || !part.sheet.items.some(({ partId }) => partId && own.has(partId))) return part;
  const items = part.sheet.items.map((item) =>
    item.partId ? { ...item, partId: own.get(item.partId) ?? item.partId } : item,
  );
  return { ...part, sheet: { ...part.sheet, items } };
}

/** An id for a part of a file whose own is another's here: one that is free, or that of the same part brought in before. */
function ownId(part: Part, jobId: string, taken: ReadonlyMap<string, Part>): string {
  for (let count = 1; ; count += 1) {
    const end = count === 1 ? '' : `-${count}`;
    const id = `${`${part.id}-of-${jobId}`.slice(0, 64 - end.length)}${end}`;
    const there = taken.get(id);
    if (!there || samePart({ ...there, id }, { ...part, id })) return id;
  }
}

/** Stock, prices and sellers are the shelf's own business; a part differs when its electrical or physical figures do. */
export function samePart(mine: Part, theirs: Part): boolean {
  // Parsing puts the fields of both in the schema's order, so that equal parts are equal as text.
  const comparable = (part: Part) => {
    const { pack: _, seller: __, orderCode: ___, ...itself } = part;
    return JSON.stringify(Part.parse({ ...itself, stock: 0, price: 0 }));
  };
  return comparable(mine) === comparable(theirs);
}
