import type { VehicleReport } from '../../../core/traces/vehicleReport.ts';

/** s */
const LONGEST_STEP = 0.005;
const AFTER = 0.003;

/**
 * The text as it is exported, run no longer than to the look that is compared. Its longest step is for whoever draws the
 * curve; ngspice's own tolerances keep the steps as short as the look needs.
 */
export function untilTheLook({ spice, flashing }: Pick<VehicleReport, 'spice' | 'flashing'>): string {
  if (!flashing) return spice;
  const text = spice.replace(
    /^(\.tran \S+) \S+ 0 \S+ uic$/m,
    `$1 ${flashing.sampleAtSeconds + AFTER} 0 ${LONGEST_STEP} uic`,
  );
  if (text === spice) throw new Error('the text has no run in time');
  return text;
}
