import { NativeSelect } from '@mantine/core';
import { useSearchParams } from 'react-router';
import { fittedWhere } from '../../../core/log/answers.ts';
import type { LogData } from '../../job/useLog.ts';
import { LinesTable } from './LinesTable.tsx';
import classes from './Log.module.css';
import { PartChoice } from './PartChoice.tsx';

/** Where parts are fitted: of one part, or of one order or batch of it, the list to recall. */
export default function Fitted({ lines }: LogData) {
  const [search, setSearch] = useSearchParams();
  const partId = search.get('part') ?? '';
  const batch = search.get('batch') ?? '';
  const set = (part: string, of: string) =>
    setSearch({ ...(part ? { part } : {}), ...(part && of ? { batch: of } : {}) }, { replace: true });
  const ofPart = partId === '' ? lines : fittedWhere(lines, partId);
  const batches = [...new Set(ofPart.map((line) => line.batch))].filter((each) => each !== '').toSorted();
  const shown = partId === '' ? lines : fittedWhere(lines, partId, batch);
  const vehicles = new Set(shown.filter(({ state }) => state === 'in').map(({ vehicleId }) => vehicleId))
    .size;
  return (
    <div className={classes.stack}>
      <div className={classes.fields}>
        <PartChoice lines={lines} partId={partId} choose={(part) => set(part, '')} />
        {partId !== '' && batches.length > 0 && (
          <NativeSelect
            label="Order or batch"
            value={batch}
            data={[{ value: '', label: 'any' }, ...batches]}
            onChange={(event) => set(partId, event.currentTarget.value)}
          />
        )}
      </div>
      {partId !== '' && (
        <p role="status">
          In {vehicles} {vehicles === 1 ? 'vehicle' : 'vehicles'} now, by what was counted or worked here.
        </p>
      )}
      <LinesTable
        id="log"
        label="Everything fitted"
        lines={shown}
        file={partId === '' ? 'vumble-log' : `vumble-recall-${partId}`}
        empty="Nothing was fitted yet: a step of Fit that is done puts its parts here."
      />
    </div>
  );
}
