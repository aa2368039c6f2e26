import { amps } from '../formatting/format.ts';
import { takenKits } from '../kits/jobKits.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { orderLine, type PickLine, shelfLine } from './pickLine.ts';

/** Each kit once; what its variant uses is in the box. */
export function kitLines(job: Job, shelf: Shelf): PickLine[] {
  return takenKits(job, shelf).map(({ part, variant }) => shelfLine(part, 1, variant.name));
}

/** Parts with a record of their own that come out of a kit's box. */
export function inBoxes(job: Job, shelf: Shelf): ReadonlySet<string> {
  return new Set(
    takenKits(job, shelf).flatMap(({ part, variant }) =>
      variant.uses.flatMap(({ itemId }) => part.sheet.items.find(({ id }) => id === itemId)?.partId ?? []),
    ),
  );
}

/** Lamps the job adds, and the relays that feed them. */
export function addedLines({ vehicle }: Job): PickLine[] {
  const added = vehicle.lamps.flatMap(({ id, name, works, added: how }) => {
    if (!how) return [];
    const line = orderLine(
      `added-${id}`,
      '',
      `${name}, ${amps(works?.amps ?? 0)}`,
      1,
      'added to the vehicle',
    );
    const priced =
      how.price === undefined
        ? line
        : { ...line, unitPrice: how.price, total: how.price, boughtTotal: how.price };
    return [priced];
  });
  const relays = vehicle.circuits.filter(({ relay }) => relay);
  const what = `Relay ${vehicle.systemVolts} V with socket`;
  return [
    ...added,
    ...(relays.length > 0
      ? [
          orderLine(
            'added-relays',
            '',
            what,
            relays.length,
            relays.map(({ name }) => name.toLowerCase()).join(', '),
          ),
        ]
      : []),
  ];
}
