import type { WayPlace } from '../judge/verdict.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import type { TurnOutputs } from '../model/vehicle/vehicle.ts';

const FLASHERS: Record<FlasherKind, string> = {
  'watching-relay': 'a relay that watches',
  'non-watching-relay': 'a relay that does not watch',
  thermal: 'a thermal flasher',
  controller: 'a body controller',
};

const OUTPUTS: Record<TurnOutputs, string> = {
  side: 'one output a side',
  corner: 'an output a corner',
  lamp: 'an output a lamp',
};

/** `a relay that watches`: what flashes the turn lamps. */
export function flasherWords(kind: FlasherKind): string {
  return FLASHERS[kind];
}

/** `On a relay that watches`, `On a body controller, an output a corner`; a way may stand for every relay. */
export function placeWords({ flasher, anyRelay, outputs }: WayPlace): string {
  if (anyRelay) return 'On a relay of any kind';
  return `On ${FLASHERS[flasher]}${outputs ? `, ${OUTPUTS[outputs]}` : ''}`;
}
