import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../../../demo/shelf.ts';
import { bulbById } from '../../../catalogue/bulbs.ts';
import type { Bulb } from '../../../model/bulb.ts';
import type { Job } from '../../../model/job.ts';
import { newJob } from '../../../model/newJob.ts';
import type { Shelf } from '../../../model/part.ts';
import { circuitById } from '../../../model/vehicle/lookUp.ts';
import type { VehicleFacts } from '../../../model/vehicle/vehicle.ts';
import { startingVehicle } from '../../../presets/startingLayout.ts';
import { genericLed } from '../../../quick/genericLed.ts';
import { setFuseRead } from '../../../vehicle/edit/circuits.ts';
import { compareTurnCures } from '../compare.ts';

/** A pick-up with some bulbs a side that stop and turn on one filament, LEDs in all of them, metal near. */
function pickUp(
  bulbs: 1 | 2,
  {
    brakeUse,
    read,
    mount = 'chassis',
  }: { brakeUse?: VehicleFacts['brakeUse']; read?: number; mount?: 'chassis' | 'panel' } = {},
): { job: Job; shelf: Shelf } {
  const vehicle = startingVehicle('pick-up', {
    name: 'Pick-up',
    model: '',
    kind: 'van',
    year: 1998,
    region: 'US',
    systemVolts: 12,
    flasher: 'watching-relay',
    rearStop: true,
    frontTwin: true,
    entries: [
      { id: 'front-turn', where: 'pair' },
      ...Array.from({ length: bulbs }, () => ({ id: 'stop-tail' as const, where: 'pair' as const })),
    ],
  });
  for (const lamp of vehicle.lamps) {
    lamp.resistorMount = mount;
    lamp.socketWiring = 'standard';
  }
  if (brakeUse) vehicle.facts = { ...vehicle.facts, brakeUse };
  if (read) for (const { id } of vehicle.fuses) setFuseRead(vehicle, id, read);
  const rear = vehicle.lamps.filter(({ id }) => id.startsWith('stop-tail'));
  const bulb = bulbById(rear[0]?.stockBulb ?? '') as Bulb;
  const part = genericLed({ kind: 'plain', watts: 3, forVolts: 12 }, bulb, 12, 'red');
  const job = newJob('pick-up', 'Pick-up', vehicle, '2026-11-29T10:00:00.000Z');
  for (const { id } of rear) job.chosen[id] = part.id;
  return { job, shelf: [...DEMO_SHELF, part] };
}

const customary = ({ job, shelf }: { job: Job; shelf: Shelf }) =>
  compareTurnCures(job, shelf, circuitById(job.vehicle, 'turn-left') as never).find(
    ({ option }) => option.id === 'resistors-customary',
  );
const celsius = (words: string | undefined) => Number(/the case is at (\d+) °C/.exec(words ?? '')?.[1]);

describe('6 Ω across each of two bulbs a side that stop and turn on one filament', () => {
  it('is told as what people fit: how hot the brake makes it on this mount, and what avoids that', () => {
    const row = customary(pickUp(2));
    expect(row?.option.name).toBe('Load resistors, 6 Ω 50 W across each of 4 lamps, as is customary');
    // 14.4 V across 6 Ω less 5 %: 36.4 W; a relay that does not watch is the way round named first.
    expect(row?.reason).toMatch(/the brake heats them too, 36\.4 W each: after twenty minutes on the brake/);
    expect(row?.reason).toMatch(/What avoids it: a relay that does not watch, a filament left/);
    expect(celsius(row?.reason)).toBeGreaterThan(105);
    expect(row?.state).toBe('too-much');
  });

  it('is as cool as the brake use that was chosen, and as the metal it is on', () => {
    const queue = celsius(customary(pickUp(2, { brakeUse: 'stop-and-go' }))?.reason);
    const road = celsius(customary(pickUp(2, { brakeUse: 'road' }))?.reason);
    const panel = celsius(customary(pickUp(2, { mount: 'panel' }))?.reason);
    expect(queue).toBe(celsius(customary(pickUp(2))?.reason));
    // A fifth of the heat leaves a fifth of the rise over 40 °C, once it has settled.
    expect(road - 40).toBeCloseTo((queue - 40) / 5, -1);
    expect(panel).toBeGreaterThan(queue);
  });

  it('is not "too much" for a fuse nobody has read, and is for a small one that was', () => {
    const unread = customary(pickUp(2, { brakeUse: 'road' }));
    expect(unread?.state).not.toBe('too-much');
    const read = customary(pickUp(2, { brakeUse: 'road', read: 10 }));
    expect(read?.state).toBe('too-much');
    // Four of 14.1 V over 6 Ω less 5 % and four LEDs: the brake draws them, not hazard.
    expect(read?.reason).toMatch(/Everything on it lit heats the 10 A stop fuse like a steady 10\.[4-7]\d A/);
  });

  it('is no row of its own where there is one bulb a side', () => {
    expect(customary(pickUp(1))).toBeUndefined();
  });
});
