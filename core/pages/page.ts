/** A page as what stands on it, one block below the other: drawn on the screen, printed, and written as PDF from this. */
export interface Page {
  title: string;
  /** what it is of, in a line */
  about: string;
  blocks: readonly Block[];
  /** where the figures come from */
  foot: string;
}

export type Block =
  | { kind: 'words'; title?: string; text: string; strong?: boolean }
  | { kind: 'list'; title: string; items: readonly string[]; caution?: boolean }
  | { kind: 'facts'; title?: string; rows: readonly (readonly [name: string, text: string])[] }
  | { kind: 'table'; title: string; head: readonly string[]; rows: readonly (readonly string[])[] };

/** A list, or nothing where there is nothing to list. */
export function listOf(title: string, items: readonly string[], caution = false): Block[] {
  return items.length === 0 ? [] : [{ kind: 'list', title, items, ...(caution ? { caution } : {}) }];
}

/** A table, or nothing where it would have no rows. */
export function tableOf(
  title: string,
  head: readonly string[],
  rows: readonly (readonly string[])[],
): Block[] {
  return rows.length === 0 ? [] : [{ kind: 'table', title, head, rows }];
}
