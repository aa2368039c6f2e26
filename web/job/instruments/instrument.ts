import type { MeterQuantity, MeterReading } from '../../../core/instruments/fromInstrument.ts';

/** Anything that is spoken to in lines of text: a stand-in, or a real meter on a serial port. */
export interface Instrument {
  readonly name: string;
  /**
   * Sends a line and waits for what it answers; a line without a question mark is not answered.
   *
   * @returns null of a command
   * @throws InstrumentError where it is gone, silent or talks nonsense
   */
  ask(line: string): Promise<string | null>;
  close(): Promise<void>;
}

/** What went wrong with an instrument, said to whoever uses it. */
export class InstrumentError extends Error {}

/** What SCPI-1999 answers for what is over all range, and for what is no number. */
const OVER_RANGE = 9.9e37;
const NO_NUMBER = 9.91e37;

const HEADERS: Record<MeterQuantity | 'lux', string> = {
  volts: 'VOLTage:DC',
  amps: 'CURRent:DC',
  ohms: 'RESistance',
  hertz: 'FREQuency',
  celsius: 'TEMPerature',
  lux: 'ILLuminance',
};

/** One figure as an instrument writes it: infinite over its range, null for no number. @throws InstrumentError for what is none */
export function figureOf(answer: string | null): number | null {
  const value = Number(answer?.trim() === '' ? Number.NaN : answer);
  if (answer === null || Number.isNaN(value))
    throw new InstrumentError(`"${(answer ?? '').slice(0, 40)}" is no reading.`);
  if (Math.abs(value) >= NO_NUMBER * 0.9999) return null;
  return Math.abs(value) >= OVER_RANGE * 0.9999 ? Number.POSITIVE_INFINITY : value;
}

/**
 * Reads a quantity where the probe is.
 *
 * @param swings whether it keeps its greatest and least too, as the stand-in does; a real meter is asked for what is now
 * @throws InstrumentError with what its error queue says where it does not answer
 */
export async function readQuantity(
  instrument: Instrument,
  quantity: MeterQuantity,
  swings: boolean,
): Promise<MeterReading> {
  const ask = async (end: string) => {
    const answer = await instrument.ask(`MEASure:${HEADERS[quantity]}${end}?`);
    if (answer === null || answer === '') throw new InstrumentError(await queued(instrument));
    return figureOf(answer);
  };
  const now = await ask('');
  if (!swings || (quantity !== 'volts' && quantity !== 'amps'))
    return { quantity, now, most: now, least: now };
  return { quantity, now, most: await ask(':MAXimum'), least: await ask(':MINimum') };
}

/** Lux, the greatest while a lamp flashes. @throws InstrumentError */
export async function readLux(instrument: Instrument): Promise<number | null> {
  const answer = await instrument.ask(`MEASure:${HEADERS.lux}:MAXimum?`);
  if (answer === null || answer === '') throw new InstrumentError(await queued(instrument));
  return figureOf(answer);
}

async function queued(instrument: Instrument): Promise<string> {
  const error = await instrument.ask('SYSTem:ERRor?');
  const words = /"([^"]*)"/.exec(error ?? '')?.[1];
  return words && words !== 'No error'
    ? `The instrument says: ${words.toLowerCase()}.`
    : 'The instrument did not answer.';
}
