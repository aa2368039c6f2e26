import { temperature } from '../formatting/units.ts';
import type { HeatMount } from './resistorHeat.ts';
import { judgeHeat, type UseCase } from './useCases.ts';

/** Where a resistor is never put, whatever its curve. */
export const REFUSED_PLACES = ['plastic', 'carpet', 'loom'] as const;
export type RefusedPlace = (typeof REFUSED_PLACES)[number];

/** What gives way there first, °C (typical). */
const GIVES_WAY: Record<RefusedPlace, { celsius: number; what: string }> = {
  plastic: { celsius: 90, what: 'common lamp plastics soften from' },
  carpet: { celsius: 160, what: 'carpet fibre melts from' },
  loom: { celsius: 105, what: 'common wire insulation bears no more than' },
};

/** A place that carries no heat away is free air, to the resistor. */
const CARRIES: HeatMount = 'free-air';

/** Why a resistor is refused on plastic, on carpet or against the loom: how hot it gets there, and what gives way. */
export function whyRefused(
  place: RefusedPlace,
  ratedWatts: number,
  litWatts: number,
  useCase: UseCase,
  ambientCelsius: number,
): string {
  const { peakCaseCelsius } = judgeHeat({ ratedWatts, mount: CARRIES }, litWatts, useCase, ambientCelsius);
  const { celsius, what } = GIVES_WAY[place];
  const hot = `It carries no heat away: after ${useCase.name} at ${temperature(ambientCelsius)} the case would be at ${temperature(peakCaseCelsius)} (estimate)`;
  return peakCaseCelsius > celsius
    ? `Refused. ${hot}, and ${what} ${temperature(celsius)}.`
    : `Refused all the same. ${hot}, under the ${temperature(celsius)} that matters there; but a switch that sticks leaves it on for hours.`;
}
