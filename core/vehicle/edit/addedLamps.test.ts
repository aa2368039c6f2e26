import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../../demo/jobs.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { jobOwnProblems } from '../../formats/jobFile.ts';
import { Judge } from '../../judge/judge.ts';
import { Job } from '../../model/job.ts';
import { jobLamps } from '../../model/scope.ts';
import { CONTROLS_OFF } from '../../simulation/controls.ts';
import { fitmentOf } from '../../simulation/fitment.ts';
import { VehicleSimulation } from '../../simulation/vehicleSimulation.ts';
import { addNewLamp, dropNewLamp, type NewLamp } from './addedLamps.ts';

const REVERSING = { ...CONTROLS_OFF, key: 'on' as const, reverse: true };
const bar: NewLamp = {
  templateId: 'reverse',
  name: 'Reversing bar',
  side: 'centre',
  watts: 27,
  feed: 'existing',
  lengthM: 3,
  drilled: true,
  price: 31.5,
};
const jobWithReverse = () => {
  const found = demoJobs().find(({ vehicle }) => vehicle.circuits.some(({ kind }) => kind === 'reverse'));
  return structuredClone(found as Job);
};
const reverseId = (job: Job) =>
  job.vehicle.circuits.find(({ kind, relay }) => kind === 'reverse' && !relay)?.id ?? '';
const wire = (job: Job, configuration: 'stock' | 'cured', circuitId: string) =>
  new VehicleSimulation(job.vehicle, fitmentOf(job, DEMO_SHELF, configuration))
    .at({ controls: REVERSING, emfVolts: 13.5 })
    .wireAmps(circuitId);

describe('a lamp that is added', () => {
  it('draws from the feed it hangs on in what is planned, and is not there as it is', () => {
    const job = jobWithReverse();
    const before = { stock: wire(job, 'stock', reverseId(job)), cured: wire(job, 'cured', reverseId(job)) };
    addNewLamp(job, bar);
    expect(Job.parse(job)).toEqual(job);
    expect(jobOwnProblems(job)).toEqual([]);
    expect(wire(job, 'stock', reverseId(job))).toBeCloseTo(before.stock, 4);
    // 27 W at 13.5 V are 2 A, whatever a little loss of volts makes of it.
    expect(wire(job, 'cured', reverseId(job)) - before.cured).toBeCloseTo(2, 1);
  });

  it('on a relay loads its own fuse, and the feed with the coil alone', () => {
    const job = jobWithReverse();
    const before = wire(job, 'cured', reverseId(job));
    const fuses = job.vehicle.fuses.map(({ ratedAmps }) => ratedAmps);
    const id = addNewLamp(job, { ...bar, feed: 'relay' });
    expect(jobOwnProblems(job)).toEqual([]);
    expect(job.vehicle.fuses.slice(0, fuses.length).map(({ ratedAmps }) => ratedAmps)).toEqual(fuses);
    // 2 A at 70 % need a 3 A fuse.
    expect(job.vehicle.fuses.at(-1)).toMatchObject({ ratedAmps: 3 });
    const own = job.vehicle.circuits.find(({ relay }) => relay);
    expect(wire(job, 'cured', own?.id ?? '')).toBeCloseTo(2, 1);
    // The coil's 85 ohms on some 13.2 V; the relay's circuit draws nothing as it is now.
    const coil = (job.vehicle.systemVolts === 24 ? 26.5 / 320 : 13.2 / 85) as number;
    expect(wire(job, 'cured', reverseId(job)) - before).toBeCloseTo(coil, 2);
    expect(wire(job, 'stock', own?.id ?? '')).toBeCloseTo(0, 3);
    const lamps = job.vehicle.lamps.length;
    dropNewLamp(job, id);
    expect(job.vehicle.lamps).toHaveLength(lamps - 1);
    expect(job.vehicle.fuses.map(({ ratedAmps }) => ratedAmps)).toEqual(fuses);
    expect(job.vehicle.circuits.some(({ relay }) => relay)).toBe(false);
  });

  it('leaves a vehicle as it was when it is taken off again, and changes no verdict of what flashes', () => {
    const job = jobWithReverse();
    const was = structuredClone(job.vehicle);
    const turns = Judge.of(job, DEMO_SHELF, 'cured').verdict().state;
    const id = addNewLamp(job, bar);
    expect(Judge.of(job, DEMO_SHELF, 'cured').verdict().state).toBe(turns);
    expect(jobLamps(job).some((lamp) => lamp.id === id)).toBe(true);
    dropNewLamp(job, id);
    expect(job.vehicle).toEqual(was);
  });

  it('is judged by its fuse: too much for one is said', () => {
    const job = jobWithReverse();
    addNewLamp(job, { ...bar, watts: 140 });
    const circuit = job.vehicle.circuits.find(({ id }) => id === reverseId(job));
    const verdict = circuit && Judge.of(job, DEMO_SHELF, 'cured').circuit(circuit);
    expect(verdict?.state).toBe('too-much');
  });

  it('needs a feed to take it from, a power and a length', () => {
    const job = jobWithReverse();
    expect(() => addNewLamp(job, { ...bar, templateId: 'beacon', name: 'Beacon' })).toThrow(/no such feed/);
    expect(() => addNewLamp(job, { ...bar, watts: 0 })).toThrow(/printed on it/);
  });
});
