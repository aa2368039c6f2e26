/** Something wrong with a vehicle that its circuit feels. */
export type Fault =
  /** a one-way LED put in the wrong way round */
  | { kind: 'reversed'; lampId: string }
  /** a loose or rusted earth point, ohms more than it should have */
  | { kind: 'bad-earth'; earthPointId: string; ohms: number }
  /** a feed that lets current through while off, ohms to the supply */
  | { kind: 'leakage'; circuitId: string; ohms: number }
  /** a bulb that is out of its socket, or burnt out */
  | { kind: 'bulb-out'; lampId: string };
