import { normalRate, underloadedRate } from '../devices/flasher.ts';
import { ratingOnBulbs, thermalRate } from '../devices/thermal.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import type { JudgedPoint, RatePrediction } from './verdict.ts';

/**
 * Every rate a flasher may show over some working points, flashes a minute. A bimetal goes by what heats it: its rate follows
 * the load.
 *
 * @param ampsAt what flows at a supply so many seconds after the contact closed, A
 */
export function predictRate(
  flasher: Flasher,
  points: readonly JudgedPoint[],
  ampsAt: (emfVolts: number, seconds: number) => number,
): RatePrediction {
  const states = points.map((each) => each.state);
  const short = underloadedRate(flasher);
  const possible = [
    ...(states.every((state) => state === 'falls-short') ? [] : contentRates(flasher, points, ampsAt)),
    ...(states.every((state) => state === 'holds') ? [] : [short]),
  ];
  return { low: Math.min(...possible), high: Math.max(...possible) };
}

function contentRates(
  flasher: Flasher,
  points: readonly JudgedPoint[],
  ampsAt: (emfVolts: number, seconds: number) => number,
): number[] {
  if (flasher.kind !== 'thermal' || flasher.underloaded === 'fast') return [normalRate(flasher)];
  const supplies = new Set(points.map(({ point }) => point.volts));
  const rates = [...supplies].map((emfVolts) =>
    thermalRate(ratingOnBulbs(flasher), (seconds) => ampsAt(emfVolts, seconds)),
  );
  const flashing = rates.filter((rate) => rate > 0);
  return flashing.length > 0 ? flashing : [normalRate(flasher)];
}
