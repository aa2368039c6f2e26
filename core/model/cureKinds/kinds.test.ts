import { expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { effortOf } from '../../cures/compare/effort.ts';
import { pickList } from '../../inventory/picklist.ts';
import type { VehicleCure } from '../cures.ts';
import { jointsOfCures, worksOf } from './kinds.ts';

const piece = { partId: null, ohms: 100, watts: 10, tolerance: 0.05 };
const bleeds: VehicleCure[] = ['stop', 'third-brake'].map((circuitId) => ({
  kind: 'bleed-resistor',
  circuitId,
  piece,
}));
const settings: VehicleCure[] = ['turn-left', 'turn-right'].map((circuitId) => ({
  kind: 'controller-setting',
  circuitId,
  setting: 'led',
  before: 'filament',
}));

it('each bleed resistor has its two joints; a diagnostic tool is plugged in once for all outputs', () => {
  expect(jointsOfCures(bleeds)).toBe(4);
  expect(worksOf(bleeds).length).toBe(2);
  expect(worksOf(settings).length).toBe(1);
  expect(jointsOfCures([...bleeds, ...settings, { kind: 'pilot-diodes' }])).toBe(7);
});

it('the pick list and the comparison of cures count the same joints', () => {
  const job = { ...demoJob('library-route-3'), cures: {}, vehicleCures: bleeds };
  const { lines } = pickList(job, DEMO_SHELF);
  expect(lines.find(({ code }) => code === 'JOINT-S')?.quantity).toBe(4);
  const change = { cures: {}, vehicleCures: bleeds };
  expect(effortOf({ id: 'bleed', name: 'bleeds', kinds: [], refused: null, change }, []).cuts).toBe(4);
});
