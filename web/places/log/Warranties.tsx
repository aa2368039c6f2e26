import { underWarranty } from '../../../core/log/answers.ts';
import type { LogData } from '../../job/useLog.ts';
import { today } from '../../ui/dates.ts';
import { LinesTable } from './LinesTable.tsx';

/** What is in and under warranty, the one that runs out first before the others. */
export default function Warranties({ lines }: LogData) {
  return (
    <LinesTable
      id="log-warranty"
      label="Under warranty"
      lines={underWarranty(lines, today())}
      file="vumble-warranty"
      empty="Nothing that is in has a warranty on record: months of warranty are written down with a part on the Shelf."
    />
  );
}
