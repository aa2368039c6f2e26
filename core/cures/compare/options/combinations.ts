import type { Job } from '../../../model/job.ts';
import type { BestResistors } from '../../loadResistor/plan.ts';
import type { CureReport } from '../evaluate.ts';
import { type CureOption, option, together } from '../option.ts';
import { withCure } from '../withCure.ts';
import { ENDS, type End } from './ends.ts';
import { resistorOptions } from './loadResistors.ts';

/**
 * The cures that help together: what fails alone for one reason only, with what takes that reason away. A combination
 * of which a part does it alone is never offered, nor one with resistors where something does it without wire cut
 * and without heat.
 *
 * @param reports of every single cure
 * @param size resistors at one end for one side of a job that has the other end seen to already
 */
export function combinations(
  job: Job,
  reports: readonly CureReport[],
  size: (job: Job, at: End) => readonly BestResistors[],
): CureOption[] {
  const clean = reports.some(
    (report) => report.state === 'holds' && report.cuts === 0 && report.heatWatts < CLEAN_WATTS,
  );
  return [
    ...reports.flatMap(withDiodes),
    ...(clean ? [] : reports.flatMap((report) => withResistors(job, report, size))),
  ];
}

/** Less heat than this is none worth speaking of, W. */
const CLEAN_WATTS = 1;

/** What only lights all four through the pilot. */
function withDiodes({ option: alone, allFour, watcher }: CureReport): CureOption[] {
  if (!alone.change || !allFour || watcher !== 'holds') return [];
  const { vehicleCures = [] } = alone.change;
  return [
    option(
      `${alone.id}-diodes`,
      [...alone.kinds, 'pilot-diodes'],
      alone.kinds.includes('nothing')
        ? 'Two diodes for the pilot'
        : `${alone.name}, and two diodes for the pilot`,
      { ...alone.change, vehicleCures: [...vehicleCures, { kind: 'pilot-diodes' }] },
    ),
  ];
}

/** Filaments, loaded LEDs or a setting at one end that are not enough, and resistors at the other for what is left. */
function withResistors(
  job: Job,
  { option: alone, watcher }: CureReport,
  size: (job: Job, at: End) => readonly BestResistors[],
): CureOption[] {
  const { change } = alone;
  const end = ENDS.find((each) => alone.id.endsWith(`-${each}`));
  const isAtEnd = change?.chosen !== undefined || alone.kinds.includes('controller-setting');
  if (!change || !isAtEnd || !end || (watcher !== 'falls-short' && watcher !== 'either-way')) return [];
  const other = end === 'front' ? 'rear' : 'front';
  return resistorOptions(job, size(withCure(job, change), other), other).flatMap((resistors) =>
    resistors.change ? [together({ ...alone, change }, { ...resistors, change: resistors.change })] : [],
  );
}
