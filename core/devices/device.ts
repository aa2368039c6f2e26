/** Something worth a line on the dash or in the fault memory. */
export interface DashEvent {
  /** same event, same key: told once */
  key: string;
  seconds: number;
  kind: 'message' | 'code' | 'output-off' | 'fuse' | 'flasher' | 'sense' | 'charge';
  text: string;
}

/** One flash as its flasher decided it. */
export interface Flash {
  startSeconds: number;
  onSeconds: number;
  periodSeconds: number;
  /** what the watcher saw when it looked, and what it compared that with, A */
  sampledAmps: number;
  thresholdAmps: number;
  missesLamp: boolean;
}

/** What a device can see and do on the vehicle it is wired into. */
export interface Bench {
  readonly seconds: number;
  /** current of an element now, A */
  amps(elementId: string): number;
  set(contacts: Readonly<Record<string, boolean>>): void;
  /** lights or darkens turn circuits, and starts the clocks of sequential lamps on them */
  light(circuitIds: readonly string[], lit: boolean): void;
  /** share of the time a circuit's pulsed feed is on */
  setDuty(circuitId: string, duty: number): void;
  tell(event: Omit<DashEvent, 'seconds'>): void;
  flashed(flash: Flash): void;
}

/** A part with a clock of its own: a flasher, an output's watch, a sequential lamp. */
export interface Device {
  /** when it next acts, s; infinite while it rests */
  readonly dueAt: number;
  /** false while it is still trying something again, and the vehicle has not come to what it will go on doing */
  readonly settled?: boolean;
  act(bench: Bench): void;
}

export const RESTS = Number.POSITIVE_INFINITY;

/** An electronic watcher looks this long after switching on, when the inrush has passed, s (typical). */
export const WATCHER_SAMPLE_SECONDS = 0.12;
