import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { demoJobs } from '../../../demo/jobs.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { parallelOhms, seriesOhms } from '../../circuit/resistorNetwork.ts';
import { condemnedIn } from '../../heat/mounts.ts';
import { JobAnalysis } from '../../judge/analysis.ts';
import { HealthyBands } from '../../judge/outageBand.ts';
import { lampById, turnCircuits } from '../../model/vehicle/lookUp.ts';
import { fitmentOf } from '../../simulation/fitment.ts';
import { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { ohmsInterval } from './interval.ts';
import { bestResistors, planResistors } from './plan.ts';
import { searchResistors } from './search.ts';

const EMPTY = DEMO_SHELF.filter((part) => part.kind !== 'resistor');

describe('the best set alone', () => {
  it('is what the whole search puts first, on every demo vehicle, with a full shelf and with an empty one', () => {
    for (const job of demoJobs()) {
      for (const shelf of [DEMO_SHELF, EMPTY]) {
        for (const circuit of turnCircuits(job.vehicle)) {
          // A copy, of which nothing was worked out before: what is found from another beginning differs in its last digits.
          const plan = planResistors(structuredClone(job), shelf, circuit);
          const best = bestResistors(new JobAnalysis(job, shelf), circuit);
          expect(best.choice?.cure ?? null).toEqual(plan.search.choices[0]?.cure ?? null);
          expect(best.none).toBe(plan.search.none);
          expect(best.interval).toEqual(plan.interval);
        }
      }
    }
  });

  it('at one end has all of it there, and holds as well', () => {
    const job = demoJob('library-route-3');
    const [circuit] = turnCircuits(job.vehicle);
    if (!circuit) throw new Error('the van turns');
    for (const end of ['front', 'rear'] as const) {
      const { choice, interval } = bestResistors(new JobAnalysis(job, DEMO_SHELF), circuit, 2, end);
      const ends = choice?.cure.networks.map((network) => lampById(job.vehicle, network.lampId).end);
      expect(new Set(ends)).toEqual(new Set([end]));
      expect(choice?.ohms).toBeLessThan(interval.maxOhms);
    }
    expect(bestResistors(new JobAnalysis(job, DEMO_SHELF), circuit, 2, 'inside').none).toMatch(
      /no converted lamp/i,
    );
  });
});

describe('every set that is found', () => {
  it('lies within the interval over its tolerance, one to four pieces, none over its printed watts', () => {
    for (const id of ['library-route-3', 'gritter-4', 'dial-a-ride-2']) {
      const job = demoJob(id);
      const [circuit] = turnCircuits(job.vehicle);
      if (!circuit) throw new Error('it turns');
      const { search, interval } = planResistors(job, DEMO_SHELF, circuit);
      expect(search.choices.length).toBeGreaterThan(50);
      expect(search.choices.length).toBeLessThan(search.examined);
      for (const { pieces, connection, ohms } of search.choices) {
        const values = pieces.map((piece) => piece.ohms);
        expect(ohms).toBeCloseTo(connection === 'series' ? seriesOhms(values) : parallelOhms(values), 9);
        const tolerance = Math.max(...pieces.map((piece) => piece.tolerance));
        expect(ohms * (1 + tolerance)).toBeLessThanOrEqual(interval.maxOhms);
        expect(ohms * (1 - tolerance)).toBeGreaterThanOrEqual(interval.minOhms);
        expect(pieces.length).toBeGreaterThanOrEqual(1);
        expect(pieces.length).toBeLessThanOrEqual(4);
      }
    }
  });

  it('is found once', () => {
    const job = demoJob('library-route-3');
    const [circuit] = turnCircuits(job.vehicle);
    if (!circuit) throw new Error('it turns');
    const keys = planResistors(job, DEMO_SHELF, circuit).search.choices.map(({ connection, pieces }) =>
      [connection, ...pieces.map((piece) => piece.partId ?? piece.ohms).toSorted()].join(' '),
    );
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('counts the sets there are: two values make 14 side by side and 12 in a row', () => {
    const job = demoJob('library-route-3');
    const [circuit] = turnCircuits(job.vehicle);
    if (!circuit) throw new Error('it turns');
    const fitted = TurnCircuits.of(job.vehicle, fitmentOf(job, DEMO_SHELF, 'leds'));
    const interval = ohmsInterval(fitted, new HealthyBands(job), circuit);
    const two = DEMO_SHELF.filter((part) => part.kind === 'resistor').slice(0, 2);
    expect(searchResistors(fitted, circuit, interval, two, 2, { values: 'shelf' }).examined).toBe(14 + 12);
  });
});

describe('a filament that is stop and turn', () => {
  it('takes no resistor that the brake held would burn', () => {
    const job = demoJob('exhibition-trailer');
    const [circuit] = turnCircuits(job.vehicle);
    if (!circuit) throw new Error('it turns');
    const { choices } = planResistors(job, DEMO_SHELF, circuit).search;
    expect(choices.length).toBeGreaterThan(0);
    for (const { cure } of choices) expect(condemnedIn(job.vehicle, cure.networks, 14.4)).toBeNull();
    // The usual 6 Ω 50 W at each lamp burns there with the brake held.
    const usual = ['upper-left', 'lower-left'].map((lampId) => ({
      lampId,
      connection: 'parallel' as const,
      pieces: [{ partId: null, ohms: 6, watts: 50, tolerance: 0.05 }],
    }));
    expect(condemnedIn(job.vehicle, usual, 14.4)?.useCase.name).toMatch(/on the brake/);
  });
});

describe('the interval', () => {
  it('is where the judge changes its mind: a hair below the most ohms the flasher sees enough, a hair above not', () => {
    for (const id of ['library-route-3', 'gritter-4', 'exhibition-trailer']) {
      const job = demoJob(id);
      const [circuit] = turnCircuits(job.vehicle);
      if (!circuit) throw new Error('it turns');
      const fitted = TurnCircuits.of(job.vehicle, fitmentOf(job, DEMO_SHELF, 'leds'));
      const bands = new HealthyBands(job);
      const { deciding } = ohmsInterval(fitted, bands, circuit);
      const { lookSeconds } = deciding;
      const need = bands.at(circuit, deciding.point.volts, lookSeconds).highAmps;
      // Any lamp will do; the one with the longest lead decides, so it holds at all of them.
      const seen = (ohms: number) =>
        Math.min(
          ...circuit.feeds
            .filter((feed) => fitted.lamp(feed.lampId).role === 'main')
            .map(
              ({ lampId }) =>
                fitted.solve({
                  emfVolts: deciding.point.volts,
                  sides: [circuit.side],
                  lookSeconds,
                  ...fitted.companies.at(-1),
                  trial: { ohms, at: { lampId } },
                }).watchedAmps,
            ),
        );
      expect(seen(deciding.maxOhms * 0.999)).toBeGreaterThan(need);
      expect(seen(deciding.maxOhms * 1.001)).toBeLessThan(need);
    }
  });
});
