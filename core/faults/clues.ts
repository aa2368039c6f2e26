import type { Clue } from '../model/clues.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Nature } from './faultKind.ts';
import { type Fault, kindOf } from './kinds.ts';

/**
 * How much likelier a clue makes a fault, against the others (common practice: the order matters, not the figure).
 *
 * @param lampId the lamp it was told of, where it was told of one
 */
export function clueFactor(clue: Clue, fault: Fault, vehicle: Vehicle, lampId: string | null): number {
  const kind = kindOf(fault);
  const is = (nature: Nature) => kind.natures.includes(nature);
  switch (clue) {
    case 'wiggle': {
      const here = lampId === null || kind.lampIds(fault, vehicle).includes(lampId);
      return is('contact') ? (here ? 5 : 0.5) : 0.25;
    }
    case 'since-relay':
      return is('relay') ? 6 : 0.6;
    case 'since-leds':
      return is('with-leds') ? 2.5 : 0.7;
    case 'came-later':
      return is('from-start') ? 0.15 : is('age') ? 2 : 1;
    case 'when-wet':
      return is('water') ? 3 : 0.5;
  }
}
