import { ScpiError, ScpiErrorQueue } from './scpiErrors.ts';
import { compiled, execute, noneFrom, type ScpiCommand, unitsOf } from './scpiParser.ts';

/** A line longer than this is no command, characters. */
export const LONGEST_LINE = 1024;
/** What SCPI-1999 answers for what is over all range, and for what is no number. */
export const OVER_RANGE = 9.9e37;
export const NO_NUMBER = 9.91e37;

/** A number as an instrument writes it: `+1.26300E+01` (NR3). */
export function nr3(value: number): string {
  const finite = Number.isNaN(value) ? NO_NUMBER : Math.min(OVER_RANGE, Math.max(-OVER_RANGE, value));
  const [mantissa = '', exponent = '0'] = finite.toExponential(5).split('e');
  const sign = mantissa.startsWith('-') ? '' : '+';
  const power = Number(exponent);
  return `${sign}${mantissa}E${power < 0 ? '-' : '+'}${String(Math.abs(power)).padStart(2, '0')}`;
}

/**
 * One instrument spoken to in lines of text: the common commands of IEEE 488.2, the error queue of SCPI-1999, and the commands
 * of whoever makes it. Nothing a line can hold stops it.
 */
export class ScpiSession {
  private readonly errors = new ScpiErrorQueue();
  private readonly commands;

  /**
   * @param identity maker, model, serial number, version: what `*IDN?` answers
   * @param reset what `*RST` does to the instrument
   */
  constructor(
    identity: readonly [string, string, string, string],
    own: readonly ScpiCommand[],
    reset: () => void,
  ) {
    const plain = (pattern: string, run: () => string | undefined): ScpiCommand => ({
      pattern,
      run: (parameters) => {
        noneFrom(parameters);
        return run();
      },
    });
    this.commands = compiled([
      plain('*IDN?', () => identity.join(',')),
      plain('*RST', () => {
        reset();
        return undefined;
      }),
      plain('*CLS', () => {
        this.errors.clear();
        return undefined;
      }),
      plain('*OPC', () => {
        this.errors.complete();
        return undefined;
      }),
      plain('*OPC?', () => '1'),
      plain('*ESR?', () => String(this.errors.takeStatus())),
      plain('*STB?', () => String(this.errors.some ? 1 << 2 : 0)),
      plain('*TST?', () => '0'),
      plain('*WAI', () => undefined),
      plain('SYSTem:ERRor[:NEXT]?', () => this.errors.next()),
      plain('SYSTem:VERSion?', () => '1999.0'),
      ...own,
    ]);
  }

  /**
   * One line, without its end.
   *
   * @returns what its queries answer, joined by semicolons; null where it holds none, or none that could be answered
   */
  line(text: string): string | null {
    if (text.length > LONGEST_LINE) {
      this.errors.push('tooMuch');
      return null;
    }
    const answers: string[] = [];
    try {
      let branch = '';
      for (const unit of unitsOf(text)) {
        const done = execute(this.commands, unit, branch);
        branch = done.branch;
        if (done.answer !== undefined) answers.push(done.answer);
      }
    } catch (error) {
      // What came after a unit that could not be run is not run either (IEEE 488.2, 6.1.6).
      this.errors.push(error instanceof ScpiError ? error.error : 'command');
    }
    return answers.length === 0 ? null : answers.join(';');
  }
}
