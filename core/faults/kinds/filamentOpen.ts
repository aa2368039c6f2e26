import type { LampInput } from '../../model/vehicle/lamp.ts';
import { ELEMENTS } from '../../model/vehicle/netlistNames.ts';
import { opened } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { IN_SOCKET } from '../sites.ts';

/** One filament of a twin bulb burnt through, the other sound. */
export interface FilamentOpen {
  kind: 'filament-open';
  lampId: string;
  input: LampInput;
}

export const filamentOpen: FaultKindOf<FilamentOpen> = {
  prior: 6,
  minutes: [1, 3],
  natures: ['age'],
  of: ({ lamps }) =>
    lamps.flatMap(({ lamp, led, inputs }) =>
      led || inputs.length < 2
        ? []
        : inputs.map((input): FilamentOpen => ({ kind: 'filament-open', lampId: lamp.id, input })),
    ),
  ...IN_SOCKET,
  where: ({ lampId, input }) => `${lampId}:${input}`,
  strike: ({ lampId, input }) =>
    opened(input === 'main' ? ELEMENTS.bulb(lampId) : ELEMENTS.dimFilament(lampId)),
};
