import type { Job } from '../../../model/job.ts';
import type { Shelf } from '../../../model/part.ts';
import { type CureOption, option } from '../option.ts';
import type { CureScope } from '../scope.ts';
import { convertedMains, endsApart } from './ends.ts';

/**
 * The main lamps of one end keep their filaments: with all of them back nothing would be converted. On a steady circuit
 * one is left in.
 */
export function filamentOptions(job: Job, shelf: Shelf, scope: CureScope): CureOption[] {
  const converted = convertedMains(job, shelf, scope);
  if (!scope.turning) {
    const name = converted.length > 1 ? 'One filament left in' : 'The filament left in';
    const chosen = Object.fromEntries(converted.slice(0, 1).map((lamp) => [lamp.id, null]));
    return [option('filament', ['filament'], name, { chosen })];
  }
  return endsApart(converted).map(({ end, lamps }) =>
    option(`filament-${end}`, ['filament'], `Filaments kept at the ${end}`, {
      chosen: Object.fromEntries(lamps.map((lamp) => [lamp.id, null])),
    }),
  );
}
