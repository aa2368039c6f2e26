import { Link } from 'react-router';
import type { LogLine } from '../../../core/log/lines.ts';
import { shortDate } from '../../ui/dates.ts';
import type { TableColumn } from '../../ui/table/tableColumn.ts';

export const STATE_WORDS: Record<LogLine['state'], string> = {
  in: 'still in',
  'came-back': 'came back',
  'taken-out': 'taken out',
};

const dayOr = (at: string | null, other: string) => (at === null ? other : shortDate(at));

/** A line of the log, column by column. */
export const COLUMNS: readonly TableColumn<LogLine>[] = [
  {
    id: 'code',
    header: 'Part',
    value: ({ code, name }) => `${code} ${name}`,
    cell: ({ code, name }) => (
      <span title={name}>
        <b>{code}</b>
      </span>
    ),
    width: 'minmax(90px, 1fr)',
    fixed: true,
  },
  { id: 'pieces', header: 'Pieces', value: ({ pieces }) => pieces, figure: true, width: '64px' },
  {
    id: 'vehicle',
    header: 'Vehicle',
    value: ({ vehicle, fleetNumber }) => `${fleetNumber} ${vehicle}`.trim(),
    cell: ({ vehicle, jobId }) => <Link to={`/jobs/${jobId}/hand-over`}>{vehicle}</Link>,
    width: 'minmax(0, 1.8fr)',
    fixed: true,
  },
  { id: 'place', header: 'Where', value: ({ place }) => place || null, width: 'minmax(0, 1.2fr)' },
  {
    id: 'fitted',
    header: 'Fitted',
    value: ({ fittedAt }) => fittedAt,
    cell: ({ fittedAt, from }) =>
      `${dayOr(fittedAt, 'not written down')}${from === 'work' ? ', by its work' : ''}`,
    width: 'minmax(0, 1.3fr)',
  },
  {
    id: 'by',
    header: 'By, batch',
    value: ({ by, batch }) => [by, batch].filter(Boolean).join(', ') || null,
    width: 'minmax(0, 1fr)',
  },
  {
    id: 'state',
    header: 'Now',
    value: ({ state, endedAt, why }) => `${STATE_WORDS[state]} ${endedAt ?? ''} ${why}`,
    cell: ({ state, endedAt, why }) =>
      `${STATE_WORDS[state]}${endedAt ? ` ${shortDate(endedAt)}` : ''}${why ? `: ${why}` : ''}`,
    width: 'minmax(0, 1.8fr)',
  },
  {
    id: 'warranty',
    header: 'Warranty until',
    value: ({ warrantyUntil }) => warrantyUntil,
    cell: ({ warrantyUntil }) => dayOr(warrantyUntil && `${warrantyUntil}T12:00`, ''),
    width: '110px',
  },
];
