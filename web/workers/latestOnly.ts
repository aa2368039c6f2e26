/**
 * Lets one call after another into a worker, and drops those whose answer nobody waits for any more when their turn
 * comes: while a slider is dragged, only the newest place is simulated.
 */
export function latestOnly(): <T>(signal: AbortSignal, call: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return (signal, call) => {
    const mine = last.then(() => {
      signal.throwIfAborted();
      return call();
    });
    last = mine.catch(() => {
      // Its own caller hears of it; the next one only waits for it to be over.
    });
    return mine;
  };
}
