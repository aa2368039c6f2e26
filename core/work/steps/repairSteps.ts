import type { Job } from '../../model/job.ts';
import type { RepairKind } from '../../model/past.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { FitStep } from './fitStep.ts';

/** How long repairs usually take, minutes (common practice). */
const USUAL: Record<RepairKind, readonly [number, number]> = {
  'descale-carrier': [8, 25],
  'replace-socket': [10, 30],
  'rebuild-bracket': [15, 60],
  'seal-wire': [3, 8],
  other: [5, 30],
};

/** What is repaired at one lamp while its panel is open, before anything new goes in. */
export function repairSteps(job: Job, lamp: Lamp): FitStep[] {
  return (job.repairs ?? [])
    .filter(({ lampId }) => lampId === lamp.id)
    .map((repair) => ({
      id: `repair-${repair.id}`,
      kind: 'repair' as const,
      about: { of: 'repair' as const, lamp, repair },
      lampId: lamp.id,
      openingId: lamp.access.group,
      minutes: repair.minutes ?? USUAL[repair.kind],
      timedAs: `repair ${repair.kind}`,
    }));
}
