// Longer than 300 lines: the work of many jobs, step by step.
import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { LoadResistorCure } from '../model/cures.ts';
import type { Job, WorkHabits } from '../model/job.ts';
import { newJob } from '../model/newJob.ts';
import type { Shelf } from '../model/part.ts';
import { handOverPage } from '../record/handOver.ts';
import { putOpening } from '../vehicle/edit/openings.ts';
import { saySteps } from '../words/work/sayStep.ts';
import { openingFrom } from './access/openings.ts';
import { USUAL_OPENINGS } from './access/usualOpenings.ts';
import { minutesLeft, fitSteps as plainSteps, workPlan } from './fitSteps.ts';
import { USUAL_HABITS } from './order/route.ts';
import { stageProgress } from './progress.ts';
import { doneBefore, stepDone } from './steps/stepState.ts';
import { learntTimes } from './times.ts';

const fitSteps = (job: Job, shelf: Shelf) => saySteps(plainSteps(job, shelf), job, shelf);
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
    for (const step of steps.filter((each) => each.id.startsWith('tap-'))) {
      expect(step.cautions.join()).toContain('tail feed');
      expect(step.text).toMatch(/Hold the earth ring while its screw is tightened/);
    }
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
    const hazard = steps.find(({ id }) => id === 'hazard')?.minutes[0] ?? 0;
    expect(minutesLeft(steps, (id) => id === 'hazard')[0]).toBeCloseTo(all - hazard, 9);
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
    expect(whole[0]?.ticks).toContainEqual({ id: 'moves foam seal', label: 'moved over: foam seal' });
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

describe('the demo fleet', () => {
  const jobs = demoJobs();

  it('opens each panel once, and closes whatever it opened', () => {
    for (const job of jobs) {
      const ids = fitSteps(job, DEMO_SHELF).map((step) => step.id);
      expect(new Set(ids).size, job.id).toBe(ids.length);
      const opened = ids.filter((id) => id.startsWith('open-'));
      expect(opened.length).toBeGreaterThan(1);
      for (const id of opened) {
        const close = ids.indexOf(id.replace('open-', 'close-'));
        expect(close, `${job.id} ${id}`).toBeGreaterThan(ids.indexOf(id));
      }
    }
  });

  it('is walked as little as can be, and less than lamp by lamp', () => {
    for (const job of jobs) {
      const { route } = workPlan(job, DEMO_SHELF);
      expect(route.atLeastMinutes, job.id).toBe(route.walkMinutes);
      expect(route.walkMinutes).toBeLessThan(route.lampByLampMinutes);
    }
  });

  it('opens trim before what is behind it and closes it after; an airbag there waits for the maker’s figure', () => {
    const job = structuredClone(finished);
    const pillar = USUAL_OPENINGS.find(({ id }) => id === 'pillar-trim');
    if (!pillar) throw new Error('no pillar trim');
    putOpening(job.vehicle, openingFrom(pillar, 'trim', 'Pillar trim'));
    for (const opening of job.vehicle.openings ?? [])
      if (opening.id === 'rear-left') opening.needs = ['trim'];
    const ids = fitSteps(job, DEMO_SHELF).map((step) => step.id);
    const order = [
      'battery-off-left',
      'open-trim',
      'open-rear-left',
      'battery-on-left',
      'close-rear-left',
      'close-trim',
    ];
    const places = order.map((id) => ids.indexOf(id));
    expect(places).toEqual(places.toSorted((a, b) => a - b));
    expect(places).not.toContain(-1);
    const trim = () => fitSteps(job, DEMO_SHELF).find((step) => step.id === 'open-trim');
    expect(trim()?.blocked).toMatch(/vehicle’s maker/);
    expect(trim()?.timer).toEqual({ what: 'airbag', minutes: null });
    for (const opening of job.vehicle.openings ?? [])
      if (opening.id === 'trim') opening.airbagWaitMinutes = 3;
    expect(trim()?.blocked).toBeUndefined();
    expect(trim()?.timer).toEqual({ what: 'airbag', minutes: 3 });
  });

  it('keeps ticks of an earlier plan with their steps, and what has none any more as done before', () => {
    const job = structuredClone(finished);
    // As the plan before had it: no look at the parts, no switching on, and a step that is gone.
    for (const id of Object.keys(job.fit)) if (/^(receive|switch-on)/.test(id)) delete job.fit[id];
    job.fit['open-old-panel'] = { doneAt: '2026-11-10T12:50:00.000Z', note: '' };
    const plan = fitSteps(job, DEMO_SHELF);
    expect(plan.every((step) => stepDone(job, step))).toBe(true);
    expect(doneBefore(job, plan)).toEqual([{ id: 'open-old-panel', doneAt: '2026-11-10T12:50:00.000Z' }]);
  });
});

describe('how one works', () => {
  const idsWith = (habits: Partial<WorkHabits>) =>
    fitSteps({ ...finished, habits: { ...USUAL_HABITS, ...habits } }, DEMO_SHELF).map((step) => step.id);

  it('with a helper sees each lamp lit before its panel is closed, and nobody walks to switch', () => {
    const ids = idsWith({ helper: true });
    expect(ids.some((id) => id.startsWith('switch-on'))).toBe(false);
    expect(ids.indexOf('close-rear-left')).toBe(ids.indexOf('test-rear-left') + 1);
    expect(ids.indexOf('open-repeater-left')).toBeGreaterThan(ids.indexOf('close-rear-left'));
  });

  it('both sides together sees both before either is closed', () => {
    const ids = idsWith({ sides: 'both' });
    const closes = ids.filter((id) => id.startsWith('close-')).map((id) => ids.indexOf(id));
    const opens = ids.filter((id) => id.startsWith('open-')).map((id) => ids.indexOf(id));
    expect(Math.max(...opens)).toBeLessThan(Math.min(...closes));
  });

  it('testing after the work closes first and looks at all in one round', () => {
    const ids = idsWith({ testing: 'after', sides: 'both' });
    const closes = ids.filter((id) => id.startsWith('close-')).map((id) => ids.indexOf(id));
    const tests = ids.filter((id) => id.startsWith('test-')).map((id) => ids.indexOf(id));
    expect(tests.length).toBe(6);
    expect(Math.max(...closes)).toBeLessThan(Math.min(...tests));
  });

  it('battery off throughout has it on again before anything is tested', () => {
    const ids = idsWith({ battery: 'throughout' });
    expect(ids.indexOf('battery-off-left')).toBeLessThan(ids.indexOf('open-rear-left'));
    expect(ids.indexOf('battery-on-left')).toBeLessThan(ids.indexOf('switch-on-left'));
  });

  it('puts the relay first or last', () => {
    const moped = demoJobs().find(({ id }) => id === 'courier-moped-7') as Job;
    const place = (relay: WorkHabits['relay']) => {
      const ids = fitSteps({ ...moped, habits: { ...USUAL_HABITS, relay } }, DEMO_SHELF).map(({ id }) => id);
      return ids.indexOf('cure-flasher') - ids.indexOf('open-rear-left');
    };
    expect(place('first')).toBeLessThan(0);
    expect(place('last')).toBeGreaterThan(0);
  });
});

describe('a resistor on a wire nobody has proved', () => {
  const doneTap = (job: Job): Job => ({
    ...job,
    fit: { 'tap-rear-left': { doneAt: '2026-11-26T10:00:00.000Z', note: '' } },
  });

  it('is on the owner’s page once it is joined; one that was proved by meter is not', () => {
    const troubled = demoJobs()[1] as Job;
    expect(handOverPage(doneTap(troubled), DEMO_SHELF).unproved.join()).toMatch(
      /Rear left: the resistor was joined to the turn feed without the wire having been proved/,
    );
    expect(handOverPage(doneTap(finished), DEMO_SHELF).unproved).toEqual([]);
    expect(handOverPage({ ...troubled, fit: {} }, DEMO_SHELF).unproved).toEqual([]);
  });

  it('says so in its step, with the wire where one is known', () => {
    const tapOf = (job: Job) => fitSteps(job, DEMO_SHELF).find(({ id }) => id === 'tap-rear-left');
    expect(tapOf(finished)?.text).toContain('BK/WH in cavity 1, proved by meter');
    expect(tapOf(demoJobs()[1] as Job)?.text).toContain('Prove the feed with the meter: it bounces');
  });
});

describe('times on record', () => {
  it('draw a range towards what was timed and narrow it, each kind of work by itself', () => {
    const at = (minutes: number) => new Date(Date.UTC(2026, 10, 26, 10, minutes)).toISOString();
    const job = structuredClone(finished);
    job.fit['swap-rear-left'] = { doneAt: at(2), note: '', startedAt: at(0) };
    job.fit['swap-front-left'] = { doneAt: at(5), note: '', startedAt: at(0), pausedSeconds: 180 };
    const steps = fitSteps(job, DEMO_SHELF);
    const times = learntTimes([job, job, job], () => steps);
    expect(times.get('swap')).toEqual([2, 2, 2, 2, 2, 2]);
    const plain = steps.find(({ id }) => id === 'swap-rear-right')?.minutes ?? [0, 0];
    const learnt = workPlan(job, DEMO_SHELF, times).steps.find(({ id }) => id === 'swap-rear-right')
      ?.minutes ?? [0, 0];
    expect(learnt[0]).toBeGreaterThan(plain[0]);
    expect(learnt[1]).toBeLessThan(plain[1]);
    expect(learnt[0]).toBeLessThanOrEqual(2);
    expect(learnt[1]).toBeGreaterThanOrEqual(2);
    const tap = (list: readonly { id: string; minutes: readonly [number, number] }[]) =>
      list.find(({ id }) => id === 'tap-rear-right')?.minutes;
    expect(tap(workPlan(job, DEMO_SHELF, times).steps)).toEqual(tap(steps));
  });
});

describe('what is asked of the flash while the cure is not in yet', () => {
  const compared = (id: string, relay: WorkHabits['relay']) => {
    const job = demoJob(id);
    const steps = fitSteps({ ...job, habits: { ...USUAL_HABITS, relay } }, DEMO_SHELF);
    return steps.filter(({ kind }) => kind === 'compare').map(({ text, helper }) => `${text} ${helper?.see}`);
  };

  // Vumble itself predicts a fast flash of LEDs alone: to demand an equal rate there sends somebody looking for a fault.
  it('is no rate where the setting comes after the lamps, and one where it came first', () => {
    const last = compared('dial-a-ride-2', 'last');
    expect(last.length).toBeGreaterThan(0);
    for (const text of last) {
      expect(text).toMatch(/not asked yet: the setting comes after the lamps/);
      expect(text).not.toMatch(/same rate|normal rate/);
    }
    for (const text of compared('dial-a-ride-2', 'first')) expect(text).toMatch(/same rate|normal rate/);
    // With loads at the lamps there is nothing to wait for.
    for (const text of compared('library-route-1', 'last')) expect(text).toMatch(/same rate|normal rate/);
  });
});

describe('a job of bulbs that turn out by hand', () => {
  const bare = { ...demoJob('library-route-1'), cures: {}, vehicleCures: [] };

  it('warns of no resistor where there is none', () => {
    const cautions = (job: Job) =>
      fitSteps(job, DEMO_SHELF)
        .flatMap((step) => step.cautions)
        .join(' ');
    expect(cautions(bare)).not.toMatch(/resistor/i);
    expect(cautions(demoJob('library-route-1'))).toMatch(/resistor/i);
  });

  // Practised hands swap six bulbs behind holders that turn out in some ten minutes (common practice).
  it('may be done in some ten minutes by practised hands, and may take an hour and a half', () => {
    const openings = bare.vehicle.lamps.map((lamp) => ({
      ...lamp,
      access: { ...lamp.access, minutes: [0.8, 10] as [number, number] },
    }));
    const six = { ...bare, vehicle: { ...bare.vehicle, openings: [], lamps: openings } };
    const [least, most] = minutesLeft(fitSteps(six, DEMO_SHELF), () => false);
    expect(least).toBeLessThan(16);
    expect(most).toBeGreaterThan(45);
  });
});
