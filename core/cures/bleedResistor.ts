import { E24 } from '../catalogue/eSeries.ts';
import { chargingVolts } from '../judge/workingPoints.ts';
import type { ResistorPiece } from '../model/cures.ts';
import type { SystemVolts } from '../model/fields.ts';
import type { Shelf } from '../model/part.ts';
import type { SenseInput } from '../model/vehicle/circuit.ts';
import { highestPiece, IN_AIR } from './highestPiece.ts';

/** A resistor from a sensed wire to earth, in place of the cold filament the unit used to find. */
export interface BleedPlan {
  /** at most R_p · V_t / (V − V_t), at the highest volts the pull-up stands at */
  maxOhms: number;
  piece: ResistorPiece | null;
  /** what it turns into heat while the pedal is pressed, W */
  pressedWatts: number;
}

/**
 * Sizes the bleed resistor of a sensed wire: as high as still holds it down, so that it warms least while the pedal is
 * pressed.
 */
export function bleedResistor(sense: SenseInput, systemVolts: SystemVolts, shelf: Shelf): BleedPlan {
  const at = chargingVolts(systemVolts);
  const maxOhms = (sense.pullUpOhms * sense.heldUnderVolts) / (at - sense.heldUnderVolts);
  const heat = (value: number) => at ** 2 / value;
  const piece = highestPiece(shelf, {
    maxOhms,
    lowestShare: 3,
    series: E24,
    leastOhms: 1,
    sizes: IN_AIR.sizes,
    bears: (value, ratedWatts) => heat(value) <= ratedWatts * IN_AIR.share,
  });
  return { maxOhms, piece, pressedWatts: piece ? heat(piece.ohms) : 0 };
}
