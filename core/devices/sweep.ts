import { CONTACTS } from '../model/vehicle/netlistNames.ts';
import type { Bench, Device } from './device.ts';
import { RESTS } from './device.ts';

/** The clock inside a sequential lamp: from the moment its feed comes on, one segment after another. */
export class SweepDevice implements Device {
  dueAt = RESTS;
  private lit = 0;
  private startSeconds = 0;
  /** whether the sweep of the last flash reached its end; null before the first flash has ended */
  finished: boolean | null = null;

  constructor(
    readonly lampId: string,
    readonly circuitIds: readonly string[],
    private readonly sweep: { seconds: number; segments: number },
  ) {}

  /** Its feed comes on or goes off. */
  fed(on: boolean, bench: Bench): void {
    if (!on) {
      this.finished = this.lit >= this.sweep.segments;
      this.dueAt = RESTS;
      return;
    }
    this.lit = 0;
    this.startSeconds = bench.seconds;
    this.next(bench);
  }

  act(bench: Bench): void {
    this.next(bench);
  }

  private next(bench: Bench): void {
    this.lit += 1;
    const { seconds, segments } = this.sweep;
    bench.set(
      Object.fromEntries(
        Array.from({ length: segments }, (_, index) => [
          CONTACTS.segment(this.lampId, index),
          index < this.lit,
        ]),
      ),
    );
    this.dueAt = this.lit < segments ? this.startSeconds + (seconds * this.lit) / (segments - 1) : RESTS;
  }
}
