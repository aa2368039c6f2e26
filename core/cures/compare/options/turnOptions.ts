import type { Job } from '../../../model/job.ts';
import type { Shelf } from '../../../model/part.ts';
import type { BestResistors } from '../../loadResistor/plan.ts';
import { type CureOption, option } from '../option.ts';
import { turnScope } from '../scope.ts';
import { builtInOptions } from './builtInLoad.ts';
import { decoderOptions, settingOptions } from './controller.ts';
import { customaryOptions } from './customary.ts';
import { filamentOptions } from './filament.ts';
import { relayOptions } from './flasherRelay.ts';
import { harnessOptions } from './harness.ts';
import { resistorOptions } from './loadResistors.ts';

/**
 * Every single cure of the trade for a job's turn lamps, both sides alike. None is presumed to work; that is for
 * whoever tries them.
 *
 * @param best resistors worked out for each circuit of one side
 */
export function turnOptions(job: Job, shelf: Shelf, best: readonly BestResistors[]): CureOption[] {
  const scope = turnScope(job.vehicle);
  return [
    option('nothing', ['nothing'], 'Nothing', {}),
    ...resistorOptions(job, best),
    ...customaryOptions(job, shelf),
    ...harnessOptions(job, shelf, best),
    ...builtInOptions(job, shelf, scope),
    ...relayOptions(job, shelf),
    ...settingOptions(job, scope),
    ...decoderOptions(job, shelf, scope),
    ...filamentOptions(job, shelf, scope),
    ...pilotOptions(job),
  ];
}

function pilotOptions({ vehicle }: Job): CureOption[] {
  return vehicle.pilot
    ? [
        option('diodes', ['pilot-diodes'], 'Two diodes for the pilot alone', {
          vehicleCures: [{ kind: 'pilot-diodes' }],
        }),
      ]
    : [];
}
