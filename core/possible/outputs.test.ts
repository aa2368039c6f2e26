/** Which turn lamps hang on one output: judged each way while nobody has looked, and decided by one look. */
import { describe, expect, it } from 'vitest';
import { planOf } from '../../cli/plan.ts';
import { CORNER_SHELF, cornerJob, demoJob, trialAt } from '../../demo/forTests.ts';
import { compareTurnCures } from '../cures/compare/compare.ts';
import { jobFileOf } from '../formats/jobFile.ts';
import { watcherSeen } from '../judge/watcherSeen.ts';
import { answerQuestion, questionsFor } from '../lookover/questions.ts';
import type { WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Cavity, Connector } from '../model/vehicle/connector.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import { turnOutputsOf } from '../vehicle/edit/turnOutputs.ts';
import { nextTurnTest } from './nextTest.ts';
import { verdictsOf } from './verdicts.ts';

const REAR = ['rear-turn-left', 'rear-turn-right'];
const ALL = [...REAR, 'front-turn-left', 'front-turn-right'];
const open = () => cornerJob('open', REAR, 2.7);
const file = (job: Job) => jobFileOf(job, CORNER_SHELF, '2026-01-01T00:00:00.000Z');
const cured = (job: Job) => verdictsOf(job, CORNER_SHELF).cured;

describe('outputs nobody has looked at', () => {
  it('leave open what would hold on one output a side and fall short on one a corner', () => {
    const job = open();
    expect(job.vehicle.facts?.turnOutputs).toEqual(['corner', 'side', 'lamp']);
    const { state, circuits, unknowns } = cured(job);
    expect(state).toBe('either-way');
    expect(circuits.find(({ circuitId }) => circuitId === 'turn-left')?.state).toBe('either-way');
    expect(unknowns.map(({ what }) => what)).toContain('outputs-not-seen');
    expect(planOf(file(job)).state).toBe('either-way');
  });

  it.each([
    ['side', 'holds'],
    ['corner', 'falls-short'],
    // A lamp alone: nobody knows how little is enough for its output.
    ['lamp', 'either-way'],
  ])('are settled by one look: %s %s', (outputs, state) => {
    const job = open();
    answerQuestion(job, 'outputs', outputs);
    expect(turnOutputsOf(job.vehicle)).toBe(outputs);
    expect(cured(job).circuits.map((each) => each.watched)).toContain(state);
    expect(cured(job).state).toBe(state);
    expect(planOf(file(job)).state).toBe(state);
    // The resistors went with their lamps, whichever circuit those are on now.
    expect(
      Object.values(job.cures)
        .flatMap((cure) => cure?.networks ?? [])
        .map(({ lampId }) => lampId)
        .toSorted(),
    ).toEqual(REAR);
    // Taken back, all of it is open again.
    answerQuestion(job, 'outputs', '');
    expect(cured(job).state).toBe('either-way');
  });

  it('are asked about while nobody knows, and of nobody whose relay has one wire a side', () => {
    const outputs = (job: Job) => questionsFor(job.vehicle).find(({ id }) => id === 'outputs');
    const job = open();
    expect(outputs(job)).toMatchObject({ answer: '' });
    expect(outputs(job)?.options).toEqual(['side', 'corner', 'lamp']);
    answerQuestion(job, 'outputs', 'corner');
    expect(outputs(job)?.answer).toBe('corner');
    answerQuestion(job, 'flasher', 'watching-relay');
    expect(outputs(job)).toBeUndefined();
    expect(turnCircuits(job.vehicle).map(({ id }) => id)).toEqual(['turn-left', 'turn-right']);
    expect(job.cures['turn-left']?.networks.map(({ lampId }) => lampId)).toEqual(['rear-turn-left']);
  });

  it('drawn so already, keep what was read of them', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    const before = structuredClone(job.vehicle);
    answerQuestion(job, 'outputs', 'side');
    expect(job.vehicle.flasher).toEqual(before.flasher);
    expect(job.vehicle.circuits).toEqual(before.circuits);
  });

  it('take the wires of a plug along: each cavity feeds what drives the lamps behind it', () => {
    const job = cornerJob('side', REAR, 2.7);
    const cavity = { id: '1', use: { does: 'feed', circuitIds: ['turn-left'] }, provedBy: 'meter' } as const;
    const plug = (id: string, lampIds: string[]): Connector => ({
      id,
      name: id,
      housing: 'six-way',
      at: { kind: 'lamps', lampIds },
      cavities: [structuredClone(cavity) as unknown as Cavity],
    });
    job.vehicle.connectors = [plug('front', ['front-turn-left']), plug('rear', ['rear-turn-left'])];
    const uses = () => job.vehicle.connectors?.map(({ cavities }) => cavities[0]);
    answerQuestion(job, 'outputs', 'corner');
    expect(uses()).toEqual([cavity, { ...cavity, use: { does: 'feed', circuitIds: ['turn-left-rear'] } }]);
    answerQuestion(job, 'outputs', 'side');
    expect(uses()).toEqual([cavity, cavity]);
  });

  it('have the look that parts them among the tests that tell most', () => {
    const job = open();
    job.cures = {};
    for (const circuit of turnCircuits(job.vehicle)) job.chosen[circuit.feeds[0]?.lampId ?? ''] ??= 'led';
    const asked = new Set<string>();
    const test = nextTurnTest(job, CORNER_SHELF, 'turn-left', true);
    if (test) asked.add(test.id);
    expect([...asked]).toContain('outputs');
    answerQuestion(job, 'outputs', 'corner');
    expect(nextTurnTest(job, CORNER_SHELF, 'turn-left', true)?.id).not.toBe('outputs');
  });
});

describe('cures of outputs a corner', () => {
  it('size each corner for itself, and hold', () => {
    const job = cornerJob('corner', [], 6);
    const [circuit] = turnCircuits(job.vehicle);
    if (!circuit) throw new Error('no circuit');
    const reports = compareTurnCures(job, CORNER_SHELF, circuit);
    const resistors = reports.find(({ option }) => option.id === 'resistors');
    expect(Object.keys(resistors?.option.change?.cures ?? {}).toSorted()).toEqual([
      'turn-left',
      'turn-left-rear',
      'turn-right',
      'turn-right-rear',
    ]);
    expect(resistors?.watcher).toBe('holds');
    // The setting is told to front and rear together, or to one of them.
    const settings = reports.filter(({ option }) => option.kinds[0] === 'controller-setting');
    expect(settings.map(({ option }) => option.id)).toEqual(
      expect.arrayContaining(['setting', 'setting-front', 'setting-rear']),
    );
    expect(settings.find(({ option }) => option.id === 'setting-front')?.watcher).not.toBe('holds');
  });

  it('are told of the circuits as they are drawn, whichever way suggested them', () => {
    const job = cornerJob('open', [], 6);
    const [circuit] = turnCircuits(job.vehicle);
    if (!circuit) throw new Error('no circuit');
    const drawn = new Set(job.vehicle.circuits.map(({ id }) => id));
    for (const { option } of compareTurnCures(job, CORNER_SHELF, circuit)) {
      for (const id of Object.keys(option.change?.cures ?? {})) expect(drawn, option.name).toContain(id);
      for (const cure of option.change?.vehicleCures ?? [])
        if ('circuitId' in cure) expect(drawn, option.name).toContain(cure.circuitId);
    }
  });
});

describe('what was seen of a side with outputs a corner', () => {
  const job = cornerJob('corner', ALL, 4.7);
  const lamps = { 'front-turn-left': 'led', 'repeater-left': 'led', 'rear-turn-left': 'led' };
  const told = (result: WatcherTrial['result'], fitted: Partial<WatcherTrial['fitted']>) =>
    watcherSeen({ ...job, evidence: [trialAt('turn-left', result, 13.5, fitted)] }).map(
      ({ circuitId, fitted: of }) => [circuitId, Object.keys(of.lamps)],
    );

  it('normal is known of each of them', () => {
    expect(told('normal', { lamps })).toEqual([
      ['turn-left', ['front-turn-left', 'repeater-left']],
      ['turn-left-rear', ['rear-turn-left']],
    ]);
  });

  it('fast is one of them: which, only where the other had its stock bulbs', () => {
    expect(told('fast', { lamps })).toEqual([]);
    const frontStock = { ...lamps, 'front-turn-left': null, 'repeater-left': null };
    expect(told('fast', { lamps: frontStock })).toEqual([['turn-left-rear', ['rear-turn-left']]]);
    // A stock bulb that is out is no stock bulb.
    expect(told('fast', { lamps: frontStock, out: ['front-turn-left'] })).toEqual([]);
  });
});
