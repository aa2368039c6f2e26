import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { Judge } from '../judge/judge.ts';
import type { ResistorNetwork } from '../model/cures.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import { heatWords } from '../words/heat.ts';
import { hottestResistor, mountedPieces, usesOfPiece } from './mounts.ts';
import {
  caseToAmbient,
  elementToCase,
  type HeatMount,
  heatCurve,
  settledHeat,
  storedJoules,
  worstMount,
} from './resistorHeat.ts';
import { judgeHeat, SKIN_LIMITS, USE_CASES, usesOf } from './useCases.ts';

const FIFTY = { ratedWatts: 50, mount: 'free-air' } as const;
const MOUNTS: readonly HeatMount[] = ['free-air', 'panel', 'chassis', 'bracket', 'recess'];
/** A 6 Ω resistor at 14.4 V. */
const LIT = 14.4 ** 2 / 6;

describe('a 6 Ω 50 W resistor, left on at 14.4 V', () => {
  it('by hand: free air passes 65 °C in about three quarters of a minute and heads above 300 °C', () => {
    const curve = heatCurve(FIFTY, LIT, 25, 7200, 7200, 1);
    const passes = curve.find((point) => point.caseCelsius > 65)?.seconds ?? 0;
    expect(passes).toBeGreaterThan(35);
    expect(passes).toBeLessThan(55);
    expect(curve.at(-1)?.caseCelsius).toBeGreaterThan(300);
  });

  it('by hand: on a chassis it settles near 77 °C', () => {
    expect(settledHeat({ ratedWatts: 50, mount: 'chassis' }, LIT, 25).caseCelsius).toBeCloseTo(77, 0);
    expect(
      heatCurve({ ratedWatts: 50, mount: 'chassis' }, LIT, 25, 7200, 7200).at(-1)?.caseCelsius,
    ).toBeCloseTo(77, 0);
  });

  it('on brake duty is condemned in free air, and allowed with a burn caution on a chassis', () => {
    expect(judgeHeat(FIFTY, LIT, USE_CASES.jam, 25)).toMatchObject({ state: 'condemned' });
    const chassis = judgeHeat({ ratedWatts: 50, mount: 'chassis' }, LIT, USE_CASES.jam, 25);
    expect(chassis.state).toBe('burns');
    expect(heatWords(chassis)).toMatch(/7[67] °C: it burns skin within a second/);
    expect(chassis.coolerAfterSeconds).toBeGreaterThan(10);
    expect(chassis.coolerAfterSeconds).toBeLessThan(300);
  });
});

describe('between a burn and the end', () => {
  it('a case hotter than wire insulation bears must be kept clear: thirty minutes of hazard on thin panel', () => {
    const verdict = judgeHeat({ ratedWatts: 50, mount: 'panel' }, LIT / 0.95, USE_CASES.hazard, 40);
    expect(verdict.state).toBe('keep-clear');
    expect(heatWords(verdict)).toMatch(/10[789] °C, more than the 105 °C/);
  });
});

describe('the model', () => {
  it('carries about a third of its printed watts in free air', () => {
    for (const ratedWatts of [25, 50, 100]) {
      const body = { ratedWatts, mount: 'free-air' } as const;
      const most = (200 - 25) / (caseToAmbient(body) + elementToCase(body));
      expect(most / ratedWatts).toBeGreaterThan(0.25);
      expect(most / ratedWatts).toBeLessThan(0.4);
    }
  });

  it('loses no energy: what went in is stored or left through the case', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MOUNTS),
        fc.constantFrom(25, 50, 100),
        fc.double({ min: 0.5, max: 80, noNaN: true }),
        fc.integer({ min: 20, max: 900 }),
        (mount, ratedWatts, watts, onSeconds) => {
          const body = { ratedWatts, mount };
          const curve = heatCurve(body, watts, 25, onSeconds, 1000, 1);
          const left = curve
            .slice(1)
            .reduce(
              (sum, point, index) =>
                sum +
                ((point.caseCelsius + (curve[index]?.caseCelsius ?? 25)) / 2 - 25) / caseToAmbient(body),
              0,
            );
          const stored = storedJoules(body, curve.at(-1) ?? never(), 25);
          expect((left + stored) / (watts * onSeconds)).toBeCloseTo(1, 6);
        },
      ),
      { seed: 2, numRuns: 60 },
    );
  });

  it('never cools below its surroundings nor passes where it would settle', () => {
    fc.assert(
      fc.property(fc.constantFrom(...MOUNTS), fc.double({ min: 0, max: 60, noNaN: true }), (mount, watts) => {
        const body = { ratedWatts: 50, mount };
        const end = settledHeat(body, watts, 40);
        for (const point of heatCurve(body, watts, 40, 600, 1200)) {
          expect(point.caseCelsius).toBeGreaterThanOrEqual(40 - 1e-6);
          expect(point.caseCelsius).toBeLessThanOrEqual(end.caseCelsius + 1e-6);
          expect(point.elementCelsius).toBeLessThanOrEqual(end.elementCelsius + 1e-6);
        }
      }),
      { seed: 4, numRuns: 60 },
    );
  });

  it('of several places the hottest counts', () => {
    expect(worstMount(['chassis', 'panel', 'bracket'])).toBe('panel');
    expect(worstMount(['recess', 'panel'])).toBe('recess');
    expect(worstMount(['chassis', 'none'])).toBe('free-air');
  });

  it('a worse mount is never cooler', () => {
    const at = (mount: HeatMount) => settledHeat({ ratedWatts: 50, mount }, 20, 25).caseCelsius;
    expect(at('chassis')).toBeLessThan(at('bracket'));
    expect(at('bracket')).toBeLessThan(at('panel'));
    expect(at('panel')).toBeLessThan(at('recess'));
    expect(at('recess')).toBeLessThan(at('free-air'));
  });
});

describe('P12: ISO 13732-1 burn thresholds of bare metal (from memory)', () => {
  it.each([
    [1, 65],
    [10, 55],
    [60, 51],
    [600, 48],
    [28_800, 43],
  ])('%i s of contact: %i °C', (seconds, celsius) => {
    expect(SKIN_LIMITS.find(([each]) => each === seconds)?.[1]).toBe(celsius);
  });
});

describe('uses', () => {
  const { vehicle } = demoJob('exhibition-trailer');
  const circuitOf = (id: string) => {
    const found = demoJob('gritter-4').vehicle.circuits.find((each) => each.id === id);
    if (!found) throw new Error(id);
    return found;
  };
  const ids = (uses: readonly { id: string }[]) => uses.map((each) => each.id);

  it('are those of every feed it sees, a flasher stuck on among them', () => {
    const gritter = demoJob('gritter-4').vehicle;
    expect(ids(usesOf(gritter, [circuitOf('turn-left')]))).toEqual(['turn', 'hazard', 'stuck']);
    expect(ids(usesOf(gritter, [circuitOf('stop')]))).toEqual(['jam']);
    expect(ids(usesOf(gritter, [circuitOf('tail-left')]))).toEqual(['night']);
    expect(ids(usesOf({ ...gritter, hazardSwitch: false }, [circuitOf('turn-left')]))).not.toContain(
      'hazard',
    );
  });

  it('follow the flasher’s own share of the time, and the brake where one filament is stop and turn', () => {
    const [left] = turnCircuits(vehicle);
    if (!left) throw new Error('the trailer turns');
    const uses = usesOf({ ...vehicle, flasher: { ...vehicle.flasher, onFraction: 0.7 } }, [left]);
    expect(uses.find((each) => each.id === 'turn')?.duty).toBe(0.7);
    const combined = usesOf(vehicle, [{ ...left, stopFuseId: vehicle.flasher.fuseId }]);
    expect(ids(combined)).toContain('jam');
  });
});

describe('several resistors on one metal', () => {
  const two = (mount?: string): ResistorNetwork[] =>
    ['front-left', 'rear-left'].map((lampId) => ({
      lampId,
      ...(mount ? { mount } : {}),
      connection: 'parallel',
      pieces: [{ partId: null, ohms: 6.8, watts: 50, tolerance: 0 }],
    }));
  const van = structuredClone(demoJob('library-route-3').vehicle);
  for (const lamp of van.lamps) lamp.resistorMount = 'panel';

  it('share its heat flow: two of 6.8 Ω are at 121 °C where one alone would be at 98 °C', () => {
    // By hand: 14.4² / 6.8 / 2 = 15.25 W each; 40 + 30.5 / (2/9 + 1/6.5) = 121 °C, alone 40 + 15.25 × 3.77 = 98 °C.
    const apart = hottestResistor(van, two(), 14.4);
    const together = hottestResistor(van, two('the same panel'), 14.4);
    expect(apart?.peakCaseCelsius).toBeGreaterThan(96);
    expect(apart?.peakCaseCelsius).toBeLessThan(98.5);
    expect(together?.peakCaseCelsius).toBeGreaterThan(118);
    expect(together?.peakCaseCelsius).toBeLessThan(122);
  });

  it('do so by themselves where they are in one opening, on one kind of metal', () => {
    const one = structuredClone(van);
    const front = one.lamps.find((lamp) => lamp.id === 'front-left');
    for (const lamp of one.lamps) if (front) lamp.access = front.access;
    expect(hottestResistor(one, two(), 14.4)?.peakCaseCelsius).toBeGreaterThan(118);
  });

  it('on a filament that is stop and turn: 109 °C by hazard alone, 177 °C and condemned with the brake held', () => {
    const trailer = structuredClone(demoJob('exhibition-trailer').vehicle);
    for (const lamp of trailer.lamps) lamp.resistorMount = 'panel';
    const combined = trailer.circuits.find((circuit) => circuit.stopFuseId);
    const lampId = combined?.feeds[0]?.lampId;
    if (!combined || !lampId) throw new Error('no lamp is stop and turn');
    const network: ResistorNetwork = {
      lampId,
      connection: 'parallel',
      pieces: [{ partId: null, ohms: 6, watts: 50, tolerance: 0.05 }],
    };
    const hottest = hottestResistor(trailer, [network], 14.4);
    expect(hottest?.useCase.id).toBe('jam');
    expect(hottest?.peakCaseCelsius).toBeGreaterThan(172);
    expect(hottest?.peakCaseCelsius).toBeLessThan(179);
    expect(hottest?.state).toBe('condemned');
    const cured = {
      ...demoJob('exhibition-trailer'),
      vehicle: trailer,
      cures: { [combined.id]: { kind: 'load-resistor' as const, networks: [network] } },
    };
    const verdict = Judge.of(cured, DEMO_SHELF, 'cured').circuit(combined);
    expect(verdict.state).toBe('too-much');
    expect(verdict.findings.find((finding) => finding.requirement === 'mount')).toMatchObject({
      heat: { state: 'condemned', useCase: { name: expect.stringMatching(/twenty minutes on the brake/) } },
    });
  });

  it('a flasher that sticks on is told and condemns nothing', () => {
    const network = two()[0] as ResistorNetwork;
    const [piece] = mountedPieces(van, [network], 14.4);
    if (!piece) throw new Error('no piece');
    const stuck = usesOfPiece(van, piece).find((use) => use.fault);
    expect(stuck?.duty).toBe(1);
    expect(hottestResistor(van, [network], 14.4)?.useCase.fault).toBeUndefined();
  });
});

function never(): never {
  throw new Error('an empty curve');
}
