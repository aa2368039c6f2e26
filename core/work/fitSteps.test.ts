import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { LoadResistorCure } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import { newJob } from '../model/newJob.ts';
import { fitSteps, minutesLeft } from './fitSteps.ts';
import { stageProgress } from './progress.ts';

const [open, , finished] = demoJobs() as [Job, Job, Job];
const steps = fitSteps(finished, DEMO_SHELF);
const place = (id: string) => steps.findIndex((step) => step.id === id);

describe('fitSteps', () => {
  it('makes safe first, and opens, swaps, taps, tests and closes in that order', () => {
    const order = [
      'prepare',
      'open-rear-left',
      'swap-rear-left',
      'mount-rear-left',
      'tap-rear-left',
      'test-rear-left',
      'close-rear-left',
    ];
    const places = order.map(place);
    expect(places).toEqual(places.toSorted((a, b) => a - b));
    expect(places).not.toContain(-1);
  });

  it('finishes one side and compares before the other is touched', () => {
    const compare = place('compare-left');
    expect(steps.slice(0, compare).some((step) => step.id.endsWith('-right'))).toBe(false);
    expect(steps.slice(compare + 1).some((step) => step.id.endsWith('rear-left'))).toBe(false);
    expect(place('hazard')).toBeGreaterThan(place('compare-right'));
  });

  it('opens each panel once and gives every step its own id', () => {
    const ids = steps.map((step) => step.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.filter((id) => id.startsWith('open-')).length).toBe(6);
  });

  it('shares one panel between lamps behind it', () => {
    const lamps = finished.vehicle.lamps.map((lamp) =>
      lamp.id === 'repeater-left' ? { ...lamp, access: { ...lamp.access, group: 'front-left' } } : lamp,
    );
    const shared = fitSteps({ ...finished, vehicle: { ...finished.vehicle, lamps } }, DEMO_SHELF).map(
      (step) => step.id,
    );
    expect(shared.filter((id) => id === 'open-front-left').length).toBe(1);
    expect(shared.indexOf('swap-repeater-left')).toBeLessThan(shared.indexOf('close-front-left'));
  });

  it('warns of heat wherever a resistor is mounted, and of the wrong wire wherever one is tapped', () => {
    for (const step of steps.filter((each) => each.id.startsWith('mount-')))
      expect(step.cautions.join()).toContain('100 °C');
    for (const step of steps.filter((each) => each.id.startsWith('tap-')))
      expect(step.cautions.join()).toContain('tail feed');
  });

  it('leaves resistor steps out where none are planned, and renews a dead bulb that is kept', () => {
    expect(fitSteps(open, DEMO_SHELF).some((step) => step.id.startsWith('tap-'))).toBe(false);
    const kept: Job = {
      ...newJob('j', 'kept', open.vehicle, open.createdAt),
      lookOver: { lamps: { 'rear-right': { condition: 'dead', note: '' } }, warnings: '' },
    };
    const ids = fitSteps(kept, DEMO_SHELF).map((step) => step.id);
    expect(ids).toContain('renew-rear-right');
    expect(ids.some((id) => id.endsWith('-left'))).toBe(false);
  });

  it('has nothing to do on an untouched job', () => {
    expect(fitSteps(newJob('j', 'new', open.vehicle, open.createdAt), DEMO_SHELF)).toEqual([]);
  });

  it('adds up what is left', () => {
    const [low, high] = minutesLeft(steps, () => false);
    expect(low).toBeGreaterThan(30);
    expect(high).toBeGreaterThan(low);
    expect(minutesLeft(steps, () => true)).toEqual([0, 0]);
    const all = steps.reduce((sum, step) => sum + step.minutes[0], 0);
    expect(minutesLeft(steps, (id) => id === 'hazard')[0]).toBe(all - 3);
  });
});

describe('stageProgress', () => {
  const notes = (job: Job, state: 'holds' | 'falls-short') =>
    Object.fromEntries(
      stageProgress(job, DEMO_SHELF, state).map((each) => [each.stage, [each.done, each.note]]),
    );

  it('shows what each stage of a fresh job still has open', () => {
    expect(notes(newJob('j', 'new', open.vehicle, open.createdAt), 'holds')).toEqual({
      'look-over': [false, '0 of 22'],
      identify: [false, '0 of 22'],
      choose: [false, '0 of 22'],
      cure: [false, 'no LEDs yet'],
      pick: [false, 'nothing yet'],
      fit: [false, 'nothing yet'],
      prove: [false, '0 of 3'],
      'hand-over': [false, '5 open'],
    });
  });

  it('shows a finished job as finished', () => {
    expect(Object.values(notes(finished, 'holds')).every(([done]) => done)).toBe(true);
  });

  it('keeps the cure open while it falls short', () => {
    expect(notes(open, 'falls-short').cure).toEqual([false, 'falls short']);
  });
});

describe('what a look over adds to the work', () => {
  it('takes out what is in the way first, for as long as it was said to take', () => {
    const job = structuredClone(finished);
    job.vehicle.facts = { inTheWay: { what: 'boot loudspeaker', minutes: 30 }, highVoltage: true };
    const [, safe, out] = fitSteps(job, DEMO_SHELF);
    expect(safe?.cautions.join(' ')).toContain('orange cable');
    expect(out?.title).toContain('boot loudspeaker');
    expect(out?.minutes).toEqual([21, 45]);
  });

  it('renews a dim bulb that somebody wants replaced, and leaves a dead one that nobody does', () => {
    const job = structuredClone(finished);
    job.lookOver.lamps.reverse = { condition: 'dim', note: '', replace: true };
    job.lookOver.lamps['plate-left'] = { condition: 'dead', note: '', replace: false };
    const ids = fitSteps(job, DEMO_SHELF).map((step) => step.id);
    expect(ids).toContain('renew-reverse');
    expect(ids).not.toContain('renew-plate-left');
  });
});

describe('a whole lamp', () => {
  it('is fitted in one step for all its sections, with its pins and what moves over', () => {
    const job = structuredClone(open);
    for (const id of ['rear-left', 'stop-tail-left']) job.chosen[id] = 'lamp-kestrel';
    const whole = fitSteps(job, DEMO_SHELF).filter((step) => step.id.startsWith('whole-'));
    expect(whole.length).toBe(1);
    expect(whole[0]?.text).toMatch(/3 stop, 4 turn/);
    expect(whole[0]?.ticks).toContain('moved over: foam seal');
    expect(fitSteps(job, DEMO_SHELF).some((step) => step.id === 'swap-rear-left')).toBe(false);
  });
});

describe('steps of resistors', () => {
  const pieces = [{ partId: 'harness-otter-h6', ohms: 6, watts: 50, tolerance: 0.05 }];
  const withNetworks = (networks: LoadResistorCure['networks']): Job => ({
    ...open,
    fit: {},
    cures: { 'turn-left': { kind: 'load-resistor', networks } },
  });

  it('a harness is plugged in, one step, and nothing is tapped', () => {
    const ids = fitSteps(
      withNetworks([{ lampId: 'rear-left', plugged: true, connection: 'parallel', pieces }]),
      DEMO_SHELF,
    );
    const step = ids.find((each) => each.id === 'harness-rear-left');
    expect(step?.title).toMatch(/^Plug OTTER-H6 between socket and LED/);
    expect(step?.load).toMatchObject({ feed: 'turn feed' });
    expect(ids.some((each) => each.id.startsWith('tap-'))).toBe(false);
  });

  it('two sets at one lamp get steps of their own, each named by the feed it lies across', () => {
    const job = withNetworks([
      { lampId: 'stop-tail-left', connection: 'parallel', pieces },
      { lampId: 'stop-tail-left', input: 'dim', connection: 'parallel', pieces },
    ]);
    const taps = fitSteps(job, DEMO_SHELF).filter((step) => step.id.startsWith('tap-'));
    expect(taps.map((step) => step.id)).toEqual(['tap-stop-tail-left', 'tap-stop-tail-left-1']);
    expect(taps.map((step) => step.load?.feed)).toEqual(['stop feed', 'tail or position feed']);
  });
});
