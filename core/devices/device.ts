/** Something worth a line on the dash or in the fault memory, in its figures (A, V, s): `words/events.ts` makes the line. */
export type Happening =
  | { kind: 'message'; circuitId: string; by: 'output' | 'bulb-check' | 'fault-wire'; message: string }
  /** a code stored because so little flowed, the lamp lit or tested cold */
  | { kind: 'code'; circuitId: string; code: string; amps: number; found: 'lit' | 'cold-check' }
  | { kind: 'output-off'; circuitId: string; amps: number; limitAmps: number }
  /** blown, or bound to blow after so long */
  | { kind: 'fuse'; fuseId: string; name: string; afterSeconds: number | null }
  | { kind: 'flasher'; is: 'starved' | 'overloaded'; name: string; amps: number; limitAmps: number }
  | { kind: 'sense'; circuitId: string; unit: string; heldVolts: number; underVolts: number }
  | { kind: 'charge'; circuitId: string; amps: number; neededAmps: number };

/** A happening at its moment, s. */
export type DashEvent = Happening & { seconds: number };

/** Same event, same key: it is told once. */
export function eventKey(event: Happening): string {
  switch (event.kind) {
    case 'message':
      return `message-${event.by}-${event.circuitId}`;
    case 'fuse':
      return `fuse-${event.fuseId}-${event.afterSeconds === null ? 'blown' : 'will-blow'}`;
    case 'flasher':
      return `flasher-${event.is}`;
    default:
      return `${event.kind}-${event.circuitId}`;
  }
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
  tell(happening: Happening): void;
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
