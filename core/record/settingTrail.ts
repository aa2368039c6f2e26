import type { VehicleCure } from '../model/cures.ts';
import type { SettingStep } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { standing } from '../model/seen.ts';

export type SettingStepKind = SettingStep['step'];

/** What is on record of one controller setting, in the order it is done. */
export interface SettingTrail {
  circuitId: string;
  /** every step, in the order it was told */
  steps: SettingStep[];
  /** as it was read before anything was written; null while nobody has */
  before: SettingStep['value'] | null;
  /** as it is now, by what was written and read last */
  now: SettingStep['value'] | null;
  /** what comes next; null where all is done */
  next: SettingStepKind | null;
  /** it was LED when it was read first: there is nothing to write */
  alreadySet: boolean;
  /** it was written and reads otherwise */
  notTaken: boolean;
}

/**
 * What a step of the trail says of the cure that is planned: the same ticks as on its card and its step of the work, kept once.
 *
 * @param cures changed in place
 */
export function tickSetting(
  cures: readonly VehicleCure[],
  { circuitId, step, value }: Pick<SettingStep, 'circuitId' | 'step' | 'value'>,
): void {
  const cure = cures.find((each) => each.kind === 'controller-setting' && each.circuitId === circuitId);
  if (cure?.kind !== 'controller-setting') return;
  if (step === 'key-cycled') cure.keyCycled = true;
  if (step === 'read-back') cure.readBack = value === 'led';
  if (step === 'codes-cleared') cure.codesCleared = true;
  if (step !== 'put-back') return;
  delete cure.keyCycled;
  delete cure.readBack;
  delete cure.codesCleared;
}

/** The order in which it is done, and what each step wants before it. */
const ORDER: readonly SettingStepKind[] = ['read', 'written', 'key-cycled', 'read-back', 'codes-cleared'];

/**
 * The trail of one controller setting out of a job's log: what it was before, what was written, whether it was read back, and
 * what comes next. A step told again begins the trail from there.
 */
export function settingTrail(job: Pick<Job, 'evidence'>, circuitId: string): SettingTrail {
  const steps = standing(job).filter(
    (each): each is SettingStep => each.kind === 'setting' && each.circuitId === circuitId,
  );
  const back = steps.findLastIndex(({ step }) => step === 'put-back');
  const since = steps.slice(back + 1);
  const read = since.find(({ step }) => step === 'read');
  const written = since.findLast(({ step }) => step === 'written');
  const readBack = since.findLast(({ step }) => step === 'read-back');
  const alreadySet = read?.value === 'led' && !written;
  const done = new Set(since.map(({ step }) => step));
  const wanted = alreadySet ? [] : ORDER.filter((step) => !done.has(step));
  const notTaken = readBack !== undefined && readBack.value !== 'led';
  return {
    circuitId,
    steps,
    before:
      (since.find(({ step }) => step === 'read') ?? steps.find(({ step }) => step === 'read'))?.value ?? null,
    now: (readBack ?? written ?? steps[back] ?? read)?.value ?? null,
    next: notTaken && wanted.length === 0 ? 'written' : (wanted[0] ?? null),
    alreadySet,
    notTaken,
  };
}
