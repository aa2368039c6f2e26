import { type Instrument, InstrumentError } from './instrument.ts';

/** As much of a serial port (Web Serial, WICG) as a meter needs. */
export interface SerialPortLike {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
}

/** A meter that has said nothing for so long is not going to, ms. */
const PATIENCE = 3000;
/** A line longer than this is no answer of a meter, characters. */
const LONGEST_LINE = 4096;

/** Whether this browser lets a page talk to serial ports at all. */
export function hasSerial(): boolean {
  return 'serial' in navigator;
}

/** Lets the user choose a port. @throws DOMException where none is chosen */
export function chooseSerialPort(): Promise<SerialPortLike> {
  return (
    navigator as unknown as { serial: { requestPort(): Promise<SerialPortLike> } }
  ).serial.requestPort();
}

/**
 * A real meter on a serial port, spoken to in lines. It reads alone: nothing is ever sent but questions about what it measures,
 * its name and its errors.
 */
export class SerialInstrument implements Instrument {
  name = 'Meter on a serial port';
  private held = '';
  private readonly decoder = new TextDecoder('ascii');
  private reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  private line: Promise<unknown> = Promise.resolve();

  private constructor(
    private readonly port: SerialPortLike,
    private readonly patience: number,
  ) {}

  /** @throws InstrumentError where the port cannot be opened or nobody there says who it is */
  static async open(port: SerialPortLike, baudRate: number, patience = PATIENCE): Promise<SerialInstrument> {
    try {
      await port.open({ baudRate });
    } catch (error) {
      throw new InstrumentError(
        `The port could not be opened: ${(error as Error).message}. Close whatever else uses it.`,
      );
    }
    const instrument = new SerialInstrument(port, patience);
    try {
      const identity = (await instrument.ask('*IDN?')) ?? '';
      instrument.name = identity.split(',').slice(0, 2).join(' ').slice(0, 60) || instrument.name;
      return instrument;
    } catch (error) {
      await instrument.close();
      throw error;
    }
  }

  ask(line: string): Promise<string | null> {
    // One question at a time: answers bear no name.
    const answer = this.line.then(
      () => this.askNow(line),
      () => this.askNow(line),
    );
    this.line = answer;
    return answer;
  }

  async close(): Promise<void> {
    const { reader } = this;
    this.reader = null;
    await reader?.cancel().catch(() => undefined);
    reader?.releaseLock();
    await this.port.close().catch(() => undefined);
  }

  private async askNow(line: string): Promise<string | null> {
    const writer = this.port.writable?.getWriter();
    if (!writer) throw gone();
    try {
      await writer.write(new TextEncoder().encode(`${line}\n`));
    } catch {
      throw gone();
    } finally {
      writer.releaseLock();
    }
    return line.trim().endsWith('?') ? this.nextLine() : null;
  }

  private async nextLine(): Promise<string> {
    const until = Date.now() + this.patience;
    for (;;) {
      const end = this.held.search(/[\r\n]/);
      if (end >= 0) {
        const line = this.held.slice(0, end).trim();
        this.held = this.held.slice(end + 1);
        if (line !== '') return line;
        continue;
      }
      if (this.held.length > LONGEST_LINE) {
        this.held = '';
        throw new InstrumentError(
          'The meter sends without end. Check its baud rate and that it speaks in lines.',
        );
      }
      this.held += await this.nextBytes(until - Date.now());
    }
  }

  private async nextBytes(left: number): Promise<string> {
    this.reader ??= this.port.readable?.getReader() ?? null;
    const { reader } = this;
    if (!reader) throw gone();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const silent = new Promise<'silent'>((resolve) => {
      timer = setTimeout(() => resolve('silent'), Math.max(0, left));
    });
    try {
      const read = await Promise.race([reader.read(), silent]);
      if (read === 'silent') {
        // What comes after all belongs to no question.
        await this.dropReader();
        throw new InstrumentError(
          'The meter did not answer. Check its baud rate, and that it is set to remote.',
        );
      }
      if (read.done) throw gone();
      return this.decoder.decode(read.value, { stream: true });
    } catch (error) {
      throw error instanceof InstrumentError ? error : gone();
    } finally {
      clearTimeout(timer);
    }
  }

  private async dropReader(): Promise<void> {
    const { reader } = this;
    this.reader = null;
    this.held = '';
    await reader?.cancel().catch(() => undefined);
    reader?.releaseLock();
  }
}

function gone(): InstrumentError {
  return new InstrumentError('The meter is gone: plug it in and connect it again.');
}
