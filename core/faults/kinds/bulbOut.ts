import { lampOut } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { IN_SOCKET } from '../sites.ts';

/** A bulb that is out of its socket or makes no contact, or an LED that is dead and open. */
export interface BulbOut {
  kind: 'bulb-out';
  lampId: string;
}

export const bulbOut: FaultKindOf<BulbOut> = {
  prior: 12,
  minutes: [1, 4],
  natures: ['contact', 'age'],
  of: ({ lamps }) => lamps.map(({ lamp }) => ({ kind: 'bulb-out', lampId: lamp.id })),
  ...IN_SOCKET,
  strike: ({ lampId }) => lampOut(lampId),
};
