import type { Job } from '../../../model/job.ts';
import type { Shelf } from '../../../model/part.ts';
import { type CureOption, option } from '../option.ts';
import { convertedMains, endsApart } from './ends.ts';

/** The main lamps of one end keep their filaments. With all of them back nothing would be converted. */
export function filamentOptions(job: Job, shelf: Shelf): CureOption[] {
  return endsApart(convertedMains(job, shelf)).map(({ end, lamps }) =>
    option(`filament-${end}`, ['filament'], `Filaments kept at the ${end}`, {
      chosen: Object.fromEntries(lamps.map((lamp) => [lamp.id, null])),
    }),
  );
}
