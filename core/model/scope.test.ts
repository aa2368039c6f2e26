import { describe, expect, it } from 'vitest';
import { demoJob, SIGNED } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { cureBoard } from '../cures/board/board.ts';
import { flashRule } from '../judge/flashRule.ts';
import { fittedNow } from '../record/fittedNow.ts';
import { handOverPage } from '../record/handOver.ts';
import { circuitsToProve, proofsOf, turnFunctionsToProve } from '../record/observations.ts';
import { saySteps } from '../words/work/sayStep.ts';
import { fitSteps } from '../work/fitSteps.ts';
import { stageProgress } from '../work/progress.ts';
import { scopeGroups, setInScope } from '../work/scopeGroups.ts';
import type { Job } from './job.ts';
import { flashes, jobLamps, scopeCircuits, scopeLamps } from './scope.ts';

const ids = (lamps: readonly { id: string }[]) => lamps.map(({ id }) => id).toSorted();

/** The minibus with LEDs in its saloon lamps and nowhere else. */
function domeJob(): Job {
  const job = demoJob('dial-a-ride-2');
  const saloon = ['saloon-1', 'saloon-2', 'saloon-3'];
  return {
    ...job,
    evidence: [],
    vehicleCures: [],
    cures: {},
    scope: { lampIds: saloon, aim: 'light' },
    chosen: Object.fromEntries(saloon.map((id) => [id, 'led-snipe-1'])),
  };
}

describe('what a job converts', () => {
  it('is all of the vehicle where nobody has said, what was said where somebody has, and what has an LED since', () => {
    const { scope: _, ...whole } = domeJob();
    expect(scopeLamps(whole)).toEqual(whole.vehicle.lamps);
    expect(ids(scopeLamps(domeJob()))).toEqual(['saloon-1', 'saloon-2', 'saloon-3']);
    const more = { ...domeJob(), chosen: { ...domeJob().chosen, 'third-brake': 'led-ruff-2r' } };
    expect(ids(scopeLamps(more))).toContain('third-brake');
  });

  it('reaches as far as its circuits do: the repeater that stays a filament is on the turn circuit', () => {
    const job = { ...demoJob('library-route-3'), chosen: {}, cures: {}, vehicleCures: [] };
    const rear: Job = { ...job, scope: { lampIds: ['rear-left', 'rear-right'], aim: null } };
    expect(scopeCircuits(rear).map(({ kind }) => kind)).toEqual(['turn', 'turn']);
    expect(ids(jobLamps(rear))).toEqual(
      ['front-left', 'front-right', 'rear-left', 'rear-right', 'repeater-left', 'repeater-right'].toSorted(),
    );
    expect(flashes(rear)).toBe(true);
    expect(flashes(domeJob())).toBe(false);
  });

  it('is what stages are counted by', () => {
    const notes = Object.fromEntries(
      stageProgress(domeJob(), DEMO_SHELF, 'holds').map(({ stage, note }) => [stage, note]),
    );
    expect(notes).toMatchObject({
      'look-over': '3 of 3',
      identify: '3 of 3',
      choose: '3 of 3',
      prove: '0 of 1',
    });
  });

  it('of nothing is nothing done: no stage is ticked, and no line of the board speaks for it', () => {
    const job: Job = { ...domeJob(), scope: { lampIds: [], aim: null }, chosen: {} };
    const stages = stageProgress(job, DEMO_SHELF, 'holds');
    expect(stages.filter(({ done }) => done)).toEqual([]);
    expect(cureBoard(job, DEMO_SHELF).rows).toEqual([]);
  });

  it('is taken in and left by what lamps do; what was chosen for those that leave is open again', () => {
    const job = domeJob();
    const group = (name: string) => scopeGroups(job).find((each) => each.name === name);
    expect(group('inside')).toMatchObject({ within: 'all' });
    expect(group('third brake')).toMatchObject({ within: 'none', lampIds: ['third-brake'] });
    setInScope(job, ['third-brake'], true);
    expect(group('third brake')).toMatchObject({ within: 'all' });
    setInScope(job, ['saloon-1'], false);
    expect(group('inside')).toMatchObject({ within: 'some' });
    expect(job.chosen['saloon-1']).toBeUndefined();
    expect(job.scope?.aim).toBe('light');
  });
});

describe('a job that touches nothing that flashes', () => {
  it('has no step, proof, reading, caution or line about flashing', () => {
    const job = domeJob();
    const said = [
      ...saySteps(fitSteps(job, DEMO_SHELF), job, DEMO_SHELF).flatMap((step) => [
        step.title,
        step.text,
        ...step.cautions,
      ]),
      ...Object.values(handOverPage(job, DEMO_SHELF)).map((each) => JSON.stringify(each)),
      ...cureBoard(job, DEMO_SHELF).rows.map((row) => JSON.stringify(row)),
    ].join('\n');
    expect(said).not.toMatch(/flash|hazard|\bturn lamp|a minute|relay/i);
    expect(turnFunctionsToProve(job)).toEqual([]);
    expect(fitSteps(job, DEMO_SHELF).map(({ id }) => id)).toContain('long-run');
  });

  it('is judged by its own circuits: what another one does is none of its business', () => {
    const { state, rows } = cureBoard(domeJob(), DEMO_SHELF);
    expect(state).toBe('holds');
    expect(rows.map(({ circuitIds }) => circuitIds)).toEqual([
      circuitsToProve(domeJob()).map(({ id }) => id),
    ]);
  });

  it('is proved by looking: the last look counts, an earlier one stays on record', () => {
    const job = domeJob();
    const rule = flashRule(job.vehicle.region);
    const [circuit] = circuitsToProve(job);
    if (!circuit) throw new Error('nothing to prove');
    const seen = (result: 'works' | 'glows', at: string) => ({
      ...SIGNED,
      kind: 'proof' as const,
      id: at,
      at,
      circuitId: circuit.id,
      on: null,
      supply: null,
      fitted: fittedNow(job, [circuit.id], 'cured'),
      result,
    });
    job.evidence = [seen('glows', '2026-11-20T10:00:00.000Z')];
    expect(proofsOf(job, rule)).toEqual([{ id: circuit.id, proved: false }]);
    expect(handOverPage(job, DEMO_SHELF).circuits).toEqual([
      { circuitId: circuit.id, name: circuit.name, seen: 'glows while off', open: [] },
    ]);
    job.evidence = [...job.evidence, seen('works', '2026-11-20T11:00:00.000Z')];
    expect(proofsOf(job, rule)).toEqual([{ id: circuit.id, proved: true }]);
  });
});
