import type { FaultKindOf } from '../faultKind.ts';
import { networksOf, withNetwork } from '../refitted.ts';
import { AT_RESISTOR } from '../sites.ts';

/** A resistor of another value: so many times its printed ohms. */
export interface ResistorValue {
  kind: 'resistor-value';
  lampId: string;
  /** which of the resistors at its lamp, from 0 */
  index: number;
  factor: number;
}

const TIMES = { typical: 4, from: 2.5, to: 10 };

export const resistorValue: FaultKindOf<ResistorValue> = {
  prior: 3,
  minutes: [2, 5],
  natures: [],
  of: ({ fitment }) =>
    networksOf(fitment).map(({ lampId, index }) => ({
      kind: 'resistor-value',
      lampId,
      index,
      factor: TIMES.typical,
    })),
  ...AT_RESISTOR,
  size: { of: () => TIMES, as: (fault, factor) => ({ ...fault, factor }) },
  strike: (fault) => ({
    fitment: (fitment) =>
      withNetwork(fitment, fault, (network) => ({
        ...network,
        pieces: network.pieces.map((piece) => ({ ...piece, ohms: piece.ohms * fault.factor })),
      })),
  }),
};
