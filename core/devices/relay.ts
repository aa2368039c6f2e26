import type { Bench, Device } from './device.ts';
import { RESTS, WATCHER_SAMPLE_SECONDS } from './device.ts';

interface Timing {
  ratePerMinute: number;
  onFraction: number;
}

/** The circuits a relay feeds while the stalk stands where it stands, and what it counts of their current. */
export interface RelayLoad {
  circuitIds: readonly string[];
  /** current through the watcher, A */
  amps(bench: Bench): number;
}

/**
 * A relay with a clock: closes, looks at the current once the inrush has passed, opens, and begins anew. What it
 * sees decides how long this flash is.
 */
abstract class ClockedRelay implements Device {
  dueAt = 0;
  private phase: 'dark' | 'looking' | 'lit' = 'dark';
  private startSeconds = 0;
  private onSeconds = 0;
  private periodSeconds = 0;

  constructor(protected readonly load: RelayLoad) {}

  act(bench: Bench): void {
    switch (this.phase) {
      case 'dark':
        bench.light(this.load.circuitIds, true);
        this.startSeconds = bench.seconds;
        this.dueAt = this.startSeconds + WATCHER_SAMPLE_SECONDS;
        this.phase = 'looking';
        break;
      case 'looking':
        this.look(bench);
        break;
      case 'lit':
        bench.light(this.load.circuitIds, false);
        this.dueAt = this.startSeconds + this.periodSeconds;
        this.phase = 'dark';
        break;
    }
  }

  private look(bench: Bench): void {
    const sampledAmps = this.load.amps(bench);
    const decided = this.decide(sampledAmps, bench);
    if (!decided) {
      bench.light(this.load.circuitIds, false);
      this.dueAt = RESTS;
      return;
    }
    const period = 60 / decided.ratePerMinute;
    // It cannot open before it has looked.
    this.onSeconds = Math.max(WATCHER_SAMPLE_SECONDS, period * decided.onFraction);
    this.periodSeconds = Math.max(period, this.onSeconds);
    bench.flashed({
      startSeconds: this.startSeconds,
      onSeconds: this.onSeconds,
      periodSeconds: this.periodSeconds,
      sampledAmps,
      thresholdAmps: decided.thresholdAmps,
      missesLamp: decided.missesLamp,
    });
    this.dueAt = this.startSeconds + this.onSeconds;
    this.phase = 'lit';
  }

  /** The timing of this flash, or null where the relay gives up. */
  protected abstract decide(
    amps: number,
    bench: Bench,
  ): (Timing & { thresholdAmps: number; missesLamp: boolean }) | null;
}

/** Runs `fastMultiplier` times faster while it counts less than its threshold. */
export class WatchingRelayDevice extends ClockedRelay {
  constructor(
    load: RelayLoad,
    private readonly relay: Timing & { fastMultiplier: number; thresholdAmps: number },
  ) {
    super(load);
  }

  protected override decide(amps: number) {
    const { ratePerMinute, onFraction, fastMultiplier, thresholdAmps } = this.relay;
    const missesLamp = amps < thresholdAmps;
    const rate = missesLamp ? ratePerMinute * fastMultiplier : ratePerMinute;
    return { ratePerMinute: rate, onFraction, thresholdAmps, missesLamp };
  }
}

/** Flashes at one rate from its least load upwards, and not at all below it. */
export class NonWatchingRelayDevice extends ClockedRelay {
  constructor(
    load: RelayLoad,
    private readonly relay: Timing & { minAmps: number; ratedAmps: number; name: string },
  ) {
    super(load);
  }

  protected override decide(amps: number, bench: Bench) {
    const { ratePerMinute, onFraction, minAmps, ratedAmps, name } = this.relay;
    if (amps < minAmps) {
      bench.tell({ kind: 'flasher', is: 'starved', name, amps, limitAmps: minAmps });
      return null;
    }
    if (amps > ratedAmps) bench.tell({ kind: 'flasher', is: 'overloaded', name, amps, limitAmps: ratedAmps });
    return { ratePerMinute, onFraction, thresholdAmps: minAmps, missesLamp: false };
  }
}
