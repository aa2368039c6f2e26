import { NativeSelect } from '@mantine/core';
import type { LogLine } from '../../../core/log/lines.ts';

/** Every part the log knows, by its code. */
export function partsIn(lines: readonly LogLine[]): { value: string; label: string }[] {
  const parts = new Map(lines.map(({ partId, code, name }) => [partId, `${code}: ${name}`]));
  return [...parts]
    .map(([value, label]) => ({ value, label }))
    .toSorted((a, b) => a.label.localeCompare(b.label));
}

/** Which part is asked about; all of them where none is. */
export function PartChoice({
  lines,
  partId,
  choose,
}: {
  lines: readonly LogLine[];
  partId: string;
  choose(partId: string): void;
}) {
  return (
    <NativeSelect
      label="Part"
      value={partId}
      data={[{ value: '', label: 'all parts' }, ...partsIn(lines)]}
      onChange={(event) => choose(event.currentTarget.value)}
    />
  );
}
