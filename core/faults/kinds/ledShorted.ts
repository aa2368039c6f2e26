import { NODES } from '../../model/vehicle/netlistNames.ts';
import { joining } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { IN_SOCKET, TOUCHING_OHMS } from '../sites.ts';

/** An LED dead and shorted inside, so many ohms. */
export interface LedShorted {
  kind: 'led-shorted';
  lampId: string;
  ohms: number;
}

export const ledShorted: FaultKindOf<LedShorted> = {
  prior: 1,
  minutes: [2, 5],
  natures: ['age'],
  of: ({ lamps }) =>
    lamps.flatMap(({ lamp, led }): LedShorted[] =>
      led ? [{ kind: 'led-shorted', lampId: lamp.id, ohms: TOUCHING_OHMS }] : [],
    ),
  ...IN_SOCKET,
  strike: ({ lampId, ohms }) =>
    joining(`${lampId}.fault-short`, NODES.feed(lampId), NODES.earth(lampId), ohms),
};
