import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { FaultFinder } from './finder.ts';
import { provingGrid } from './grid.ts';
import { SYMPTOMS } from './symptomList.ts';
import { placesOfSymptoms, symptomTold, unlikeUsual } from './symptoms.ts';
import { NOTHING_TOLD } from './told.ts';

/** What is told of each vehicle kind, of which place, and the kind of fault the simulation then finds likeliest. */
const TOLD: Record<string, readonly [symptom: string, place: string, kind: string][]> = {
  'library-route-1': [
    ['not-lit', 'rear-left', 'poor-contact'],
    ['fast-side', 'turn-left', 'tap-open'],
    ['stays-on', '', 'relay-stuck'],
    ['never', '', 'relay-stuck'],
    ['all-four', 'turn-left', 'sides-bridged'],
    ['wet', 'rear-left', 'wet'],
  ],
  'dial-a-ride-2': [
    ['not-lit', 'rear-left', 'bulb-out'],
    ['fast-both', '', 'setting-lost'],
    ['fast-side', 'turn-left', 'setting-lost'],
    ['message', 'turn-left', 'setting-lost'],
    ['glows', 'rear-left', 'leakage'],
    ['all-four', 'turn-left', 'sides-bridged'],
  ],
  'gritter-4': [
    ['fast-both', '', 'bad-earth'],
    ['fast-lights', '', 'bad-earth'],
    ['swapped', 'stop-tail-left', 'half-turned'],
    ['flickers', 'rear-left', 'corroded-carrier'],
    ['fuse-blows', 'turn-left', 'led-shorted'],
  ],
  'courier-moped-7': [
    ['not-lit', 'rear-left', 'bulb-out'],
    ['never', '', 'fuse-out'],
    ['all-four', 'turn-left', 'sides-bridged'],
    ['swapped', 'stop-tail', 'half-turned'],
    ['fuse-blows', 'turn-left', 'short-to-earth'],
  ],
  'exhibition-trailer': [
    ['not-lit', 'upper-left', 'bulb-out'],
    ['stays-on', '', 'relay-stuck'],
    ['never', '', 'relay-stuck'],
    ['swapped', 'upper-left', 'half-turned'],
    ['fuse-blows', 'turn-left', 'short-to-earth'],
  ],
};

const vehicles = Object.fromEntries(
  Object.keys(TOLD).map((id) => {
    const job = demoJob(id);
    const grid = provingGrid(job, DEMO_SHELF);
    if (!grid) throw new Error('it was ended');
    return [id, { job, grid, finder: new FaultFinder(job, grid, DEMO_SHELF) }];
  }),
);
const ask = (id: string, symptomId: string, place: string) => {
  const { job, grid, finder } = vehicles[id] as NonNullable<(typeof vehicles)[string]>;
  const symptom = SYMPTOMS.find((each) => each.id === symptomId);
  if (!symptom) throw new Error(symptomId);
  const places = placesOfSymptoms(job.vehicle, grid)
    .get(symptomId)
    ?.map((each) => each.id);
  const cells = symptomTold(symptom, place, job.vehicle, grid);
  const finding = finder.find({ ...NOTHING_TOLD, cells });
  return { places, cells, finding, unlike: unlikeUsual(symptom, cells, finding, job.vehicle, grid) };
};

describe.each(Object.entries(TOLD))('what is said of %s', (id, told) => {
  it.each(told)('“%s” of “%s” leads to a cause the simulation supports: %s', (symptom, place, kind) => {
    const { places, cells, finding } = ask(id, symptom, place);
    expect(places).toContain(place);
    expect(cells.length).toBeGreaterThan(0);
    const [first] = finding.suspects;
    const found = first?.faults.map((each) => each.fault.kind);
    expect(found).toContain(kind);
    expect(finding.unexplained).toEqual([]);
  });
});

describe('where a vehicle differs from what is usual', () => {
  it('says why: on this van a dead lamp elsewhere is no cause of a fast flash, its resistors hold the relay', () => {
    const { unlike } = ask('library-route-1', 'fast-side', 'turn-left');
    expect(unlike[0]).toMatch(/a dead bulb or LED.*would show otherwise, for one front left dark/);
    expect(unlike.at(-1)).toMatch(/a resistor on the wrong wire: this vehicle has nothing that could be so/);
  });

  it('and that what is usual shows nothing there, or is among what was found', () => {
    expect(ask('library-route-1', 'glows', 'rear-left').unlike.join(' ')).toMatch(/leaks|test pulses/);
    expect(ask('library-route-1', 'all-four', 'turn-left').unlike).toEqual([]);
  });

  it('every symptom is told of every place it can be of, in cells the grid has', () => {
    for (const { job, grid } of Object.values(vehicles)) {
      const places = placesOfSymptoms(job.vehicle, grid);
      for (const symptom of SYMPTOMS)
        for (const place of places.get(symptom.id) ?? []) {
          const told = symptomTold(symptom, place.id, job.vehicle, grid);
          const ids = grid.cells.map(({ id }) => id);
          expect(told.every(({ cellId }) => ids.includes(cellId))).toBe(true);
        }
    }
  });
});
