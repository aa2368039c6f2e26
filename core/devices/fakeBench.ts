import type { Bench, Device, Flash, Happening } from './device.ts';

/** A bench for tests: currents are what a function says, and everything done to it is written down. */
export class FakeBench implements Bench {
  seconds = 0;
  readonly contacts: Record<string, boolean> = {};
  readonly lit: Record<string, boolean> = {};
  readonly duties: number[] = [];
  readonly told: Happening[] = [];
  readonly flashes: Flash[] = [];
  readonly moments: { seconds: number; lit: boolean }[] = [];

  constructor(private readonly current: (elementId: string, bench: FakeBench) => number) {}

  amps(elementId: string): number {
    return this.current(elementId, this);
  }

  set(contacts: Readonly<Record<string, boolean>>): void {
    Object.assign(this.contacts, contacts);
  }

  light(circuitIds: readonly string[], lit: boolean): void {
    for (const id of circuitIds) this.lit[id] = lit;
    this.moments.push({ seconds: this.seconds, lit });
  }

  setDuty(_circuitId: string, duty: number): void {
    this.duties.push(duty);
  }

  tell(happening: Happening): void {
    this.told.push(happening);
  }

  flashed(flash: Flash): void {
    this.flashes.push(flash);
  }

  /** Lets a device act until a moment. */
  run(device: Device, until: number): void {
    while (device.dueAt <= until) {
      this.seconds = device.dueAt;
      device.act(this);
    }
    this.seconds = until;
  }
}
