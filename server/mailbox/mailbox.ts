import { randomInt } from 'node:crypto';

/** A parcel is kept so long, ms. */
export const KEPT_MS = 10 * 60_000;
/** The largest parcel, and all of them together, bytes. */
export const MOST_BYTES = 60_000_000;
const MOST_TOGETHER = 300_000_000;
const MOST_PARCELS = 40;
/** Numbers have nine digits: one wrong number in a thousand million meets a parcel. */
const LOWEST = 100_000_000;
const HIGHEST = 1_000_000_000;

/** No room for it now. Says what to do. */
export class MailboxFullError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'MailboxFullError';
  }
}

interface Parcel {
  bytes: Uint8Array;
  until: number;
}

/**
 * Parcels between two browsers of one workshop, in memory alone: sealed by whoever left them, kept for minutes, gone when they
 * were taken. What is in them nobody here can read.
 */
export class Mailbox {
  private readonly parcels = new Map<string, Parcel>();
  /** by who asks: how often in a row they named a number there is not, and until when they wait */
  private readonly wrong = new Map<string, { times: number; until: number }>();

  constructor(private readonly now: () => number = Date.now) {}

  /**
   * Leaves a parcel.
   *
   * @returns its number, nine digits
   * @throws MailboxFullError where there is no room
   */
  leave(bytes: Uint8Array): string {
    this.clear();
    if (bytes.length > MOST_BYTES)
      throw new MailboxFullError(
        `Larger than ${MOST_BYTES / 1e6} MB: hand fewer jobs over at a time, or by file.`,
      );
    const there = [...this.parcels.values()].reduce((sum, parcel) => sum + parcel.bytes.length, 0);
    if (this.parcels.size >= MOST_PARCELS || there + bytes.length > MOST_TOGETHER)
      throw new MailboxFullError('The mailbox is full: wait ten minutes, or hand it over by file.');
    let number = '';
    do number = String(randomInt(LOWEST, HIGHEST));
    while (this.parcels.has(number));
    this.parcels.set(number, { bytes, until: this.now() + KEPT_MS });
    return number;
  }

  /** A parcel, which stays until it is confirmed: what arrived broken can be fetched again. Null where there is none. */
  fetch(number: string): Uint8Array | null {
    this.clear();
    return this.parcels.get(number)?.bytes ?? null;
  }

  /** It could be read over there: it is gone here. */
  confirm(number: string): boolean {
    return this.parcels.delete(number);
  }

  /** How long somebody still waits who named wrong numbers, ms. */
  waits(who: string): number {
    return Math.max(0, (this.wrong.get(who)?.until ?? 0) - this.now());
  }

  /** Somebody named a number there is not: each time in a row they wait twice as long, up to a minute. */
  missed(who: string): void {
    // Who has waited long enough begins anew, and the list of them does not grow.
    for (const [other, { until }] of this.wrong) if (this.now() - until > KEPT_MS) this.wrong.delete(other);
    const times = (this.wrong.get(who)?.times ?? 0) + 1;
    this.wrong.set(who, { times, until: this.now() + Math.min(60_000, 500 * 2 ** (times - 1)) });
  }

  found(who: string): void {
    this.wrong.delete(who);
  }

  private clear(): void {
    for (const [number, { until }] of this.parcels) if (until <= this.now()) this.parcels.delete(number);
  }
}
