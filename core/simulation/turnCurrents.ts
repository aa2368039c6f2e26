/** Currents of the turn circuits in one lit moment. */
export interface TurnCurrents {
  /** into all lit sides together, A */
  totalAmps: number;
  /** what a watcher counts of it, A */
  watchedAmps: number;
  /** volts at the flasher's lamp terminal, or at the first lit output */
  lampTerminalVolts: number;
  lamps: readonly LampCurrents[];
}

export interface LampCurrents {
  lampId: string;
  /** volts between the lamp's feed and earth contacts */
  volts: number;
  bulbAmps: number;
  resistorAmps: number;
}
