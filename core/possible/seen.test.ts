import { describe, expect, it } from 'vitest';
import { demoJob, firstTurn, trialAt } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { Judge } from '../judge/judge.ts';
import { ownWatcherSeen } from '../judge/watcherSeen.ts';
import type { Job } from '../model/job.ts';
import { circuitById } from '../model/vehicle/lookUp.ts';
import { fittedNow } from '../record/fittedNow.ts';
import { reasonOf } from '../words/verdicts.ts';
import { resultsFor } from './seen.ts';
import { verdictsOf } from './verdicts.ts';
import { builtWaysOf, waysOf, waysSeen } from './ways.ts';

const van = demoJob('library-route-3');
const left = firstTurn(van.vehicle).id;
/** Nobody has looked what flashes it. */
const open: Job = {
  ...van,
  vehicle: {
    ...van.vehicle,
    facts: {
      ...van.vehicle.facts,
      flasherSeen: false,
      flashers: ['watching-relay', 'controller', 'thermal', 'non-watching-relay'],
    },
  },
};
const kinds = (job: Job) => new Set(waysOf(job, DEMO_SHELF).map((way) => way.flasher));
const having = (...evidence: Job['evidence']): Job => ({ ...open, evidence });
const ledsAlone = fittedNow(van, [left], 'leds');

describe('a trial on a job nobody has looked at', () => {
  it('leaves the kinds of flasher that could have done that, and no other', () => {
    const slow = having(trialAt(left, 'slow', 12.6, ledsAlone));
    expect(kinds(slow)).toEqual(new Set(['thermal']));
    expect(builtWaysOf(slow, DEMO_SHELF).map((way) => way.flasher)).toEqual(['thermal']);
    expect(kinds(having(trialAt(left, 'message', 12.6, ledsAlone)))).toEqual(new Set(['controller']));
    const fast = kinds(having(trialAt(left, 'fast', 12.6, ledsAlone)));
    expect(fast).toContain('watching-relay');
    expect(fast).not.toContain('non-watching-relay');
  });

  it('decides the verdict by what was seen with just that fitted', () => {
    const { leds } = verdictsOf(having(trialAt(left, 'slow', 12.6, ledsAlone)), DEMO_SHELF);
    expect(leds.circuits.find(({ circuitId }) => circuitId === left)?.state).toBe('falls-short');
  });

  it('that fits none is said, and teaches nothing of what flashes it', () => {
    // With all its stock bulbs in nothing flashes fast and slow.
    const stock = fittedNow(van, [left], 'stock');
    const odd = having(
      trialAt(left, 'slow', 12.6, stock, { id: 'a' }),
      trialAt(left, 'message', 12.6, stock, { id: 'b' }),
    );
    expect(waysSeen(odd, DEMO_SHELF).fitsNone).toBe(true);
    expect(kinds(odd).size).toBe(4);
    expect(verdictsOf(odd, DEMO_SHELF).leds.unknowns.map(({ what }) => what)).toContain('trials-contradict');
    expect(waysSeen(open, DEMO_SHELF).fitsNone).toBe(false);
  });

  it('that was normal for a moment alone tells nothing; fast for a moment is fast', () => {
    const on = { lights: false, brake: false, engine: false, brief: true as const };
    expect(ownWatcherSeen(having(trialAt(left, 'normal', 12.6, ledsAlone, { on })))).toEqual([]);
    expect(ownWatcherSeen(having(trialAt(left, 'fast', 12.6, ledsAlone, { on })))).toHaveLength(1);
  });

  it('with another relay in its place tells nothing of the vehicle’s own', () => {
    const relay = { kind: 'flasher-relay' as const, partId: 'relay-dipper-2', position: 0.5 };
    const cured = fittedNow({ ...van, vehicleCures: [relay] }, [left], 'cured');
    expect(cured.vehicleCures).toEqual([relay]);
    const job = having(trialAt(left, 'normal', 12.6, cured));
    expect(ownWatcherSeen(job)).toEqual([]);
    expect(kinds(job).size).toBe(4);
  });
});

describe('a message seen on a circuit that is on steadily', () => {
  const fresh = structuredClone(demoJob('library-route-3'));
  for (const circuit of fresh.vehicle.circuits) if (circuit.kind !== 'turn') circuit.watched = null;
  const stop = fresh.vehicle.circuits.find((each) => each.kind === 'stop')?.id ?? '';
  for (const { lampId } of circuitById(fresh.vehicle, stop).feeds) fresh.chosen[lampId] = 'led-godwit-3r';
  const seen = { ...trialAt(stop, 'message', 12.6, fittedNow(fresh, [stop], 'leds')) };
  const judged = (job: Job) => Judge.of(job, DEMO_SHELF, 'leds').circuit(circuitById(job.vehicle, stop));

  it('says that it falls short with that, and that something watches it whatever is fitted', () => {
    expect(judged(fresh).state).toBe('either-way');
    const after = judged({ ...fresh, evidence: [seen] });
    expect(after.state).toBe('falls-short');
    expect(reasonOf(fresh.vehicle, after)).toMatch(/^Seen with just this fitted: a bulb message/);
    const back = { ...fresh, evidence: [seen], chosen: { ...fresh.chosen } };
    for (const { lampId } of circuitById(fresh.vehicle, stop).feeds) back.chosen[lampId] = 'led-ruff-2r';
    expect(reasonOf(fresh.vehicle, judged(back))).not.toMatch(/Nobody has looked whether anything watches/);
  });

  it('is not outdone by one that stayed quiet: the message may come at the first cold start', () => {
    const quiet = { ...seen, id: 'quiet', result: 'normal' as const };
    expect(judged({ ...fresh, evidence: [quiet] }).state).toBe('either-way');
    expect(judged({ ...fresh, evidence: [seen, quiet] }).state).toBe('falls-short');
  });
});

it('a flasher shows what its verdicts leave possible', () => {
  expect(resultsFor('watching-relay', ['holds'])).toEqual(['normal']);
  expect(resultsFor('watching-relay', ['falls-short'])).toEqual(['fast']);
  expect(resultsFor('thermal', ['either-way'])).toEqual(['normal', 'slow', 'fast', 'dark']);
});
