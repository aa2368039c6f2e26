import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { vehicleProblems } from './vehicleProblems.ts';

const van = () => structuredClone(demoJob('library-route-3').vehicle);
const minibus = () => structuredClone(demoJob('dial-a-ride-2').vehicle);
/** What is said of a vehicle once something of it is spoilt. */
const after = (vehicle: Vehicle, spoil: (vehicle: Vehicle) => void): string => {
  spoil(vehicle);
  return vehicleProblems(vehicle).join(' | ');
};
const first = <T>(list: readonly T[]): T => {
  const [item] = list;
  if (item === undefined) throw new Error('an empty list');
  return item;
};

it('finds nothing wrong with the demo fleet', () => {
  for (const job of demoJobs()) expect(vehicleProblems(job.vehicle)).toEqual([]);
});

describe('a vehicle that does not hang together', () => {
  it.each<[string, (vehicle: Vehicle) => void, RegExp]>([
    ['a lamp twice', (v) => v.lamps.push(structuredClone(first(v.lamps))), /more than one lamp/],
    ['a fuse twice', (v) => v.fuses.push(structuredClone(first(v.fuses))), /more than one fuse/],
    [
      'no turn circuit',
      (v) => {
        v.circuits = v.circuits.filter((circuit) => circuit.kind !== 'turn');
      },
      /no turn circuit with a side/,
    ],
    [
      'a flasher on a fuse that is not there',
      (v) => {
        v.flasher.fuseId = 'gone';
      },
      /vehicle\.flasher names fuse "gone"/,
    ],
    [
      'a bulb nobody has heard of',
      (v) => {
        first(v.lamps).stockBulb = 'X99';
      },
      /names bulb "X99", which is not in the catalogue/,
    ],
    [
      'an access time that runs backwards',
      (v) => {
        first(v.lamps).access.minutes = [9, 3];
      },
      /runs backwards\. Put the shorter time first/,
    ],
    [
      'an earth point that is not there',
      (v) => {
        first(v.lamps).earthPoint = 'gone';
      },
      /names earth point "gone"/,
    ],
    [
      'a feed to a lamp that is not there',
      (v) => {
        first(v.circuits).feeds.push({ lampId: 'gone', input: 'main' });
      },
      /names lamp "gone"/,
    ],
    [
      'a side of repeaters alone',
      (v) => {
        for (const lamp of v.lamps) lamp.role = 'repeater';
      },
      /no main lamp, so nothing tells when a bulb is missing/,
    ],
    [
      'a circuit on an output of a relay',
      (v) => {
        first(v.circuits).from = { by: 'output' };
      },
      /hangs on a controller output, but no controller has one for it/,
    ],
    [
      'a pilot that is no lamp',
      (v) => {
        v.pilot = { lampId: 'gone' };
      },
      /vehicle\.pilot names lamp "gone"/,
    ],
  ])('%s', (_, spoil, said) => {
    expect(after(van(), spoil)).toMatch(said);
  });

  it('a controller’s output for a circuit that is not there, and a circuit that still hangs on a relay', () => {
    expect(
      after(minibus(), (vehicle) => {
        if (vehicle.flasher.kind === 'controller') first(vehicle.flasher.outputs).circuitId = 'gone';
      }),
    ).toMatch(/vehicle\.flasher\.outputs names circuit "gone"/);
    expect(
      after(minibus(), (vehicle) => {
        first(vehicle.circuits).from = { by: 'flasher' };
      }),
    ).toMatch(/hangs on a relay, but the flasher is a controller/);
  });

  it('everything that is wrong is said at once', () => {
    const vehicle = van();
    vehicle.flasher.fuseId = 'gone';
    first(vehicle.lamps).stockBulb = 'X99';
    expect(vehicleProblems(vehicle).length).toBeGreaterThanOrEqual(2);
  });
});
