import type { FaultKindOf } from '../faultKind.ts';
import { ODD_WHILE_ON } from '../odd.ts';

/** A charge lamp that passes too little current to start the alternator. */
export interface Excite {
  kind: 'excite';
  circuitId: string;
}

export const excite: FaultKindOf<Excite> = {
  prior: 5,
  minutes: [2, 6],
  natures: ['with-leds'],
  of: ({ vehicle }) =>
    vehicle.circuits.flatMap((circuit): Excite[] =>
      circuit.excite ? [{ kind: 'excite', circuitId: circuit.id }] : [],
    ),
  ...ODD_WHILE_ON,
};
