import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { vehicleProblems } from '../formats/vehicleProblems.ts';
import { Judge } from '../judge/judge.ts';
import type { Job } from '../model/job.ts';
import { Vehicle } from '../model/vehicle/vehicle.ts';
import { wordsOfQuestion } from '../words/questions.ts';
import { unknownWords } from '../words/unknowns.ts';
import { answerQuestion, questionsFor } from './questions.ts';

const copy = (id: string) => structuredClone(demoJob(id));
const asked = (job: Job) => questionsFor(job.vehicle).map((question) => question.id);

describe('questions', () => {
  it('are those that matter for the vehicle, and no others', () => {
    expect(asked(copy('library-route-3'))).toEqual([
      'flasher',
      'repeaters',
      'gearbox',
      'brake-sense',
      'bulb-check',
      'towing',
    ]);
    const minibus = copy('dial-a-ride-2');
    answerQuestion(minibus, 'gearbox', '');
    expect(asked(minibus)).toEqual(
      expect.arrayContaining(['flasher', 'gearbox', 'brake-sense', 'lamp-modules', 'high-voltage']),
    );
    expect(asked(copy('dial-a-ride-2'))).not.toContain('repeaters');
    expect(asked(copy('courier-moped-7'))).toEqual(['flasher']);
    expect(asked(copy('gritter-4'))).toContain('bulb-check');
  });

  it('each say why they are asked and what is done meanwhile', () => {
    for (const id of ['library-route-3', 'dial-a-ride-2', 'gritter-4', 'exhibition-trailer'])
      for (const question of questionsFor(copy(id).vehicle)) {
        const { why, meanwhile, options } = wordsOfQuestion(question, copy(id).vehicle);
        expect(why.length).toBeGreaterThan(20);
        expect(meanwhile.length).toBeGreaterThan(10);
        for (const { value, label } of options) expect(label, question.id).not.toBe(value);
      }
  });

  it('leave a sound vehicle whatever is answered, and "do not know" takes it back', () => {
    for (const id of ['library-route-3', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7']) {
      for (const question of questionsFor(copy(id).vehicle)) {
        const job = copy(id);
        for (const value of question.options) {
          answerQuestion(job, question.id, value);
          expect(vehicleProblems(Vehicle.parse(job.vehicle))).toEqual([]);
          expect(questionsFor(job.vehicle).find((each) => each.id === question.id)?.answer).toBe(value);
        }
        answerQuestion(job, question.id, '');
        expect(questionsFor(job.vehicle).find((each) => each.id === question.id)?.answer).toBe('');
      }
    }
  });

  it('a manual gearbox makes the brake sense no question', () => {
    const job = copy('library-route-3');
    answerQuestion(job, 'gearbox', 'manual');
    expect(asked(job)).not.toContain('brake-sense');
  });

  it('a gearbox corrected from automatic to manual keeps no hidden "sensed"', () => {
    const job = copy('library-route-3');
    answerQuestion(job, 'gearbox', 'automatic');
    answerQuestion(job, 'brake-sense', 'yes');
    const sensed = () => job.vehicle.circuits.filter((circuit) => circuit.sense).map(({ kind }) => kind);
    expect(sensed()).toEqual(['third-brake']);
    answerQuestion(job, 'gearbox', 'manual');
    expect(sensed()).toEqual([]);
    expect(job.vehicle.facts?.brakeSensed).toBeUndefined();
  });

  it('a bulb-check module answered yes watches stop and tail lamps', () => {
    const job = copy('library-route-3');
    answerQuestion(job, 'bulb-check', 'yes');
    const watched = job.vehicle.bulbCheck?.watches ?? [];
    expect(
      watched.map((watch) => job.vehicle.circuits.find((each) => each.id === watch.circuitId)?.kind),
    ).toContain('stop');
    // Two P21/5W stop filaments of 1.85 A: between one and both.
    const stop = watched.find((watch) => watch.circuitId === 'stop');
    expect(stop?.simulated.amps).toBeGreaterThan(1.9);
    expect(stop?.simulated.amps).toBeLessThan(3.8);
  });
});

describe('what nobody knows', () => {
  it('widens the band: the verdict must be right either way', () => {
    const verdict = (watches: '' | 'yes' | 'no') => {
      const job = copy('library-route-1');
      answerQuestion(job, 'repeaters', watches);
      return Judge.of(job, DEMO_SHELF, 'cured').verdict();
    };
    const [unknown, yes, no] = [verdict(''), verdict('yes'), verdict('no')];
    expect(unknown.unknowns.map((each) => each.what)).toEqual(['repeaters-watched']);
    expect(yes.unknowns).toEqual([]);
    const states = [yes.state, no.state];
    expect(unknown.state).toBe(states.every((state) => state === states[0]) ? states[0] : 'either-way');
    for (const [index, circuit] of unknown.circuits.entries()) {
      const covers = Math.min(
        ...[yes, no].map(
          ({ circuits }) =>
            (circuits[index]?.worst.amps.low ?? 0) / (circuits[index]?.worst.band.highAmps ?? 1),
        ),
      );
      expect(circuit.worst.amps.low / circuit.worst.band.highAmps).toBeLessThanOrEqual(covers + 1e-9);
    }
  });

  it('a bulb nobody has read may be its interchangeable one, which draws more', () => {
    const job = copy('library-route-3');
    const known = Judge.of(job, DEMO_SHELF, 'stock').verdict();
    delete job.identified['rear-left'];
    job.identified = { ...job.identified };
    const open = Judge.of(job, DEMO_SHELF, 'stock').verdict();
    expect(known.unknowns).toEqual([]);
    expect(open.unknowns.map(unknownWords)[0]).toContain('rear left');
    // The stock vehicle holds whichever bulb it has: the band goes with the bulb.
    expect(open.state).toBe('holds');
    const high = (verdict: typeof known) => verdict.circuits[0]?.worst.band.highAmps ?? 0;
    expect(high(open)).toBeGreaterThanOrEqual(high(known) * 0.999);
  });
});

it('asks of modules in the rear lamps only where a rear lamp is worked on', () => {
  const { vehicle } = demoJob('dial-a-ride-2');
  const ids = (rear: boolean) => questionsFor(vehicle, rear).map(({ id }) => id);
  expect(ids(true)).toContain('lamp-modules');
  expect(ids(false)).not.toContain('lamp-modules');
});
