import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { vehicleProblems } from '../formats/vehicleProblems.ts';
import { Judge } from '../judge/judge.ts';
import { newJob } from '../model/newJob.ts';
import { turnCircuits, turnSides } from '../model/vehicle/lookUp.ts';
import { Vehicle, VehicleKind } from '../model/vehicle/vehicle.ts';
import { CONTROLS_OFF } from '../simulation/controls.ts';
import { traceLamps } from '../traces/traceLamps.ts';
import { usualFlasher } from './flashers.ts';
import { layoutEntries, type StartingLayout, startingVehicle, usualVolts } from './startingLayout.ts';

function layout(kind: VehicleKind, year: number, region: 'UN' | 'US', all = false): StartingLayout {
  const entries = layoutEntries({ kind, year, region }).filter((entry) => all || entry.usual);
  return {
    name: `${kind} of ${year}`,
    model: kind,
    kind,
    year,
    region,
    systemVolts: usualVolts(kind, year),
    entries,
    flasher: null,
  };
}

const CASES = VehicleKind.options.flatMap((kind) =>
  ([1950, 1972, 1992, 2016] as const).flatMap((year) =>
    (['UN', 'US'] as const).map((region) => ({ kind, year, region })),
  ),
);

describe('a vehicle from a starting layout', () => {
  it.each(CASES)('is sound and computable: $kind, $year, $region', ({ kind, year, region }) => {
    for (const all of [false, true]) {
      const vehicle = startingVehicle('new', layout(kind, year, region, all));
      expect(Vehicle.parse(vehicle)).toEqual(vehicle);
      expect(vehicleProblems(vehicle)).toEqual([]);
      expect(turnSides(vehicle)).toEqual(['left', 'right']);
      // Of a controller nobody has looked which lamps hang on one output: it is drawn as is usual, and all of it open.
      const drives = vehicle.flasher.kind === 'controller';
      expect(turnCircuits(vehicle).length).toBe(drives && year >= 2005 ? 4 : 2);
      expect(drives && !vehicle.facts?.turnOutputs).toBe(false);
    }
  });

  it.each(CASES.filter(({ region }) => region === 'UN'))(
    'flashes as it is: $kind, $year',
    ({ kind, year, region }) => {
      const vehicle = startingVehicle('new', layout(kind, year, region));
      const job = newJob('j', 'j', vehicle, '2026-01-01T00:00:00.000Z');
      const verdict = Judge.of(job, DEMO_SHELF, 'stock').verdict();
      expect(new Set(verdict.circuits.map((each) => each.state))).toEqual(new Set(['holds']));
      const played = traceLamps(
        job,
        DEMO_SHELF,
        'stock',
        { ...CONTROLS_OFF, key: 'running', turn: 'left' },
        13.5 * (vehicle.systemVolts / 12),
      );
      expect(played.ratePerMinute).toBeGreaterThan(60);
      expect(played.ratePerMinute).toBeLessThan(120);
    },
  );

  it.each(CASES)('has no lamp over another: $kind, $year, $region', ({ kind, year, region }) => {
    const { lamps } = startingVehicle('new', layout(kind, year, region));
    for (const [index, lamp] of lamps.entries())
      for (const other of lamps.slice(index + 1)) {
        const apart = Math.hypot(
          lamp.plan.across - other.plan.across,
          2 * (lamp.plan.along - other.plan.along),
        );
        expect(apart, `${lamp.id} and ${other.id}`).toBeGreaterThan(0.03);
      }
  });

  it('takes the bulbs of its market, age and volts', () => {
    const bulbs = (kind: VehicleKind, year: number, region: 'UN' | 'US') =>
      new Map(
        startingVehicle('new', layout(kind, year, region)).lamps.map((lamp) => [lamp.id, lamp.stockBulb]),
      );
    expect(bulbs('car', 2010, 'UN').get('front-turn-left')).toBe('PY21W');
    expect(bulbs('car', 1985, 'UN').get('front-turn-left')).toBe('P21W');
    expect(bulbs('car', 1985, 'US').get('rear-turn-left')).toBe('1156');
    expect(bulbs('car', 1996, 'US').get('stop-tail-left')).toBe('3157');
    expect(bulbs('coach', 2004, 'UN').get('rear-turn-left')).toBe('P21W-24V');
    expect(bulbs('car', 1950, 'UN').get('stop-tail-left')).toBe('1154');
  });

  it('puts a single rear fog lamp on the side away from the kerb, the reverse lamp across from it', () => {
    const car = (traffic: 'left' | 'right' | undefined) => {
      const about = { kind: 'car' as const, year: 1985, region: 'UN' as const, traffic };
      const entries = layoutEntries(about).filter((entry) => entry.usual);
      return startingVehicle('new', { ...layout('car', 1985, 'UN'), entries, traffic });
    };
    const across = (vehicle: Vehicle, id: string) =>
      vehicle.lamps.find((lamp) => lamp.id.startsWith(id))?.plan.across ?? 0.5;
    for (const said of [undefined, 'right', 'left'] as const) {
      const vehicle = car(said);
      const fog = across(vehicle, 'rear-fog');
      expect(fog < 0.5).toBe(said !== 'left');
      expect(across(vehicle, 'reverse') > 0.5).toBe(said !== 'left');
      expect(vehicle.facts?.traffic).toBe(said);
      expect(Vehicle.parse(vehicle)).toEqual(vehicle);
    }
  });

  it('guesses the flasher by kind and year, and says why', () => {
    const kindOf = (kind: VehicleKind, year: number) =>
      usualFlasher({ kind, year, region: 'UN', systemVolts: usualVolts(kind, year) });
    expect(kindOf('car', 1970).kind).toBe('thermal');
    expect(kindOf('car', 1992).kind).toBe('watching-relay');
    expect(kindOf('car', 2012).kind).toBe('controller');
    expect(kindOf('moped', 1994).kind).toBe('thermal');
    expect(kindOf('coach', 2004).kind).toBe('watching-relay');
    expect(kindOf('trailer', 2020).why).toContain('what tows it');
  });

  it('gives a moped one pilot between its sides, and a coach of 2004 its fourteen lamps', () => {
    expect(startingVehicle('new', layout('moped', 1994, 'UN')).pilot).toEqual({ lampId: 'pilot' });
    expect(startingVehicle('new', layout('coach', 2004, 'UN')).lamps.length).toBe(14);
  });
});
