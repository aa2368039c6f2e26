import { normalRate, underloadedRate } from '../devices/flasher.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import type { JudgedPoint, RatePrediction } from './verdict.ts';

/** Every rate a flasher may show over some working points, flashes a minute. */
export function predictRate(flasher: Flasher, points: readonly JudgedPoint[]): RatePrediction {
  const states = points.map((each) => each.state);
  const normal = normalRate(flasher);
  const short = underloadedRate(flasher);
  const possible = [
    ...(states.every((state) => state === 'falls-short') ? [] : [normal]),
    ...(states.every((state) => state === 'holds') ? [] : [short]),
  ];
  return { low: Math.min(...possible), high: Math.max(...possible) };
}
