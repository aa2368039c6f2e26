/** How somebody left a table: which way it is sorted, which columns are hidden. */
export interface TableView {
  sort: { id: string; desc: boolean }[];
  hidden: string[];
  /** further columns somebody asked for */
  shown: string[];
}

/** As a table comes: in its own order, with all its columns. */
export const NO_VIEW: TableView = { sort: [], hidden: [], shown: [] };

/** Reads what was kept of a table, of whatever build. */
export function readView(raw: unknown): TableView | undefined {
  if (typeof raw !== 'object' || raw === null) return undefined;
  const { sort, hidden, shown } = raw as Partial<TableView>;
  return {
    sort: Array.isArray(sort)
      ? sort.filter((each) => typeof each?.id === 'string' && typeof each.desc === 'boolean')
      : [],
    hidden: names(hidden),
    shown: names(shown),
  };
}

const names = (raw: unknown): string[] =>
  Array.isArray(raw) ? raw.filter((each) => typeof each === 'string') : [];

/** Whether a column is shown. */
export function isShown(
  { id, fixed, further }: { id: string; fixed?: true; further?: true },
  view: TableView,
): boolean {
  if (fixed) return true;
  return further ? view.shown.includes(id) : !view.hidden.includes(id);
}

/** The view with a column shown or hidden. */
export function withColumn(
  view: TableView,
  { id, further }: { id: string; further?: true },
  on: boolean,
): TableView {
  const list = further ? 'shown' : 'hidden';
  const others = view[list].filter((each) => each !== id);
  const listed = further ? on : !on;
  return { ...view, [list]: listed ? [...others, id] : others };
}
