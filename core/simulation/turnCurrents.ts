/** Currents of the turn circuits in one lit moment, whoever counts them. */
export interface SolvedCurrents {
  /** into all lit sides together, A */
  totalAmps: number;
  /** volts at the flasher's lamp terminal, or at the first lit output */
  lampTerminalVolts: number;
  lamps: readonly LampCurrents[];
  /** into each lit circuit, by its id, A */
  wireAmps: Readonly<Record<string, number>>;
}

/** The same as a watcher sees them. */
export interface TurnCurrents extends SolvedCurrents {
  /** what the watcher counts of it, A */
  watchedAmps: number;
}

export interface LampCurrents {
  lampId: string;
  /** volts between the lamp's feed and earth contacts */
  volts: number;
  bulbAmps: number;
  resistorAmps: number;
}
