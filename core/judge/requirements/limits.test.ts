import { describe, expect, it } from 'vitest';
import { LARKSPUR_16 } from '../../../demo/vehicles/larkspur16.ts';
import { QUILLON_75 } from '../../../demo/vehicles/quillon75.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import type { Flasher } from '../../model/vehicle/flasher.ts';
import { turnFuse } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { limitWords } from '../../words/findings.ts';
import { fuseLimits } from './fuse.ts';
import type { LimitCheck } from './limit.ts';
import { relayLimit } from './relay.ts';
import { resistorLimits } from './resistor.ts';
import { switchLimit } from './switch.ts';

const supplyLimits = (vehicle: Vehicle, flasher: Flasher, litAmps: number) => [
  ...fuseLimits(
    turnFuse(vehicle),
    { litAmps, rmsAmps: litAmps * Math.sqrt(flasher.onFraction), besideAmps: 0 },
    null,
    { flashing: 'hazard', beside: false },
  ),
  ...relayLimit(vehicle, flasher, () => litAmps, 'hazard'),
];

const switched = (flasher: Flasher, litAmps: number, stockAmps: number) =>
  switchLimit(
    flasher,
    () => litAmps,
    () => stockAmps,
  );
const said = (limit: LimitCheck | undefined) => (limit ? limitWords(limit) : '');
const kinds = (checks: readonly LimitCheck[]) =>
  Object.fromEntries(checks.map((each) => [each.kind, each.ok]));
const piece = (ohms: number, watts: number) => ({ partId: null, ohms, watts, tolerance: 0.05 });
const at = (
  lampId: string,
  connection: ResistorNetwork['connection'],
  ...pieces: ResistorNetwork['pieces']
): ResistorNetwork => ({
  lampId,
  connection,
  pieces,
});

describe('supplyLimits', () => {
  // The van: 15 A fuse, on half the time, so its heating current is the lit one times 0.707; 10.5 A for hours.
  it.each([
    [14.8, { 'fuse-heating': true, 'fuse-lit': true, relay: true }],
    [14.9, { 'fuse-heating': false, 'fuse-lit': true, relay: true }],
    [15.1, { 'fuse-heating': false, 'fuse-lit': false, relay: true }],
    [16.1, { 'fuse-heating': false, 'fuse-lit': false, relay: false }],
  ])('at %f A lit', (litAmps, expected) => {
    expect(kinds(supplyLimits(QUILLON_75, QUILLON_75.flasher, litAmps))).toEqual(expected);
  });

  it('counts a trailer on a plain socket against a relay that replaces the stock one, and against that one alone', () => {
    const towing = { ...QUILLON_75, facts: { towing: 'plain-socket' as const } };
    const light: Flasher = {
      id: 'flasher',
      kind: 'non-watching-relay',
      name: 'LED relay',
      fuseId: QUILLON_75.flasher.fuseId,
      terminals: { supply: 'B', lamps: 'L' },
      slowestRate: 85,
      fastestRate: 85,
      onFraction: 0.5,
      minAmps: 0.02,
      ratedAmps: 3,
      contactOhms: 0.01,
      needsEarth: false,
      position: 0,
    };
    const relay = (vehicle: Vehicle, flasher: Flasher) =>
      supplyLimits(vehicle, flasher, 0.84).find((each) => each.kind === 'relay');
    expect(relay(QUILLON_75, light)).toMatchObject({ ok: true, value: 0.84 });
    expect(relay(towing, light)).toMatchObject({ ok: false });
    expect(said(relay(towing, light))).toMatch(
      /rated 3.00 A; hazard would draw 4.54 A, 3.70 A of it a trailer/,
    );
    expect(relay(towing, QUILLON_75.flasher)?.value).toBe(0.84);
    const fed = { ...QUILLON_75, facts: { towing: 'socket-with-module' as const } };
    expect(relay(fed, light)?.value).toBe(0.84);
  });

  it('says the figures of what is broken', () => {
    const reasons = supplyLimits(QUILLON_75, QUILLON_75.flasher, 17).map(said);
    expect(reasons[0]).toMatch(/like a steady 12\.02 A; for hours it may carry 10\.50 A/);
    expect(reasons[1]).toContain('relay stuck on would blow it');
    expect(reasons[2]).toContain('rated 16.00 A; hazard would draw 17.00 A');
  });
});

describe('switchLimit', () => {
  it('trusts a stalk with half as much again as its stock bulbs drew, and asks nothing where a controller switches', () => {
    const ok = (amps: number) => switched(QUILLON_75.flasher, amps, 4)[0]?.ok;
    expect(ok(6)).toBe(true);
    expect(ok(6.01)).toBe(false);
    expect(said(switched(QUILLON_75.flasher, 7, 4)[0])).toMatch(
      /would carry 7.00 A.*stock bulbs drew, 4.00 A/,
    );
    expect(switched(LARKSPUR_16.flasher, 50, 4)).toEqual([]);
  });
});

describe('resistorLimits', () => {
  it('holds a 6 Ω resistor within 50 W and not within 25 W, low end of its tolerance', () => {
    const [good] = resistorLimits(QUILLON_75, [at('rear-left', 'parallel', piece(6, 50))]);
    expect(good).toMatchObject({ ok: true, limit: 50 });
    expect(good?.value).toBeCloseTo(14.4 ** 2 / 5.7, 9);
    expect(resistorLimits(QUILLON_75, [at('rear-left', 'parallel', piece(6, 25))])[0]?.ok).toBe(false);
  });

  it('shares the heat of resistors in a row by their ohms', () => {
    const [small, large] = resistorLimits(QUILLON_75, [
      at('rear-left', 'series', piece(1, 25), piece(5, 50)),
    ]);
    expect((large?.value ?? 0) / (small?.value ?? 1)).toBeCloseTo(5, 9);
    expect((large?.value ?? 0) + (small?.value ?? 0)).toBeCloseTo(14.4 ** 2 / 5.7, 9);
  });

  it('refuses a lamp without metal', () => {
    expect(
      kinds(resistorLimits(QUILLON_75, [at('repeater-right', 'parallel', piece(25, 25))])),
    ).toMatchObject({ mount: false });
  });

  it('rates them at 28.8 V on a 24 V vehicle', () => {
    const lorry = { ...QUILLON_75, systemVolts: 24 as const };
    expect(resistorLimits(lorry, [at('rear-left', 'parallel', piece(24, 50))])[0]?.value).toBeCloseTo(
      28.8 ** 2 / 22.8,
      9,
    );
  });
});
