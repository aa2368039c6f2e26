import type { ReactNode } from 'react';

/** One column of a table. */
export interface TableColumn<R> {
  id: string;
  header: string;
  /** what it is sorted and searched by; null where nothing is known, which stands last */
  value(row: R): string | number | null;
  /** what is shown, where that is more */
  cell?(row: R): ReactNode;
  figure?: true;
  /** a CSS grid track: `minmax(90px, 1fr)` */
  width: string;
  /** only shown where somebody asks for it */
  further?: true;
  /** it stays whatever is hidden */
  fixed?: true;
}
