import { worksAmps } from '../catalogue/worksLeds.ts';
import type { LedPart } from '../model/part.ts';
import type { Lamp, LampInput } from '../model/vehicle/lamp.ts';
import { circuitsFeeding } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** Light of an LED from the works, lm a watt (typical); what it replaces nobody can compare it with. */
const LUMENS_A_WATT = 80;
/** What bulbs are rated at by their standard on 12 V, V. */
const RATED_VOLTS = 13.5;
/** Of its supply that stands across its string (typical of two or three chips in a row). */
const STRING_SHARE = 0.5;

/** What the LED a lamp left the works with is called among parts. */
export const worksLedId = (lampId: string) => `works-${lampId}`;

/** What an LED from the works may draw from one feed, least and most, A: as measured, else what such lamps draw. */
export function worksRange(vehicle: Vehicle, lamp: Lamp, input: LampInput): [number, number] {
  const measured = input === 'dim' ? lamp.works?.dimAmps : lamp.works?.amps;
  if (measured) return [measured, measured];
  const ranges = circuitsFeeding(vehicle, lamp.id, input).map(({ kind }) =>
    worksAmps(kind, vehicle.systemVolts),
  );
  if (ranges.length === 0) return worksAmps('marker', vehicle.systemVolts);
  return [Math.min(...ranges.map(([least]) => least)), Math.max(...ranges.map(([, most]) => most))];
}

/**
 * The LED a lamp left the works with, as the circuit sees it: what it draws it draws at every supply, each of its levels
 * from a string of its own. One nobody has measured draws what lies in the middle of what such lamps draw.
 */
export function worksAsLed(vehicle: Vehicle, lamp: Lamp): LedPart {
  const { systemVolts } = vehicle;
  const volts = RATED_VOLTS * (systemVolts / 12);
  const wattsOf = (input: LampInput) => {
    const [least, most] = worksRange(vehicle, lamp, input);
    return Math.sqrt(least * most) * volts;
  };
  const watts = wattsOf('main');
  const twin = circuitsFeeding(vehicle, lamp.id, 'dim').length > 0;
  return {
    kind: 'led',
    id: worksLedId(lamp.id),
    code: 'works LED',
    name: 'LED from the works',
    price: 0,
    stock: 0,
    bases: [lamp.base],
    colour: lamp.lens === 'amber' || lamp.lens === 'red' ? lamp.lens : 'white',
    watts,
    atVolts: volts,
    supplyRange: [9 * (systemVolts / 12), 16 * (systemVolts / 12)],
    polarity: 'either',
    ballast: { kind: 'constant-current', forwardVolts: STRING_SHARE * systemVolts },
    ...(twin ? { twin: { topology: 'own-resistors' as const, dimWatts: wattsOf('dim') } } : {}),
    lumens: Math.max(1, LUMENS_A_WATT * watts),
    // It fills its own housing: there is nothing to measure it against.
    lengthMm: 1,
    diameterMm: 1,
  };
}
