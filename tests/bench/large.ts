import type { Job } from '../../core/model/job.ts';
import { newJob } from '../../core/model/newJob.ts';
import type { LedPart, Shelf } from '../../core/model/part.ts';
import { layoutEntries, startingVehicle } from '../../core/presets/startingLayout.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

type Entries = Parameters<typeof startingVehicle>[1]['entries'];

/** A lorry with its turn lamps converted. */
function lorryJob(id: string, name: string, entries: (usual: Entries) => Entries): Job {
  const about = { kind: 'lorry', year: 2006, region: 'UN', systemVolts: 24 } as const;
  const usual = layoutEntries(about).filter((entry) => entry.usual);
  const vehicle = startingVehicle(id, {
    ...about,
    name,
    model: name,
    entries: entries(usual),
    flasher: 'watching-relay',
  });
  const job = newJob(id, name, vehicle, '2026-01-01T00:00:00.000Z');
  for (const lamp of vehicle.lamps) job.identified[lamp.id] = lamp.stockBulb;
  for (const side of ['left', 'right']) {
    job.chosen[`front-turn-${side}`] = 'led-heron-24y';
    job.chosen[`rear-turn-${side}`] = 'led-heron-24';
  }
  return job;
}

const MARKER = { id: 'marker', where: 'pair' } as const;

/** A lorry of thirty lamps. */
function thirtyLampJob(): Job {
  return lorryJob('thirty-lamps', 'Thirty lamps', (usual) => [
    ...usual,
    ...Array.from({ length: 7 }, () => MARKER),
    { id: 'interior', where: 'centre' },
  ]);
}

/** What a road train or a show lorry has more of, as many times over as it takes. */
const MORE: readonly Entries[number]['id'][] = [
  'map',
  'marker',
  'work',
  'front-fog',
  'end-outline-rear',
  'main-beam',
  'cornering',
  'dipped-beam',
];

/** A lorry of about so many lamps, thirty of them those it had. */
export function manyLampJob(lamps: number): Job {
  return lorryJob(`lamps-${lamps}`, `${lamps} lamps`, (usual) => [
    ...usual,
    ...Array.from({ length: (lamps - 16) >> 1 }, (_, at) => ({
      id: MORE[at % MORE.length] ?? 'marker',
      where: 'pair' as const,
    })),
  ]);
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
