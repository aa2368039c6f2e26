/** A time counts as wrong from so far off the others on, ms: clocks are set by seconds all the time. */
const SLACK = 2 * 60_000;
/** A clock that says less has fallen back to its factory date: there was no such record then, ms since 1970. */
const FIRST = Date.UTC(2020, 0);

/** What is on record of something seen: its time, and whether that was another job's. */
interface Recorded {
  at: string;
  from?: unknown;
}

/** When something was seen, as far as the record lets one say. */
export interface WhenSeen {
  /** its own time where that can be, else that of what was seen next to it, ms since 1970 */
  ms: number;
  /** false where its own time cannot be: the clock was wrong then */
  possible: boolean;
}

/**
 * When each thing on a record was seen. The record itself is the order in which it was told; a clock that was ahead or
 * behind for a while cannot change that. Times that go with the order are believed, as many as there can be (the longest
 * run that does not fall; of runs as long the later told); one that is not among them, or is yet to come, is marked, and
 * its neighbour's is taken for it.
 *
 * @param nowMs the time it is, ms since 1970; nothing was seen after it. Left out, the times are held against each other alone
 */
export function whenSeen(record: readonly Recorded[], nowMs = Number.POSITIVE_INFINITY): WhenSeen[] {
  const own = record.map(({ at }) => Date.parse(at));
  const canBe = (ms: number) => ms >= FIRST && ms <= nowMs + SLACK;
  // What was taken over from another job has the time it was seen there.
  const taken = record.map(({ from }) => from !== undefined);
  const believed = longestRun(
    own.flatMap((ms, index) => (canBe(ms) && !taken[index] ? [index] : [])),
    own,
  );
  const next = nearest(own, believed);
  return own.map((ms, index) => {
    if (taken[index] && canBe(ms)) return { ms, possible: true };
    const nearby = next[index] ?? Math.min(ms, nowMs);
    return { ms: nearby, possible: Math.abs(nearby - ms) <= SLACK };
  });
}

/** For each its own value where it is believed, else that of the next that is, else of the one before. */
function nearest(own: readonly number[], believed: ReadonlySet<number>): (number | undefined)[] {
  const found: (number | undefined)[] = own.map((ms, index) => (believed.has(index) ? ms : undefined));
  for (let index = found.length - 2; index >= 0; index--) found[index] ??= found[index + 1];
  for (let index = 1; index < found.length; index++) found[index] ??= found[index - 1];
  return found;
}

/** Of some places in order, as many as there can be whose values do not fall (patience sorting). */
function longestRun(places: readonly number[], values: readonly number[]): Set<number> {
  const value = (place: number) => values[place] as number;
  // ends[n]: where the run of n + 1 places with the lowest last value ends
  const ends: number[] = [];
  const before = new Map<number, number | undefined>();
  for (const place of places) {
    let [low, high] = [0, ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (value(ends[middle] as number) <= value(place)) low = middle + 1;
      else high = middle;
    }
    before.set(place, ends[low - 1]);
    ends[low] = place;
  }
  const run = new Set<number>();
  for (let place = ends.at(-1); place !== undefined; place = before.get(place)) run.add(place);
  return run;
}
