import { describe, expect, it } from 'vitest';
import { BenchVehicle } from '../../../core/instruments/benchVehicle.ts';
import { multimeter } from '../../../core/instruments/multimeter.ts';
import { CONTROLS_OFF } from '../../../core/simulation/controls.ts';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { figureOf, InstrumentError, readQuantity } from './instrument.ts';
import { SerialInstrument, type SerialPortLike } from './serialInstrument.ts';

/** A port somebody sits behind, who answers each line in pieces of any size; null hangs up, nothing says nothing. */
function fakePort(
  answer: (line: string) => string | null | undefined,
  piece = 3,
): SerialPortLike & { closed: boolean } {
  let give: ReadableStreamDefaultController<Uint8Array> | undefined;
  const bytes = new TextEncoder();
  const readable = new ReadableStream<Uint8Array>({
    start: (controller) => {
      give = controller;
    },
  });
  let held = '';
  const writable = new WritableStream<Uint8Array>({
    write: (chunk) => {
      held += new TextDecoder().decode(chunk);
      for (let end = held.indexOf('\n'); end >= 0; end = held.indexOf('\n')) {
        const said = answer(held.slice(0, end));
        held = held.slice(end + 1);
        if (said === null) give?.close();
        else if (said !== undefined)
          for (let at = 0; at < said.length; at += piece)
            give?.enqueue(bytes.encode(said.slice(at, at + piece)));
      }
    },
  });
  return {
    readable,
    writable,
    closed: false,
    open: () => Promise.resolve(),
    close() {
      this.closed = true;
      return Promise.resolve();
    },
  };
}

/** The stand-in's own session behind a serial port: what a bench multimeter with SCPI says. */
function meterBehind() {
  const panel = {
    configuration: 'stock' as const,
    controls: { ...CONTROLS_OFF, lights: true, key: 'on' as const },
    emfVolts: 12.6,
  };
  const session = multimeter(
    new BenchVehicle(demoJob('library-route-3'), DEMO_SHELF, panel, [], () => 0),
    (value) => value,
  );
  session.line('ROUT:PROB "lamp:plate-left:main"');
  return (line: string) => {
    const said = session.line(line);
    return said === null ? undefined : `${said}\r\n`;
  };
}

describe('a meter on a serial port', () => {
  it('is asked in lines, and its answers are put together from whatever pieces they come in', async () => {
    for (const piece of [1, 4, 200]) {
      const meter = await SerialInstrument.open(fakePort(meterBehind(), piece), 9600);
      expect(meter.name).toContain('Bench multimeter');
      const reading = await readQuantity(meter, 'volts', false);
      expect(reading.now).toBeGreaterThan(11);
      const [first, second] = await Promise.all([meter.ask('*OPC?'), meter.ask('SYST:VERS?')]);
      expect([first, second]).toEqual(['1', '1999.0']);
    }
  });

  it('that says nothing, hangs up or never ends its line is told of in words', async () => {
    await expect(
      SerialInstrument.open(
        fakePort(() => undefined),
        9600,
        40,
      ),
    ).rejects.toThrow(/did not answer/);
    await expect(
      SerialInstrument.open(
        fakePort(() => null),
        9600,
        400,
      ),
    ).rejects.toThrow(/gone/);
    await expect(
      SerialInstrument.open(
        fakePort(() => 'x'.repeat(6000), 500),
        9600,
        400,
      ),
    ).rejects.toThrow(/without end/);
    const refusing = { ...fakePort(() => 'a\n'), open: () => Promise.reject(new Error('in use')) };
    await expect(SerialInstrument.open(refusing, 9600)).rejects.toThrow(/in use/);
  });

  it('lets go of its port when it is closed, and when nobody is there', async () => {
    const silent = fakePort(() => undefined);
    await SerialInstrument.open(silent, 9600, 30).catch(() => undefined);
    expect(silent.closed).toBe(true);
    const port = fakePort(meterBehind());
    await (await SerialInstrument.open(port, 9600)).close();
    expect(port.closed).toBe(true);
  });

  it('that answers nonsense or an error gives no reading', async () => {
    const odd = await SerialInstrument.open(
      fakePort((line) => (line === '*IDN?' ? 'A,B,0,1\n' : 'OVLD\n')),
      9600,
    );
    await expect(readQuantity(odd, 'volts', false)).rejects.toThrow(InstrumentError);
    expect(figureOf('+9.90000E+37')).toBe(Number.POSITIVE_INFINITY);
    expect(figureOf('+9.91000E+37')).toBeNull();
    expect(figureOf('-1.2E-3')).toBe(-0.0012);
    expect(() => figureOf('')).toThrow(InstrumentError);
  });
});
