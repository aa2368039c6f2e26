import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { FlasherPart, Part } from '../model/part.ts';
import { receivingTicks } from '../words/receiving.ts';
import { fitSteps } from './fitSteps.ts';
import { clearWrong, flagWrong, stepsWith } from './receiving.ts';
import { nextStep, stepState } from './steps/stepState.ts';
import { partsToReceive } from './steps/toReceive.ts';
import { waitsOf } from './waits.ts';

const part = (id: string) => DEMO_SHELF.find((each) => each.id === id) as Part;
const bus = () => structuredClone(demoJob('dial-a-ride-2'));

describe('parts looked at before anything is opened', () => {
  it('are those of the plan, each once, and nothing that is used up', () => {
    const job = bus();
    const parts = partsToReceive(job, DEMO_SHELF);
    expect(new Set(parts.map(({ id }) => id))).toEqual(
      new Set(Object.values(job.chosen).filter((id): id is string => id !== null)),
    );
    expect(parts.some(({ kind }) => kind === 'consumable')).toBe(false);
  });

  it('ask of each part what its record says', () => {
    const relay = {
      ...(part('relay-dipper-3') as FlasherPart),
      look: { screw: 'in the middle', mount: 'tab' },
    };
    const labels = receivingTicks(relay, { region: 'UN', facts: { relayRoomMm: 34 } }).map(
      ({ label }) => label,
    );
    expect(labels).toEqual([
      'DIPPER-3: terminals 49, 49a and 31, against those of the old one',
      'DIPPER-3: 38 mm high, 34 mm of room',
      'DIPPER-3: held by: tab',
      'DIPPER-3: screw as delivered: in the middle',
    ]);
    const heron = receivingTicks(part('lamp-heron'), { region: 'US' }).map(({ id }) => id.split(' ')[0]);
    expect(heron).toEqual([
      'mark',
      'connector',
      'plugs',
      'lights',
      'plug',
      'pins',
      'tabs',
      'grommet',
      'way-up',
    ]);
  });

  it('come wrong: their own steps wait, the rest goes on, and another sets them free', () => {
    const job = bus();
    const steps = fitSteps(job, DEMO_SHELF);
    const wrong = part('led-tern-3y');
    const theirs = stepsWith(job, DEMO_SHELF, steps, wrong.id);
    expect(theirs.length).toBeGreaterThan(0);
    flagWrong(job, DEMO_SHELF, steps, wrong, 'pins too short', '2026-11-01T08:00:00.000Z');
    expect(theirs.every((step) => stepState(job, step) === 'waiting')).toBe(true);
    expect(steps.filter((step) => stepState(job, step) === 'waiting')).toHaveLength(theirs.length);
    const next = steps[nextStep(job, steps)];
    expect(next && stepState(job, next)).toBe('open');
    expect(waitsOf(job)).toEqual(['another TERN-3Y, the first came wrong']);
    // Something else a step waits for stays.
    const [first] = theirs;
    if (first) job.fit[first.id] = { doneAt: null, note: '', waitingFor: 'a new carrier' };
    clearWrong(job, wrong);
    expect(job.wrongParts).toBeUndefined();
    expect(waitsOf(job)).toEqual(['a new carrier']);
  });
});
