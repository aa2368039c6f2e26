/** The working point of a two-terminal device. */
export interface Operating {
  /** current into the feed terminal, A */
  amps: number;
  /** dI/dV there, S; never negative for the passive devices of a lamp circuit, but for converters */
  siemens: number;
}

/** Anything that draws current between a lamp's feed and earth. */
export interface Device {
  /** Steady current at a voltage across the device, V. */
  operate(volts: number): Operating;
}

/** An ohmic resistor. */
export class Resistor implements Device {
  constructor(readonly ohms: number) {
    if (!(ohms > 0)) throw new RangeError('a resistor needs more than 0 Ω');
  }

  operate(volts: number): Operating {
    return { amps: volts / this.ohms, siemens: 1 / this.ohms };
  }
}
