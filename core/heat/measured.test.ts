import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { Judge } from '../judge/judge.ts';
import type { HeatReading } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { heatCompared, hotterAt, measuredPlace } from './measured.ts';
import { hottestResistor } from './mounts.ts';

/** A job with resistors, and readings of one of them as so many times the rise that is predicted. */
function withReadings(...times: readonly number[]): { job: Job; lampId: string } {
  const job = structuredClone(demoJob('library-route-2'));
  const [network] = Object.values(job.cures).flatMap((cure) => cure?.networks ?? []);
  if (!network) throw new Error('no resistor in the demo job');
  const circuit = job.vehicle.circuits.find(
    ({ kind, feeds }) => kind === 'turn' && feeds.some(({ lampId }) => lampId === network.lampId),
  );
  const read = (id: string, celsius: number): HeatReading => ({
    kind: 'heat',
    id,
    at: '2026-11-20T10:00:00.000Z',
    vehicleId: job.vehicle.id,
    visit: 'visit',
    device: null,
    method: 'meter',
    lampId: network.lampId,
    what: 'resistor',
    circuitId: circuit?.id ?? '',
    seconds: 600,
    quantity: { value: celsius, unit: '°C', uncertainty: 2 },
    airCelsius: 20,
    volts: 13.8,
    network,
  });
  const bare = { ...job, evidence: [read('probe', 20)] };
  const predicted = heatCompared(bare, network.lampId)[0]?.predictedCelsius ?? 0;
  expect(predicted).toBeGreaterThan(40);
  const evidence = times.map((each, index) => read(`h${index}`, 20 + each * (predicted - 20)));
  return { job: { ...job, evidence: [...job.evidence, ...evidence] }, lampId: network.lampId };
}
const place = (...times: readonly number[]) => {
  const { job, lampId } = withReadings(...times);
  return measuredPlace(job, lampId);
};

describe('what was measured of heat', () => {
  it('raises what is predicted from the first reading on', () => {
    expect(place()).toMatchObject({ factor: 1, state: 'typical', readings: 0 });
    expect(place(1.4)).toMatchObject({ state: 'raised', readings: 1 });
    expect(place(1.4).factor).toBeCloseTo(1.4, 6);
    expect(place(1.1, 1.5, 0.7).factor).toBeCloseTo(1.5, 6);
  });

  it('lowers it only when three agree', () => {
    expect(place(0.6).factor).toBe(1);
    expect(place(0.6, 0.62).factor).toBe(1);
    expect(place(0.6, 0.62, 0.9).factor).toBe(1);
    expect(place(0.6, 0.62, 0.58)).toMatchObject({ state: 'agreed' });
    expect(place(0.6, 0.62, 0.58).factor).toBeCloseTo(0.6, 6);
    expect(place(1.6, 0.6, 0.62, 0.58).factor).toBeCloseTo(0.6, 6);
  });

  it('without volts is held against those of a vehicle at rest: it can but raise more', () => {
    const { job, lampId } = withReadings(1.3);
    const unread = job.evidence.map((each) => (each.kind === 'heat' ? { ...each, volts: null } : each));
    expect(measuredPlace({ ...job, evidence: unread }, lampId).factor).toBeGreaterThan(1.3);
  });

  it('is what the hottest resistor and the verdict go by', () => {
    const { job } = withReadings(2.6);
    const networks = Object.values(job.cures).flatMap((cure) => cure?.networks ?? []);
    const typical = hottestResistor(job.vehicle, networks, 13.8);
    const measured = hottestResistor(job.vehicle, networks, 13.8, { hotter: hotterAt(job) });
    if (!typical || !measured) throw new Error('no resistor');
    expect((measured.peakCaseCelsius - 40) / (typical.peakCaseCelsius - 40)).toBeGreaterThan(1.8);
    const state = (of: Job) => Judge.of(of, DEMO_SHELF, 'cured').verdict().state;
    const { job: hot } = withReadings(6);
    expect(state(withReadings().job)).not.toBe('too-much');
    expect(state(hot)).toBe('too-much');
  });

  it('is left out where the reading was taken back, or tells of no rise', () => {
    const { job, lampId } = withReadings(1.4);
    expect(measuredPlace({ ...job, evidence: [] }, lampId).state).toBe('typical');
    const short = job.evidence.map((each) => (each.kind === 'heat' ? { ...each, seconds: 2 } : each));
    expect(measuredPlace({ ...job, evidence: short }, lampId).state).toBe('typical');
  });
});
