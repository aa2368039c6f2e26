import type { ControllerSettingCure } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { FitStep } from './fitStep.ts';

/** What of a controller's setting is ticked on its step: the same that is said of it on Cure, kept once. */
export const SETTING_TICKS = ['keyCycled', 'readBack', 'codesCleared'] as const;
type SettingTick = (typeof SETTING_TICKS)[number];

/** The setting of a job that a tick of a step is about; null where it is a tick of the step's own. */
export function settingTicked(
  { vehicleCures }: Pick<Job, 'vehicleCures'>,
  { about }: Pick<FitStep, 'about'>,
  tickId: string,
): { cure: ControllerSettingCure; tick: SettingTick } | null {
  if (about.of !== 'cure' || about.cure.kind !== 'controller-setting') return null;
  const { circuitId } = about.cure;
  const tick = SETTING_TICKS.find((each) => each === tickId);
  const cure = vehicleCures.find(
    (each): each is ControllerSettingCure =>
      each.kind === 'controller-setting' && each.circuitId === circuitId,
  );
  return tick && cure ? { cure, tick } : null;
}
