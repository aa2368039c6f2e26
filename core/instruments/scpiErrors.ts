/** Standard errors (SCPI-1999, vol. 2, ch. 21; from memory). */
export const SCPI_ERRORS = {
  none: [0, 'No error'],
  command: [-100, 'Command error'],
  character: [-101, 'Invalid character'],
  syntax: [-102, 'Syntax error'],
  dataType: [-104, 'Data type error'],
  notAllowed: [-108, 'Parameter not allowed'],
  missing: [-109, 'Missing parameter'],
  undefinedHeader: [-113, 'Undefined header'],
  range: [-222, 'Data out of range'],
  tooMuch: [-223, 'Too much data'],
  illegal: [-224, 'Illegal parameter value'],
  overflow: [-350, 'Queue overflow'],
} as const satisfies Record<string, readonly [number, string]>;

export type ScpiErrorName = keyof typeof SCPI_ERRORS;

/** Thrown inside a command; the session puts it into its queue and goes on. */
export class ScpiError extends Error {
  constructor(readonly error: ScpiErrorName) {
    super(SCPI_ERRORS[error][1]);
  }
}

/** So many errors wait to be asked for; the last place says that there were more. */
const LONGEST = 16;

/** The errors of an instrument, first in first out (IEEE 488.2 and SCPI-1999). */
export class ScpiErrorQueue {
  private readonly waiting: ScpiErrorName[] = [];
  /** the standard event status register: bit 5 command error, bit 4 execution error, bit 7 power on */
  private status = 1 << 7;

  push(error: ScpiErrorName): void {
    const [code] = SCPI_ERRORS[error];
    this.status |= code > -200 ? 1 << 5 : code > -300 ? 1 << 4 : 1 << 3;
    if (this.waiting.length < LONGEST - 1) this.waiting.push(error);
    else if (this.waiting.length === LONGEST - 1) this.waiting.push('overflow');
  }

  /** The oldest, as `SYSTem:ERRor?` answers: `-113,"Undefined header"`. */
  next(): string {
    const [code, words] = SCPI_ERRORS[this.waiting.shift() ?? 'none'];
    return `${code},"${words}"`;
  }

  /** The event status, which asking clears. */
  takeStatus(): number {
    const { status } = this;
    this.status = 0;
    return status;
  }

  complete(): void {
    this.status |= 1;
  }

  get some(): boolean {
    return this.waiting.length > 0;
  }

  clear(): void {
    this.waiting.length = 0;
    this.status = 0;
  }
}
