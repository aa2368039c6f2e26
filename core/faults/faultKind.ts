import type { DeviationKey } from '../model/deviationKey.ts';
import type { LedPart } from '../model/part.ts';
import type { Lamp, LampInput } from '../model/vehicle/lamp.ts';
import { circuitsFeeding, circuitsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Controls } from '../simulation/controls.ts';
import type { Fitment } from '../simulation/fitment.ts';
import type { Strike } from '../simulation/strike.ts';

/** How faults of a kind come about: what is told beside weighs by it. */
export type Nature =
  /** a contact that wiggling makes or breaks */
  | 'contact'
  /** comes with LEDs */
  | 'with-leds'
  /** is there from the start, or never */
  | 'from-start'
  /** of a relay that was changed */
  | 'relay'
  /** comes with age */
  | 'age'
  /** water brings it or lets it show */
  | 'water';

/** A size that is not known: as it mostly is, and the least and most that is looked for. */
export interface Sizes {
  typical: number;
  from: number;
  to: number;
}

/** One kind of fault: where it may be, how it is put into a vehicle or what it shows, and how it is looked for. */
export interface FaultKindOf<F extends { kind: string }> {
  /** how often it is met for every hundred faults of freshly converted vehicles, one place with another */
  prior: number;
  /** shortest and longest time to look for it once its place is open, minutes (typical) */
  minutes: readonly [number, number];
  natures: readonly Nature[];
  /** every one of its kind a vehicle may have as it is fitted */
  of(fitted: Fitted): readonly F[];
  /** which of its kind it is; empty where there is one alone */
  where(fault: F): string;
  /** lamps it changes */
  lampIds(fault: F, vehicle: Vehicle): readonly string[];
  /** circuits it changes; those of its lamps where left out */
  circuitIds?(fault: F, vehicle: Vehicle): readonly string[];
  /** where one looks for it, with others that are found there; a place of its own where left out */
  place?(fault: F): string;
  /** whether it sits at a lamp, so that one must get behind that; nothing is opened where left out */
  atLamp?: true;
  /** whether it is in the plug itself, on either side of a meter that is held to it */
  atPlug?: true;
  /** its size, where it has one */
  size?: {
    of(fault: F, fitment: Fitment): Sizes;
    /** the same fault so large */
    as(fault: F, size: number): F;
    /** whether it shows most at neither end: lamps feed back through one another */
    between?: true;
  };
  /** how much likelier than others of its kind; 1 where left out */
  weight?(fault: F, vehicle: Vehicle): number;
  /** how it is put into the vehicle's circuit; what no circuit feels leaves it out */
  strike?(fault: F, vehicle: Vehicle): Strike;
  /** what it shows beside what its circuit does */
  shows?(fault: F, worked: Worked): Showing;
}

/** A lamp that is lit by something and has something in it. */
export interface FittedLamp {
  lamp: Lamp;
  /** null where a filament bulb is in it */
  led: LedPart | null;
  /** which of its contacts are fed */
  inputs: readonly LampInput[];
}

/** A vehicle with what is fitted to it. */
export interface Fitted {
  vehicle: Vehicle;
  fitment: Fitment;
  lamps: readonly FittedLamp[];
}

/** A vehicle worked by its switches. */
export interface Worked {
  vehicle: Vehicle;
  fitment: Fitment;
  controls: Controls;
  emfVolts: number;
  /** whether it is dark and all is off, or it is just waking: where a test of the lamps is seen */
  resting: boolean;
}

/** What somebody would see, surely or perhaps: `rear-left flickers`. */
export interface Showing {
  sure: readonly DeviationKey[];
  maybe: readonly DeviationKey[];
}
export const SHOWS_NOTHING: Showing = { sure: [], maybe: [] };

/** A vehicle's lamps as they are fitted. */
export function fittedVehicle(vehicle: Vehicle, fitment: Fitment): Fitted {
  const lamps = vehicle.lamps.flatMap((lamp): FittedLamp[] => {
    const content = fitment.contents.get(lamp.id) ?? { kind: 'empty' as const };
    if (content.kind === 'empty' || circuitsOf(vehicle, lamp.id).length === 0) return [];
    const inputs = (['main', 'dim'] as const).filter(
      (input) => circuitsFeeding(vehicle, lamp.id, input).length > 0,
    );
    return [{ lamp, led: content.kind === 'led' ? content.part : null, inputs }];
  });
  return { vehicle, fitment, lamps };
}

/** Circuits that feed any of some lamps. */
export function circuitIdsOf(vehicle: Vehicle, lampIds: readonly string[]): string[] {
  return [...new Set(lampIds.flatMap((id) => circuitsOf(vehicle, id).map((each) => each.id)))];
}
