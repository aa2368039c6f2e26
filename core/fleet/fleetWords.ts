import type { LikeLook } from '../model/job.ts';
import type { FleetDifference } from './differences.ts';

/** What is looked at afresh on each of several equal vehicles. */
export const LOOK_WORDS: Record<LikeLook, string> = {
  dead: 'Every lamp lights as it is: none dead, none dim',
  bulbs: 'Bulb numbers are those of the first',
  sides: 'Left is as right: nobody repaired or added anything',
  equipment: 'Nothing stands in the way that was not on the first',
  flasher: 'The flasher or controller is the same',
};

const STATES = {
  holds: 'holds',
  'either-way': 'could go either way',
  'falls-short': 'falls short',
  'too-much': 'too much',
} as const;

/** What a vehicle's plan is otherwise than that of the first, a line each. */
export function differenceWords({ verdict, parts, minutes }: FleetDifference): string[] {
  const range = ([low, high]: readonly [number, number]) => `${Math.round(low)} to ${Math.round(high)} min`;
  return [
    ...(verdict ? [`Verdict: ${STATES[verdict.here]}, on the first ${STATES[verdict.there]}`] : []),
    ...parts.map(({ code, what, here, there }) => `${code || what}: ${here} instead of ${there}`),
    ...(minutes ? [`Work: ${range(minutes.here)} instead of ${range(minutes.there)}`] : []),
  ];
}
