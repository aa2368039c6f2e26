import { describe, expect, it } from 'vitest';
import { demoJob, relayOf } from '../../demo/forTests.ts';
import { limitCheck } from '../judge/requirements/limit.ts';
import type { VerdictState } from '../judge/states.ts';
import type { Ground, JudgedPoint } from '../judge/verdict.ts';
import type { Company } from '../simulation/litState.ts';
import { companyWords, reasonOf } from './verdicts.ts';

const { vehicle } = demoJob('library-route-3');
const flasher = relayOf(vehicle);
const flash = (subject: Extract<Ground, { of: 'flash' }>['subject']): Ground => ({
  of: 'flash',
  subject,
  flasher,
  wrong: [],
  limits: [],
});
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
const reason = (...points: JudgedPoint[]) => {
  const [worst] = points;
  if (!worst) throw new Error('no point');
  return reasonOf(vehicle, { why: [flash('lamps')], points, worst });
};

describe('why a side is as it is', () => {
  it('says at which volts it falls short, where it does not everywhere', () => {
    const text = reason(point(11.8, 'falls-short'), point(14.4, 'holds'));
    expect(text).toMatch(
      /^The lamps draw 3.10 A at 11.8 V \(engine off\); the relay trips somewhere from 2.00 A to 3.70 A/,
    );
    expect(text).toMatch(/flashes fast at 11.8 V\.$/);
  });

  it('gives the range over the tolerance where it could go either way, and where it holds', () => {
    const text = reason(point(11.8, 'either-way'), point(14.4, 'holds'));
    expect(text).toMatch(
      /3.00 A \(2.90 A to 3.10 A over tolerances and all that is not known\).*inside the band/,
    );
    expect(text).toMatch(/either|normally or fast at 11.8 V; it holds at 14.4 V/);
  });

  it('says what was on when it went wrong, and only then', () => {
    const lights = point(12.6, 'either-way', { lights: true });
    expect(reason(lights, point(12.6, 'holds'))).toMatch(
      /with the lights on.*Only with the parking lights on/,
    );
    const brake = point(12.6, 'either-way', { brake: true });
    expect(reason(brake, point(12.6, 'holds'))).toMatch(
      /with the brake on.*Only with the brake on: its current lifts the earth/,
    );
    expect(reason(point(12.6, 'either-way'), lights)).not.toMatch(/Only with/);
  });

  it('of a broken limit gives that limit’s own sentence', () => {
    const limit = limitCheck({ kind: 'relay', draws: 'hazard', trailerAmps: 0 }, 'r', 4, 3);
    const why: Ground[] = [{ of: 'limits', limits: [limit] }];
    const text = reasonOf(vehicle, { why, points: [point(12.6, 'holds')], worst: point(12.6, 'holds') });
    expect(text).toBe('The relay is rated 3.00 A; hazard would draw 4.00 A.');
  });

  it('of hazard speaks of both sides', () => {
    const holds = point(11.8, 'holds', {}, { low: 8, nominal: 8, high: 8 });
    expect(reasonOf(vehicle, { why: [flash('both-sides')], points: [holds], worst: holds })).toMatch(
      /^Both sides together draw 8.00 A at the worst point, 11.8 V/,
    );
  });
});

it('what else is on, in words', () => {
  expect(companyWords({ lights: true, brake: true })).toBe(' with lights and brake on');
  expect(companyWords({ lights: false, brake: false })).toBe('');
});
