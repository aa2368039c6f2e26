/** The name of a worker: with the settings of this browser behind it, so that what it writes is written as on the screen. */
export function named(name: string): string {
  return `${name} ${localStorage.getItem('vumble-settings') ?? ''}`;
}
