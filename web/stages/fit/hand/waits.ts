import { useEffect, useState } from 'react';
import { useDesk } from '../../../job/workspace.ts';
import { keptValues } from '../../../store/kept.ts';

/**
 * A wait that must not end early: the battery off before an airbag is touched. It counts by a clock that nobody sets and
 * that does not leap, goes on while another step is looked at, and after a reload from what it had counted: time in which
 * Vumble was closed is not counted.
 */
interface Wait {
  /** counted before it was last begun, s */
  counted: number;
  /** when it was last begun on the page's own clock, ms; null while it stands */
  since: number | null;
}

/** What was counted is kept so often, ms: a reload sets it back by no more. */
const KEPT_EVERY = 5000;

export class Waits {
  private readonly waits = new Map<string, Wait>();

  constructor(
    private readonly now: () => number = () => performance.now(),
    private readonly keep: Pick<typeof keptValues, 'put' | 'text'> = keptValues,
  ) {}

  /** Seconds counted; null where it was not begun. */
  counted(key: string): number | null {
    const wait = this.waitOf(key);
    if (!wait) return null;
    return wait.counted + (wait.since === null ? 0 : (this.now() - wait.since) / 1000);
  }

  start(key: string): void {
    this.waits.set(key, { counted: 0, since: this.now() });
    this.write(key);
  }

  /** Forgets it: begun again, it begins from nothing. */
  stop(key: string): void {
    this.waits.delete(key);
    this.keep.put(`wait-${key}`, null);
  }

  /** Keeps what was counted. */
  write(key: string): void {
    const counted = this.counted(key);
    if (counted !== null) this.keep.put(`wait-${key}`, Math.floor(counted));
  }

  private waitOf(key: string): Wait | null {
    const known = this.waits.get(key);
    if (known) return known;
    const before = Number.parseFloat(this.keep.text(`wait-${key}`) ?? '');
    if (!(before >= 0)) return null;
    const wait = { counted: before, since: this.now() };
    this.waits.set(key, wait);
    return wait;
  }
}

const waits = new Waits();

/** A wait of the job on screen: seconds left of so many minutes, null where it was not begun. */
export function useWait(name: string, minutes: number) {
  const key = `${useDesk().job.id}-${name}`;
  const [, tick] = useState(0);
  const counted = waits.counted(key);
  const left = counted === null ? null : Math.max(0, Math.ceil(60 * minutes - counted));
  const running = left !== null && left > 0;
  useEffect(() => {
    if (!running) return;
    // What was counted while another step was looked at.
    waits.write(key);
    const clock = setInterval(() => tick((count) => count + 1), 1000);
    const keeping = setInterval(() => waits.write(key), KEPT_EVERY);
    return () => {
      clearInterval(clock);
      clearInterval(keeping);
      waits.write(key);
    };
  }, [running, key]);
  const change = (act: 'start' | 'stop') => () => {
    waits[act](key);
    tick((count) => count + 1);
  };
  return { left, running, start: change('start'), stop: change('stop') };
}
