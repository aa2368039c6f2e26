/** How somebody left a table: which way it is sorted, which columns are hidden. */
export interface TableView {
  sort: { id: string; desc: boolean }[];
  hidden: string[];
}

/** As a table comes: in its own order, with all its columns. */
export const NO_VIEW: TableView = { sort: [], hidden: [] };

/** Reads what was kept of a table, of whatever build. */
export function readView(raw: unknown): TableView | undefined {
  if (typeof raw !== 'object' || raw === null) return undefined;
  const { sort, hidden } = raw as Partial<TableView>;
  return {
    sort: Array.isArray(sort)
      ? sort.filter((each) => typeof each?.id === 'string' && typeof each.desc === 'boolean')
      : [],
    hidden: Array.isArray(hidden) ? hidden.filter((each) => typeof each === 'string') : [],
  };
}
