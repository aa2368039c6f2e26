import type { SettingStepKind, SettingTrail } from './settingTrail.ts';

export const SETTING_VALUES = { led: 'LED', filament: 'filament', other: 'something else' } as const;

/** What each step of a setting is, as it is done. */
export const SETTING_STEPS: Record<SettingStepKind, string> = {
  read: 'Read what it is now',
  written: 'Write LED',
  'key-cycled': 'Key off, wait, key on',
  'read-back': 'Read it back',
  'codes-cleared': 'Clear stored codes',
  'put-back': 'Put the old value back',
};

/** Each step once it was done. */
export const SETTING_DONE: Record<SettingStepKind, string> = {
  read: 'It read',
  written: 'Written',
  'key-cycled': 'Key off and on again',
  'read-back': 'Read back',
  'codes-cleared': 'Stored codes cleared',
  'put-back': 'Put back to',
};

/** Where a setting stands and how to go back, in a sentence or two. */
export function trailWords({ before, now, next, alreadySet, notTaken }: SettingTrail): string {
  if (alreadySet)
    return 'It is set to LED already: nothing to write. To go back later, set it to filament and put bulbs in.';
  const back =
    before && before !== 'led'
      ? ` To go back, write ${SETTING_VALUES[before]} again, key off and on, and put the filament in.`
      : '';
  if (notTaken)
    return `It was written and reads ${now ? SETTING_VALUES[now] : 'otherwise'}: it was not taken. Write it again, or the tool cannot.${back}`;
  if (next === 'read') return 'Read the value first and write it down: without it nobody can go back.';
  if (next === null) return `Set, read back, codes cleared.${back}`;
  return `Next: ${SETTING_STEPS[next].toLowerCase()}.${back}`;
}
