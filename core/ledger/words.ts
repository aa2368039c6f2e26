import { amps, watts } from '../formatting/format.ts';
import type { BatteryBudget, Range } from './battery.ts';
import type { UseCase } from './energy.ts';

/** What the lamps are used for, as the ledger reckons it. */
export const USE_WORDS: Record<UseCase['id'], string> = {
  parked: 'Parked with lights, an hour, engine off',
  'night-drive': 'A night’s drive, two hours, a twelfth of it braking',
  hazard: 'Hazard, ten minutes, engine off',
};

/** `1.2 Ah`, or `0.4 to 1.2 Ah`. */
export function ampHours([least, most]: Range): string {
  const say = (value: number) => (value < 10 ? value.toFixed(1) : value.toFixed(0));
  return say(least) === say(most) ? `${say(most)} Ah` : `${say(least)} to ${say(most)} Ah`;
}

/** `45 min`, `2 h`, of a range both ends. */
export function duration([least, most]: Range): string {
  const say = (minutes: number) =>
    minutes > 600
      ? 'more than 10 h'
      : minutes >= 120
        ? `${(minutes / 60).toFixed(1)} h`
        : `${Math.floor(minutes)} min`;
  return say(least) === say(most) ? say(least) : `${say(least)} to ${say(most)}`;
}

/** Whether the battery bears the work, and what to do where it may not. */
export function batteryWords({
  total,
  spare,
  heaviestAmps,
  minutesLeft,
  state,
  read,
}: BatteryBudget): string {
  const takes = `The work takes ${ampHours(total)} with the engine off; a third of the battery, ${ampHours(spare)}${read ? '' : ' on most of its kind'}, may go before it is unsure to start.`;
  const lasts = `The heaviest test draws ${amps(heaviestAmps)}: at that the third lasts ${duration(minutesLeft)}.`;
  const advice = {
    enough: 'It is enough.',
    maybe: `It may not be enough: ${read ? '' : 'read the Ah off the battery, '}shut the doors, switch off between tests, or put a charger on.`,
    'too-little': 'It is not enough: put a charger on, or test in shorter turns.',
  }[state];
  return `${takes} ${lasts} ${advice}`;
}

/** What a change saves: `saves 21 W`, `costs 4 W more`. */
export function savedWords(before: number, after: number): string {
  const saved = before - after;
  return saved >= 0 ? `saves ${watts(saved)}` : `takes ${watts(-saved)} more`;
}
