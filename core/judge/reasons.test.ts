import { describe, expect, it } from 'vitest';
import { demoJob, relayOf } from '../../demo/forTests.ts';
import type { Company } from '../simulation/litState.ts';
import { circuitReason, companyWords, hazardReason } from './reasons.ts';
import type { VerdictState } from './states.ts';
import type { JudgedPoint } from './verdict.ts';

const flasher = relayOf(demoJob('library-route-3').vehicle);
const point = (
  volts: number,
  state: VerdictState,
  company: Partial<Company> = {},
  amps = { low: 2.9, nominal: 3, high: 3.1 },
): JudgedPoint => ({
  point: { id: 'rested', volts, label: volts < 13 ? 'engine off' : 'charging' },
  volts,
  company: { lights: false, brake: false, ...company },
  band: { lowAmps: 2, highAmps: 3.7, missingLampId: 'rear-left' },
  amps,
  state,
});
const reason = (state: VerdictState, ...points: JudgedPoint[]) => {
  const [worst] = points;
  if (!worst) throw new Error('no point');
  return circuitReason({ flasher, state, points, worst, limits: [], findings: [] });
};

describe('why a side is as it is', () => {
  it('says at which volts it falls short, where it does not everywhere', () => {
    const text = reason('falls-short', point(11.8, 'falls-short'), point(14.4, 'holds'));
    expect(text).toMatch(
      /^The lamps draw 3.10 A at 11.8 V \(engine off\); the relay trips somewhere from 2.00 A to 3.70 A/,
    );
    expect(text).toMatch(/flashes fast at 11.8 V\.$/);
  });

  it('gives the range over the tolerance where it could go either way, and where it holds', () => {
    const text = reason('either-way', point(11.8, 'either-way'), point(14.4, 'holds'));
    expect(text).toMatch(
      /3.00 A \(2.90 A to 3.10 A over tolerances and all that is not known\).*inside the band/,
    );
    expect(text).toMatch(/either|normally or fast at 11.8 V; it holds at 14.4 V/);
  });

  it('says what was on when it went wrong, and only then', () => {
    const lights = point(12.6, 'either-way', { lights: true });
    expect(reason('either-way', lights, point(12.6, 'holds'))).toMatch(
      /with the lights on.*Only with the parking lights on/,
    );
    const brake = point(12.6, 'either-way', { brake: true });
    expect(reason('either-way', brake, point(12.6, 'holds'))).toMatch(
      /with the brake on.*Only with the brake on: its current lifts the earth/,
    );
    expect(reason('either-way', point(12.6, 'either-way'), lights)).not.toMatch(/Only with/);
  });

  it('of a broken limit gives that limit’s own sentence', () => {
    const text = circuitReason({
      flasher,
      state: 'too-much',
      points: [point(12.6, 'holds')],
      worst: point(12.6, 'holds'),
      findings: [],
      limits: [
        {
          kind: 'relay',
          name: 'r',
          value: 4,
          limit: 3,
          unit: 'A',
          ok: false,
          reason: 'Four are more than three.',
        },
        { kind: 'fuse-lit', name: 'f', value: 4, limit: 15, unit: 'A', ok: true, reason: 'Fine.' },
      ],
    });
    expect(text).toBe('Four are more than three.');
  });

  it('of hazard speaks of both sides', () => {
    const holds = point(11.8, 'holds', {}, { low: 8, nominal: 8, high: 8 });
    expect(
      hazardReason({
        flasher,
        state: 'holds',
        points: [holds],
        worst: holds,
        limits: [],
        findings: [],
        litAmps: 9,
      }),
    ).toMatch(/^Both sides together draw 8.00 A at the worst point, 11.8 V/);
  });
});

it('what else is on, in words', () => {
  expect(companyWords({ lights: true, brake: true })).toBe(' with lights and brake on');
  expect(companyWords({ lights: false, brake: false })).toBe('');
});
