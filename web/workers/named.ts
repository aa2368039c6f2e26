/**
 * Where a copy of the settings lies that can be read before the store is open: the first words on the screen are written by
 * it, and those of the workers.
 */
export const SETTINGS_COPY = 'vumble-settings';

/** The name of a worker: with the settings of this browser behind it, so that what it writes is written as on the screen. */
export function named(name: string): string {
  return `${name} ${localStorage.getItem(SETTINGS_COPY) ?? ''}`;
}
