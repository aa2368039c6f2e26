import { useSyncExternalStore } from 'react';
import type { Instrument } from './instrument.ts';
import { InstrumentError } from './instrument.ts';
import { SerialInstrument, type SerialPortLike } from './serialInstrument.ts';
import { hasStandIns, StandIn } from './standIn.ts';

/** What this browser measures with now. */
export interface Connected {
  standIn: StandIn | null;
  real: SerialInstrument | null;
  /** whether the server has stand-ins; null while nobody has asked */
  offered: boolean | null;
}

/** The instruments of this browser: there is one bench, whichever job is on it. */
class Instruments {
  private state: Connected = { standIn: null, real: null, offered: null };
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly now = (): Connected => this.state;

  /** Asks the server once whether it has any. */
  async look(): Promise<void> {
    if (this.state.offered !== true) this.change({ offered: await hasStandIns() });
  }

  async connectStandIn(noise: number): Promise<void> {
    await this.disconnect();
    this.change({ standIn: new StandIn(noise) });
  }

  /** @throws InstrumentError where nobody answers on the port */
  async connectSerial(port: SerialPortLike, baudRate: number): Promise<void> {
    await this.disconnect();
    this.change({ real: await SerialInstrument.open(port, baudRate) });
  }

  async disconnect(): Promise<void> {
    const { standIn, real } = this.state;
    this.change({ standIn: null, real: null });
    await standIn?.close();
    await real?.close();
  }

  private change(to: Partial<Connected>): void {
    this.state = { ...this.state, ...to };
    for (const each of this.listeners) each();
  }
}

export const instruments = new Instruments();

export function useInstruments(): Connected {
  return useSyncExternalStore(instruments.subscribe, instruments.now);
}

/** The meter in use, real before stand-in. */
export function meterOf({ standIn, real }: Connected): Instrument | null {
  return real ?? standIn?.meter ?? null;
}

/** What went wrong, in words somebody can act on. */
export function troubleOf(error: unknown): string {
  if (error instanceof InstrumentError) return error.message;
  if (error instanceof DOMException && error.name === 'NotFoundError') return 'No port was chosen.';
  return `The instrument could not be used: ${error instanceof Error ? error.message : 'no reason given'}.`;
}
