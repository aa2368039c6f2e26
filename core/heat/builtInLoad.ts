import type { LedPart } from '../model/part.ts';
import { circuitsFeeding } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { HOT_DAY } from './mounts.ts';
import { type UseCase, usesOf } from './useCases.ts';

/**
 * An LED bulb that burns a load inside its own body, in a lamp's closed housing: one node, its body, that loses its
 * heat to the air behind the reflector. Figures are estimates typical of bulbs of a filament bulb's size (some 50 cm²
 * of surface at 12 to 15 W/m²K); say so wherever they are shown.
 */
const BODY_HEAT = 12;
const BODY_TO_AIR = 14;
/** Share of an LED's own watts that leaves as light (typical). */
const LIGHT_SHARE = 0.25;
/** Above this an LED gives a fifth less light and ages several times as fast; above the next its chips fail (typical). */
const SUFFERS_CELSIUS = 105;
const FAILS_CELSIUS = 135;

export interface BuiltInHeat {
  code: string;
  useCase: UseCase;
  ambientCelsius: number;
  peakCelsius: number;
  state: 'cool' | 'suffers' | 'overheats';
}

/**
 * How hot the body of an LED with a load inside gets in one use.
 *
 * @param litVolts at the bulb while lit
 * @throws RangeError for an LED without a load
 */
export function builtInHeat(
  part: LedPart,
  litVolts: number,
  useCase: UseCase,
  ambientCelsius: number,
): BuiltInHeat {
  if (part.builtInLoadOhms === undefined) throw new RangeError(`${part.code} has no load built in`);
  const load = litVolts ** 2 / part.builtInLoadOhms;
  const own = Math.max(0, part.watts - part.atVolts ** 2 / part.builtInLoadOhms);
  const watts = (load + own * (1 - LIGHT_SHARE)) * useCase.duty;
  const risen = 1 - Math.exp(-useCase.seconds / (BODY_HEAT * BODY_TO_AIR));
  const peakCelsius = ambientCelsius + watts * BODY_TO_AIR * risen;
  const state =
    peakCelsius > FAILS_CELSIUS ? 'overheats' : peakCelsius > SUFFERS_CELSIUS ? 'suffers' : 'cool';
  return { code: part.code, useCase, ambientCelsius, peakCelsius, state };
}

/** An LED that burns a load inside itself, in one use of its lamp. */
export interface BuiltInUse {
  heat: BuiltInHeat;
  /** a hazard left on for half an hour is not: it is told, and condemns nothing */
  everyDay: boolean;
}

/**
 * How an LED with a load inside bears each use of the lamp it is in, worst first.
 *
 * @param litVolts at the bulb while lit
 * @throws RangeError for an LED without a load
 */
export function builtInUses(vehicle: Vehicle, lampId: string, part: LedPart, litVolts: number): BuiltInUse[] {
  // Its load lies across the bright feed; the dim one has the dim level alone.
  return usesOf(vehicle, circuitsFeeding(vehicle, lampId, 'main'))
    .filter((use) => !use.fault)
    .map((use) => ({ heat: builtInHeat(part, litVolts, use, HOT_DAY), everyDay: use.id !== 'hazard' }))
    .toSorted((a, b) => b.heat.peakCelsius - a.heat.peakCelsius);
}
