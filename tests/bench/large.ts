import type { Job } from '../../core/model/job.ts';
import { newJob } from '../../core/model/newJob.ts';
import type { LedPart, Shelf } from '../../core/model/part.ts';
import { layoutEntries, startingVehicle } from '../../core/presets/startingLayout.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

/** A lorry of thirty lamps with its turn lamps converted. */
function thirtyLampJob(): Job {
  const about = { kind: 'lorry', year: 2006, region: 'UN', systemVolts: 24 } as const;
  const usual = layoutEntries(about).filter((entry) => entry.usual);
  const markers = Array.from({ length: 7 }, () => ({ id: 'marker', where: 'pair' }) as const);
  const vehicle = startingVehicle('thirty-lamps', {
    ...about,
    name: 'Thirty lamps',
    model: 'Thirty lamps',
    entries: [...usual, ...markers, { id: 'interior', where: 'centre' }],
    flasher: 'watching-relay',
  });
  const job = newJob('thirty-lamps', 'Thirty lamps', vehicle, '2026-01-01T00:00:00.000Z');
  for (const lamp of vehicle.lamps) job.identified[lamp.id] = lamp.stockBulb;
  for (const side of ['left', 'right']) {
    job.chosen[`front-turn-${side}`] = 'led-heron-24y';
    job.chosen[`rear-turn-${side}`] = 'led-heron-24';
  }
  return job;
}

export const THIRTY_LAMP_JOB = thirtyLampJob();

function bulkShelf(): Shelf {
  const led = DEMO_SHELF.find((part): part is LedPart => part.kind === 'led' && part.id === 'led-tern-3a');
  if (!led) throw new Error('the demo shelf has no such LED');
  const more = Array.from(
    { length: 500 - DEMO_SHELF.length },
    (_, index): LedPart => ({
      ...led,
      id: `led-bulk-${index}`,
      code: `BULK-${index}`,
      watts: 1 + (index % 30) / 10,
      price: 1 + (index % 17),
    }),
  );
  return [...DEMO_SHELF, ...more];
}

/** Five hundred parts: the demo's and bulk. */
export const BULK_SHELF = bulkShelf();

/** The demo's shelf with so many resistors in the place of its own, no two of one value. */
export function manyResistors(count: number): Shelf {
  const some = DEMO_SHELF.find((part) => part.kind === 'resistor');
  if (!some) throw new Error('the demo shelf has no resistor');
  const many = Array.from({ length: count }, (_, index) => ({
    ...some,
    id: `many-${index}`,
    code: `MANY-${index}`,
    ohms: Number((60 ** (index / count)).toFixed(4)),
    watts: [25, 50, 100][index % 3] ?? 50,
    tolerance: [0.01, 0.05, 0.1][index % 3] ?? 0.05,
    stock: index % 5,
  }));
  return [...DEMO_SHELF.filter((part) => part.kind !== 'resistor'), ...many];
}
