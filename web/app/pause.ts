/** Lets whatever else waits have the thread. */
export function pause(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve));
}
