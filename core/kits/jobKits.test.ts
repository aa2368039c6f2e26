import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { cureBoard } from '../cures/board/board.ts';
import { judgeKit } from '../cures/kits/judgeKit.ts';
import { jobProblems } from '../formats/jobFile.ts';
import { pickLines } from '../inventory/picklist.ts';
import type { Job } from '../model/job.ts';
import type { KitPart, WholeLampPart } from '../model/part.ts';
import { bulbsMoved } from '../simulation/bulbsMoved.ts';
import { connectorsOf } from '../wiring/connectors.ts';
import { wiringSheet } from '../wiring/sheet/sheet.ts';
import { saySteps } from '../words/work/sayStep.ts';
import { fitSteps } from '../work/fitSteps.ts';
import { checkSheet } from './checkSheet.ts';
import { dropKit, kitChange, leftInBox, takeVariant } from './jobKits.ts';
import { vehicleAnswers } from './vehicleAnswers.ts';

const kit = DEMO_SHELF.find((part): part is KitPart => part.kind === 'kit') as KitPart;
const variant = (id: string) => kit.sheet.variants.find((each) => each.id === id) ?? never();
const poolCar = () => structuredClone(demoJob('pool-car-5'));
function taken(id: string): Job {
  const job = poolCar();
  takeVariant(job, kit, variant(id), kitChange(job, DEMO_SHELF, kit, variant(id)));
  return job;
}

describe('the demo kit', () => {
  it('is sound, every vehicle having one variant', () => {
    expect(checkSheet(kit.sheet)).toEqual([]);
  });

  it('puts its lamps and resistors into the plan, and is a line of the pick list once', () => {
    const job = taken('led-to-2016');
    expect(jobProblems(job, DEMO_SHELF)).toEqual([]);
    const loaded = Object.values(job.cures).flatMap((cure) => cure?.networks ?? []);
    expect(loaded.map(({ lampId }) => lampId).toSorted()).toEqual(['rear-turn-left', 'rear-turn-right']);
    expect(loaded.every(({ pieces }) => pieces[0]?.ohms === 22)).toBe(true);
    expect(['rear-turn-left', 'stop-tail-right', 'reverse-left'].map((id) => job.chosen[id])).toEqual(
      Array(3).fill('lamp-heron'),
    );
    const lines = pickLines(job, DEMO_SHELF);
    expect(lines.filter(({ code }) => code === 'HERON-RK')).toMatchObject([{ quantity: 1 }]);
    // What comes out of its box is bought with it.
    expect(lines.some(({ code, what }) => code === 'HERON-R' || what.includes('22 Ω'))).toBe(false);
  });

  it('says what stays in the box, and its steps which plugs, caps, links and modules', () => {
    expect(leftInBox(kit.sheet, variant('led-to-2016')).map(({ item, count }) => [item.id, count])).toEqual([
      ['r-6', 2],
    ]);
    const job = taken('led-to-2016');
    const step = saySteps(fitSteps(job, DEMO_SHELF), job, DEMO_SHELF).find(({ about }) => about.of === 'kit');
    expect(step?.ticks?.map(({ label }) => label)).toEqual([
      'plugged in: A, six cavities, grey',
      'plugged in: B, three cavities, black',
      'plugged in: C, sensor, four cavities',
      'linked: B cavity 2 to grey/white of the old plug',
      'moved over: blind-spot sensor, with its bracket',
    ]);
  });

  it('has its links on the wiring sheet of the plug it is at, and on no other', () => {
    const job = taken('led-from-2017');
    const notes = (lampId: string) => {
      const plug = connectorsOf(job.vehicle).find(
        ({ connector: { at } }) => at.kind === 'lamps' && at.lampIds.includes(lampId),
      );
      return wiringSheet(job, DEMO_SHELF, plug?.connector.id ?? '').notes.join(' ');
    };
    expect(notes('rear-turn-left')).toContain('link B cavity 2 to brown/white of the old plug');
    expect(notes('front-turn-left')).not.toContain('HERON');
  });

  it('goes off the job with its resistors', () => {
    const job = taken('bulbs');
    dropKit(job, kit);
    expect(job.kits).toBeUndefined();
    expect(Object.values(job.chosen)).not.toContain('lamp-heron');
    expect(Object.values(job.cures).every((cure) => cure === null)).toBe(true);
  });

  it('puts another variant in the place of the one before', () => {
    const job = taken('bulbs');
    const bare = { ...variant('bulbs-sensor'), uses: [{ itemId: 'bracket', count: 2 }] };
    takeVariant(job, kit, bare, kitChange(job, DEMO_SHELF, kit, bare));
    expect(Object.values(job.cures).flatMap((cure) => cure?.networks ?? [])).toEqual([]);
    expect(job.kits).toMatchObject([{ partId: kit.id, takenId: 'bulbs-sensor' }]);
  });

  it('tells where the vehicle has more or fewer places than the sheet has pieces', () => {
    const three = {
      ...variant('bulbs'),
      uses: [{ itemId: 'r-6', count: 2, across: { does: 'turn' as const } }],
    };
    // Across all main turn lamps there are four places for two resistors.
    expect(kitChange(poolCar(), DEMO_SHELF, kit, three).misfits).toMatchObject([{ pieces: 2, places: 4 }]);
  });
});

describe('what the vehicle answers by itself', () => {
  it('is its year, and nothing nobody has looked at', () => {
    const { answers, by } = vehicleAnswers(kit.sheet, poolCar());
    expect(answers).toMatchObject({ year: '2016' });
    expect(answers.sensor).toBeUndefined();
    expect(by.year).toBe('vehicle');
  });

  it('gives way to what was said to the kit', () => {
    const { answers, by } = vehicleAnswers(kit.sheet, poolCar(), {
      answers: { year: '2018', sensor: 'with' },
    });
    expect(answers).toMatchObject({ year: '2018', sensor: 'with' });
    expect(by).toMatchObject({ year: 'installer', sensor: 'installer' });
  });

  it('knows a module that was looked for, there or not', () => {
    const job = poolCar();
    job.vehicle.facts = { ...job.vehicle.facts, lampModules: false };
    expect(vehicleAnswers(kit.sheet, job).answers.sensor).toBe('without');
    const [lamp] = job.vehicle.lamps;
    if (lamp) lamp.module = 'blind-spot sensor';
    expect(vehicleAnswers(kit.sheet, job).answers.sensor).toBe('with');
  });
});

describe('a variant judged on a vehicle', () => {
  it('is what the board says once it is in the plan', () => {
    for (const { id } of kit.sheet.variants) {
      const asked = judgeKit(poolCar(), DEMO_SHELF, kit, variant(id));
      const board = cureBoard(taken(id), DEMO_SHELF);
      expect(asked.state, id).toBe(board.state);
      for (const row of asked.rows) expect(board.rows).toContainEqual(row);
    }
  });

  it('changes nothing of the job that is asked about', () => {
    const job = poolCar();
    const before = structuredClone(job);
    judgeKit(job, DEMO_SHELF, kit, variant('bulbs'));
    expect(job).toEqual(before);
  });
});

describe('bulbs that move over into a whole lamp', () => {
  it('are named with their base against the new socket', () => {
    const merlin = DEMO_SHELF.find(({ id }) => id === 'lamp-merlin') as WholeLampPart;
    const job = structuredClone(demoJob('library-route-1'));
    const at = job.vehicle.lamps.find(({ id }) => id === 'rear-left') ?? never();
    const moved = bulbsMoved(job, at, merlin);
    expect(moved.map(({ bulb, fits }) => [bulb, fits])).toContainEqual(['P21W', true]);
    const other = structuredClone(merlin);
    for (const { light } of other.sections) if (light.kind === 'socket') light.base = 'W3x16d';
    expect(bulbsMoved(job, at, other).every(({ fits }) => !fits)).toBe(true);
  });
});

function never(): never {
  throw new Error('the demo has it');
}
