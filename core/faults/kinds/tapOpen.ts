import type { FaultKindOf } from '../faultKind.ts';
import { networksOf, withNetwork } from '../refitted.ts';
import { AT_RESISTOR } from '../sites.ts';

/** The lead of a resistor that makes no contact, or lies on earth at both ends: it is not there. */
export interface TapOpen {
  kind: 'tap-open';
  lampId: string;
  /** which of the resistors at its lamp, from 0 */
  index: number;
}

export const tapOpen: FaultKindOf<TapOpen> = {
  prior: 9,
  minutes: [2, 6],
  natures: ['contact', 'age'],
  of: ({ fitment }) => networksOf(fitment).map(({ lampId, index }) => ({ kind: 'tap-open', lampId, index })),
  ...AT_RESISTOR,
  strike: (fault) => ({ fitment: (fitment) => withNetwork(fitment, fault, () => null) }),
};
