import { amps } from '../../../formatting/format.ts';
import type { Job } from '../../../model/job.ts';
import type { LedPart, Shelf } from '../../../model/part.ts';
import type { Lamp } from '../../../model/vehicle/lamp.ts';
import { ledFit } from '../../../vehicle/ledFits.ts';
import { type CureOption, option, refused } from '../option.ts';
import type { CureScope } from '../scope.ts';
import { convertedMains, endsApart } from './ends.ts';

const NAME = 'LEDs with a load built in';
const KINDS = ['built-in-load'] as const;

/** LEDs that carry their own load: in all main lamps, and at either end alone. */
export function builtInOptions(job: Job, shelf: Shelf, scope: CureScope): CureOption[] {
  const mains = convertedMains(job, shelf, scope);
  if (mains.length === 0) return [];
  const parts = new Map<Lamp, LedPart>();
  for (const lamp of mains) {
    const part = loadedLedFor(job, shelf, lamp);
    if (part) parts.set(lamp, part);
  }
  const chosen = (lamps: readonly Lamp[]) =>
    Object.fromEntries(lamps.map((lamp) => [lamp.id, parts.get(lamp)?.id ?? null]));
  const lacking = mains.find((lamp) => !parts.has(lamp));
  const all = lacking
    ? refused(
        'built-in',
        KINDS,
        NAME,
        `No LED on the shelf with a load built in goes into ${lacking.name.toLowerCase()} (${lacking.base}, ${job.vehicle.systemVolts} V).`,
      )
    : {
        ...option('built-in', KINDS, NAME, { chosen: chosen(mains) }),
        ...(scope.turning ? {} : { why: `${amps(printedAmps(parts))} printed, burnt inside the housing.` }),
      };
  const ends = (scope.turning ? endsApart(mains) : []).filter(({ lamps }) =>
    lamps.every((lamp) => parts.has(lamp)),
  );
  return [
    all,
    ...ends.map(({ end, lamps }) =>
      option(`built-in-${end}`, KINDS, `${NAME}, at the ${end}`, { chosen: chosen(lamps) }),
    ),
  ];
}

/** What some LEDs draw together by their print, A. */
function printedAmps(parts: ReadonlyMap<Lamp, LedPart>): number {
  return [...parts.values()].reduce((sum, part) => sum + part.watts / part.atVolts, 0);
}

/** The LED for a lamp whose load is the heaviest. */
function loadedLedFor(job: Job, shelf: Shelf, lamp: Lamp): LedPart | undefined {
  return shelf
    .filter((each): each is LedPart => each.kind === 'led' && each.builtInLoadOhms !== undefined)
    .filter((each) => ledFit(job.vehicle, lamp, each).fits)
    .toSorted((a, b) => (a.builtInLoadOhms ?? 0) - (b.builtInLoadOhms ?? 0))[0];
}
