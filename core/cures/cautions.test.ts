import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { Judge } from '../judge/judge.ts';
import type { LoadResistorCure } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import { setLeaks, setPulsed, watchMap } from '../vehicle/edit/watchMap.ts';
import { jobCautions } from './cautions.ts';

const cautions = (job: Job) => jobCautions(job, DEMO_SHELF, Judge.of(job, DEMO_SHELF, 'cured').verdict());
const ids = (job: Job) => cautions(job).map((each) => each.id);
const van = () => structuredClone(demoJob('library-route-3'));
const sixOhms = (lampId: string, plugged = false): LoadResistorCure => ({
  kind: 'load-resistor',
  networks: [
    {
      lampId,
      ...(plugged ? { plugged } : {}),
      connection: 'parallel',
      pieces: [{ partId: null, ohms: 6, watts: 50, tolerance: 0.05 }],
    },
  ],
});

describe('jobCautions', () => {
  it('of LEDs alone speaks of local rules only, with their source', () => {
    const job = van();
    job.cures = {};
    job.vehicleCures = [];
    expect(ids(job)).toEqual(['law']);
    expect(cautions(job)[0]?.text).toMatch(/from memory, verify.*licensed practice decide/);
    job.chosen = {};
    expect(ids(job)).toEqual([]);
  });

  it('of resistors speaks of heat, drilling and the lost warning; of a harness not of drilling', () => {
    const job = van();
    job.cures = { 'turn-left': sixOhms('rear-left') };
    expect(ids(job)).toEqual(expect.arrayContaining(['heat', 'drilling', 'warning-lost']));
    job.cures = { 'turn-left': sixOhms('rear-left', true) };
    expect(ids(job)).not.toContain('drilling');
  });

  it('of a fuse that is nearly full names it, and forbids a larger one', () => {
    const job = van();
    const load = (side: string): LoadResistorCure => ({
      kind: 'load-resistor',
      networks: [`rear-${side}`, `front-${side}`].flatMap((lampId) => sixOhms(lampId).networks),
    });
    job.cures = { 'turn-left': load('left'), 'turn-right': load('right') };
    for (const fuse of job.vehicle.fuses) fuse.ratedAmps = 12.5;
    const fuse = cautions(job).find((each) => each.id === 'fuse');
    expect(fuse?.text).toMatch(/Never fit a larger one/);
  });

  it('of a stop lamp on an automatic says that the wire may be read', () => {
    const job = van();
    const stop = job.vehicle.circuits.find((circuit) => circuit.kind === 'third-brake');
    if (!stop) throw new Error('the van has no third brake lamp');
    for (const circuit of job.vehicle.circuits) delete circuit.sense;
    job.vehicle.facts = { gearbox: 'automatic' };
    for (const feed of stop.feeds) job.chosen[feed.lampId] = 'led-ruff-2r';
    expect(cautions(job).find((each) => each.id === 'sensed-wire')?.text).toMatch(/nobody has looked/);
    job.vehicle.facts = { gearbox: 'automatic', brakeSensed: false };
    expect(ids(job)).not.toContain('sensed-wire');
    stop.sense = { what: 'The gearbox unit', pullUpOhms: 2200, heldUnderVolts: 1 };
    expect(cautions(job).find((each) => each.id === 'sensed-wire')?.text).toMatch(/^The gearbox unit reads/);
  });

  it('of an output nobody has looked at speaks of pulses and leakage, until somebody has', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    const text = () => cautions(job).find((each) => each.id === 'pulses')?.text ?? '';
    expect(text()).toMatch(/nobody has looked: an LED there may flicker or glow/);
    for (const { circuit } of watchMap(job.vehicle)) {
      setPulsed(job.vehicle, circuit.id, false);
      setLeaks(job.vehicle, circuit.id, false);
    }
    expect(text()).toBe('');
  });

  it('of high voltage comes first', () => {
    const job = van();
    job.vehicle.facts = { highVoltage: true };
    expect(ids(job)[0]).toBe('high-voltage');
  });
});
