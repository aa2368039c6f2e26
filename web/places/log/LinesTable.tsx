import { Button } from '@mantine/core';
import type { LogLine } from '../../../core/log/lines.ts';
import { logCsv } from '../../../core/log/logCsv.ts';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { DataTable } from '../../ui/table/DataTable.tsx';
import { COLUMNS } from './columns.tsx';

/** Lines of the log, to be searched, sorted and saved. */
export function LinesTable({
  id,
  label,
  lines,
  file,
  empty,
}: {
  id: string;
  label: string;
  lines: readonly LogLine[];
  /** the name it is saved under, without its ending */
  file: string;
  empty: string;
}) {
  return (
    <DataTable
      id={id}
      label={label}
      rows={lines}
      columns={COLUMNS}
      rowId={({ key }) => key}
      rowName={({ code, vehicle, place }) => `${code} on ${vehicle}${place ? `, ${place}` : ''}`}
      empty={lines.length === 0 ? empty : 'No line is like that.'}
      actions={(ticked) => (
        <Button
          size="sm"
          variant="default"
          disabled={lines.length === 0}
          onClick={() =>
            saveTextFile(`${file}.csv`, logCsv(ticked.length > 0 ? ticked : lines), 'text/csv;charset=utf-8')
          }
        >
          {ticked.length > 0 ? 'Save these as CSV' : 'Save as CSV'}
        </Button>
      )}
    />
  );
}
