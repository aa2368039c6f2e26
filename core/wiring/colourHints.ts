import { COLOUR_HABITS } from '../catalogue/wires.ts';
import type { CavityUse, WireColours } from '../model/vehicle/connector.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** What a wire's colour hints at: never proof, least of all on imports. */
export interface ColourHint {
  /** `black often is earth on much North American wiring` */
  words: string;
  /** how much likelier it makes what fits it (judgement: a habit holds about two times in three) */
  weight: number;
  fits(use: CavityUse, vehicle: Vehicle): boolean;
}

const WEIGHT = 2;

/** The habit of a market's wiring for a colour with its tracer; null where there is none. */
export function colourHint(region: Vehicle['region'], colour: WireColours | undefined): ColourHint | null {
  if (!colour) return null;
  const habit =
    COLOUR_HABITS.find(
      (each) => each.region === region && each.base === colour.base && each.tracer === colour.tracer,
    ) ??
    COLOUR_HABITS.find(
      (each) => each.region === region && each.base === colour.base && each.tracer === undefined,
    );
  if (!habit) return null;
  return {
    words: `${habit.colour} is often ${habit.means} on ${habit.where}: a hint, no proof`,
    weight: WEIGHT,
    fits: (use, vehicle) => {
      if (habit.does.kind === 'earth')
        return use.does === 'earth' || (use.does === 'relay' && use.terminal === 'earth');
      if (use.does !== 'feed') return false;
      const { kind, side } = habit.does;
      return use.circuitIds.some((id) => {
        const circuit = vehicle.circuits.find((each) => each.id === id);
        return circuit?.kind === kind && (side === undefined || circuit.side === side);
      });
    },
  };
}
