import type { ControlState } from './netlist.ts';

/** How time is stepped: `steady` has none, the others join the state at the last accepted moment to now. */
export type Integration = { kind: 'steady' } | { kind: 'backward-euler' | 'trapezoidal'; seconds: number };

/**
 * One two-terminal element in the solver. `linearise` draws the tangent I ≈ amps + siemens·V at a voltage;
 * elements with memory also `accept` a moment, after which it is their past.
 */
export abstract class Branch {
  amps = 0;
  siemens = 0;
  /** its tangent is the same at every voltage and moment: drawn once for all steps until a value changes */
  get straight(): boolean {
    return false;
  }

  constructor(
    readonly id: string,
    /** node indices; −1 is earth */
    readonly a: number,
    readonly b: number,
  ) {}

  /** Draws the tangent at the voltage across the branch. Sets `amps` (at V = 0) and `siemens`. */
  abstract linearise(volts: number, how: Integration): void;

  /** Whether the tangent was drawn where the solution then landed. */
  converged(_volts: number): boolean {
    return true;
  }

  /** Current at a voltage, by the tangent. */
  current(volts: number): number {
    return this.amps + this.siemens * volts;
  }

  /** Takes the present solution as the past of the next step. */
  accept(_volts: number, _how: Integration): void {}

  /** Largest relative error of the last step in what this branch remembers, in units of what is tolerated. */
  truncationError(_how: Integration): number {
    return 0;
  }

  /** Sets memory to what a steady state gives. */
  rest(_volts: number): void {}

  /** Whether accepting the last step changed the circuit itself, so that the next must begin anew. */
  get flipped(): boolean {
    return false;
  }

  /** Whether a contact is closed; undefined for what is no contact. */
  get closed(): boolean | undefined {
    return undefined;
  }

  /** volts of a source of its own; nothing has one but a battery */
  get emf(): number {
    return 0;
  }

  setControls(_controls: ControlState): void {}

  /** Gives the element another value of its own kind: ohms of a resistor, EMF of a battery. */
  setValue(_value: number): void {
    throw new RangeError(`Element "${this.id}" has no value that can be changed`);
  }

  /** Gives a filament another share of the time its pulsed feed is on. */
  setDuty(_duty: number): void {
    throw new RangeError(`Element "${this.id}" is no filament`);
  }

  /** How far past melting a steady current would take a fuse: above 1 it goes. */
  overload(_volts: number): number {
    return 0;
  }

  /** Whether a fuse has melted. */
  get blown(): boolean {
    return false;
  }

  blow(): void {
    throw new RangeError(`Element "${this.id}" is no fuse`);
  }

  /** Holds a filament at the heat it has so long after coming on, dark for so long before; nothing else warms. */
  warm(_volts: number, _sourceVolts: number, _seconds: number, _darkSeconds: number): void {}

  /** Lets a held filament go. */
  release(): void {}

  /** Temperature of a filament, K; undefined for everything else. */
  get filamentKelvin(): number | undefined {
    return undefined;
  }
}
