import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { freshJob } from '../../tests/walk/freshJob.ts';
import { cureBoard } from '../cures/board/board.ts';
import { vehicleProblems } from '../formats/vehicleProblems.ts';
import { Judge } from '../judge/judge.ts';
import { answerQuestion } from '../lookover/questions.ts';
import type { Job } from '../model/job.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import { possibleFlashers } from '../presets/flashers.ts';
import { CONTROLS_OFF, dutyOf, outputOf, wanted } from '../simulation/controls.ts';
import { eitherOf } from './union.ts';
import { curedState, vehicleState, verdictsOf } from './verdicts.ts';
import { buildUnknowns, waysOf } from './ways.ts';

const van = demoJob('library-route-3');
const open: Job = {
  ...van,
  vehicle: {
    ...van.vehicle,
    facts: {
      ...van.vehicle.facts,
      flasherSeen: false,
      flashers: ['watching-relay', 'controller', 'thermal'],
      repeatersAssumed: true,
    },
  },
};

describe('the ways a job may be', () => {
  it('are one where it is known, the very job', () => {
    const ways = waysOf(van, DEMO_SHELF);
    expect(ways).toHaveLength(1);
    expect(ways[0]?.job).toBe(van);
    const seen = {
      ...open,
      vehicle: { ...open.vehicle, facts: { ...open.vehicle.facts, flasherSeen: true } },
    };
    expect(new Set(waysOf(seen, DEMO_SHELF).map((way) => way.flasher))).toEqual(new Set(['watching-relay']));
  });

  it('are each flasher with repeaters and without, all of them sound vehicles', () => {
    const ways = waysOf(open, DEMO_SHELF);
    expect(ways).toHaveLength(6);
    for (const { job, flasher, repeaters } of ways) {
      expect(job.vehicle.flasher.kind).toBe(flasher);
      expect(vehicleProblems(job.vehicle)).toEqual([]);
      const lamps = turnCircuits(job.vehicle)[0]?.feeds.length;
      expect(lamps).toBe(repeaters ? 3 : 2);
    }
    expect(open.vehicle.flasher.kind).toBe('watching-relay');
  });

  it('are dimmed daytime lamps and such as stay, as long as nobody has looked, and only where a controller feeds them', () => {
    const { job, shelf } = freshJob(
      { kind: 'car', region: 'UN', year: 2014 },
      'daytime-running',
      { kind: 'plain', watts: 3, forVolts: null },
      DEMO_SHELF,
    );
    const duties = (of: Job) =>
      waysOf(of, shelf).map(({ job: { vehicle }, flasher }) => {
        const circuit = vehicle.circuits.find(({ kind }) => kind === 'daytime-running');
        if (!circuit) throw new Error('it has none');
        const panel = { ...CONTROLS_OFF, key: 'on', lights: true } as const;
        return `${flasher} ${wanted(circuit, panel)} ${dutyOf(circuit, outputOf(vehicle, circuit), panel, 12)}`;
      });
    expect(new Set(duties(job))).toEqual(
      new Set([
        'controller true 1',
        'controller true 0.15',
        ...(job.vehicle.facts?.flashers ?? [])
          .filter((kind) => kind !== 'controller')
          .map((kind) => `${kind} true 1`),
      ]),
    );
    expect(buildUnknowns(job, shelf)).toContainEqual({ what: 'daytime-not-seen' });
    const seen = structuredClone(job);
    answerQuestion(seen, 'daytime-lights', 'off');
    answerQuestion(seen, 'daytime-turning', 'same');
    expect(new Set(duties(seen).map((each) => each.split(' ')[1]))).toEqual(new Set(['false']));
    expect(buildUnknowns(seen, shelf)).not.toContainEqual({ what: 'daytime-not-seen' });
    // Seen to be dimmed, it is judged in that state too: at a part of its light, and of its current.
    answerQuestion(seen, 'flasher', 'controller');
    answerQuestion(seen, 'daytime-lights', 'dimmed');
    const judge = Judge.of(seen, shelf, 'leds');
    const left = seen.vehicle.circuits.find(({ id }) => id === 'daytime-running-left');
    if (!left) throw new Error('it has none');
    left.watched = true;
    expect(judge.circuit(left).points.map(({ company }) => company.lights)).toContain(true);
  });

  it('leave out a cure that cannot be fitted there', () => {
    const relay: Job = {
      ...open,
      vehicleCures: [{ kind: 'flasher-relay', partId: 'relay-dipper-2', position: 0.5 }],
    };
    for (const { job, flasher } of waysOf(relay, DEMO_SHELF))
      expect(job.vehicleCures).toHaveLength(flasher === 'controller' ? 0 : 1);
    // A controller stays as it was: what a relay cures elsewhere is not promised.
    expect(verdictsOf(relay, DEMO_SHELF).cured.state).not.toBe('holds');
  });
});

describe('the verdict over all ways', () => {
  it('is that of the judge where there is one way', () => {
    const { leds } = verdictsOf(van, DEMO_SHELF);
    expect(leds).toEqual(Judge.of(van, DEMO_SHELF, 'leds').verdict());
  });

  it('is what they say together, names what nobody looked at, and is on the board', () => {
    const verdicts = verdictsOf(open, DEMO_SHELF);
    const states = verdicts.ways.map((each) => each.leds.state);
    expect(verdicts.leds.state).toBe(eitherOf(states));
    expect(verdicts.leds.unknowns.map((each) => each.what)).toEqual(
      expect.arrayContaining(['flasher-not-seen', 'repeaters-assumed']),
    );
    const board = cureBoard(open, DEMO_SHELF);
    expect(board.leds.state).toBe(verdicts.leds.state);
    expect(curedState(open, DEMO_SHELF)).toBe(vehicleState(open, verdicts));
  });

  it('spans the rates of all', () => {
    const [side] = verdictsOf(open, DEMO_SHELF).leds.circuits;
    expect(side?.rate.low).toBe(0);
    expect(side?.rate.high).toBeGreaterThan(160);
  });
});

describe('flashers met on a vehicle', () => {
  const kinds = (kind: 'car' | 'moped' | 'lorry', years: [number, number]) =>
    possibleFlashers({ kind, region: 'UN', systemVolts: kind === 'lorry' ? 24 : 12 }, years);

  it('are every kind where the year is not known, fewer where it is', () => {
    expect(kinds('car', [1975, 2026])).toHaveLength(4);
    expect(kinds('car', [2020, 2020])).toEqual(['controller']);
    expect(kinds('car', [1980, 1980])).not.toContain('controller');
    expect(kinds('car', [2003, 2003])[0]).toBe('controller');
    expect(kinds('moped', [2005, 2005])).not.toContain('controller');
    expect(kinds('lorry', [1990, 1990])).toContain('watching-relay');
  });
});
