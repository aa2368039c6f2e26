import { beforeAll, describe, expect, it } from 'vitest';
import { demoJob, firstTurn } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import type { Job } from '../../model/job.ts';
import { lampById } from '../../model/vehicle/vehicle.ts';
import { TurnJudge } from '../../verdict/judge.ts';
import { planResistors } from '../loadResistor/plan.ts';
import { type CureReport, tryCures } from './evaluate.ts';
import { turnOptions, withCure } from './options.ts';
import { bestInWords, type DEFAULT_WEIGHTS, rankCures } from './rank.ts';

function tried(job: Job): CureReport[] {
  return tryCures(
    job,
    DEMO_SHELF,
    turnOptions(job, DEMO_SHELF, planResistors(job, DEMO_SHELF, firstTurn(job.vehicle))),
  );
}
const of = (reports: readonly CureReport[], id: string): CureReport => {
  const report = reports.find((each) => each.option.id === id);
  if (!report) throw new Error(`no option ${id} among ${reports.map((each) => each.option.id).join()}`);
  return report;
};

describe('the library van: relay and resistor both work', () => {
  let reports: CureReport[];
  beforeAll(() => {
    reports = tried(demoJob('library-route-3'));
  });

  it('each at a price that is shown', () => {
    const relay = of(reports, 'relay-relay-dipper-3');
    expect(relay).toMatchObject({ state: 'holds', warning: 'lost', cuts: 0, reversible: true });
    expect(relay.heatWatts).toBeCloseTo(0, 4);
    const resistors = of(reports, 'resistors');
    expect(resistors).toMatchObject({ state: 'holds', warning: 'lost', reversible: false });
    // Four of 6 Ω at 13.5 V, lit.
    expect(resistors.heatWatts).toBeGreaterThan(90);
    expect(resistors.cuts).toBeGreaterThan(4);
    expect(resistors.savedWatts).toBeLessThan(0);
    expect(resistors.cautions.join(' ')).toMatch(/burns skin|wire insulation/);
  });

  it('and what does not says why: nothing falls short, built-in loads could go either way', () => {
    expect(of(reports, 'nothing')).toMatchObject({ state: 'falls-short', warning: 'kept' });
    expect(of(reports, 'built-in').state).toBe('either-way');
    expect(of(reports, 'decoder').option.refused).toMatch(/no controller here/);
  });

  it('the best is named with its reasons and its price', () => {
    expect(bestInWords(rankCures(reports))).toMatch(
      /^Best for this vehicle: DIPPER-2, LED flasher relay\. It holds at every supply.*the failure warning is lost\.$/,
    );
    const dominated = rankCures(reports).find((each) => each.report.option.id === 'relay-relay-dipper-3');
    expect(dominated?.dominatedBy).toMatch(/DIPPER-2/);
  });
});

describe('the minibus: no relay to change, the setting works', () => {
  it('and loads built in could go either way', () => {
    const reports = tried(demoJob('dial-a-ride-2'));
    expect(of(reports, 'relay').option.refused).toMatch(/inside the body controller/);
    expect(of(reports, 'setting')).toMatchObject({ state: 'holds', warning: 'kept', cuts: 0 });
    expect(of(reports, 'built-in').state).not.toBe('holds');
    expect(bestInWords(rankCures(reports))).toMatch(
      /Controller setting “LED fitted”.*keeps the failure warning/,
    );
  });
});

describe('the gritter: 24 V', () => {
  it('resistors of 24 V values hold; no relay for 24 V is on the shelf', () => {
    const reports = tried(demoJob('gritter-4'));
    const resistors = of(reports, 'resistors');
    expect(resistors.state).toBe('holds');
    const [cure] = Object.values(resistors.option.change?.cures ?? {});
    const ohms = cure?.networks.flatMap((network) => network.pieces.map((piece) => piece.ohms)) ?? [];
    // Four times the 12 V value for the same watts: about 24 Ω a lamp, or 12 in all.
    expect(ohms.reduce((sum, each) => sum + each, 0)).toBeGreaterThan(9);
    expect(of(reports, 'relay').option.refused).toMatch(/No flasher relay for 24 V/);
  });
});

describe('the moped: a relay that does not watch, and two diodes', () => {
  it('the relay alone lights all four through the pilot; with the diodes it holds within its 3 A', () => {
    const reports = tried(demoJob('courier-moped-7'));
    expect(of(reports, 'relay-relay-dipper-2')).toMatchObject({ state: 'falls-short' });
    expect(of(reports, 'relay-relay-dipper-2').reason).toMatch(/all four flash/);
    const cured = of(reports, 'relay-relay-dipper-2-diodes');
    expect(cured.state).toBe('holds');
    expect(cured.litAmps).toBeLessThan(3);
    expect(bestInWords(rankCures(reports))).toMatch(/DIPPER-2 and two diodes/);
  });
});

describe('the trailer', () => {
  it('undoing the whole conversion is no cure', () => {
    const reports = tried(demoJob('exhibition-trailer'));
    expect(reports.some((each) => each.option.kinds.includes('filament'))).toBe(false);
    expect(reports.filter((each) => each.state === 'holds').length).toBeGreaterThan(1);
  });
});

describe('sockets without metal', () => {
  it('take resistors out of the question, with the reason', () => {
    const job = structuredClone(demoJob('library-route-3'));
    for (const lamp of job.vehicle.lamps) lamp.resistorMount = 'none';
    expect(of(tried(job), 'resistors').option.refused).toMatch(/no.* metal within reach|No converted lamp/i);
  });
});

describe('a resistor too low for an output', () => {
  it('is too much, and says so', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    job.vehicleCures = [];
    job.cures['turn-left'] = {
      kind: 'load-resistor',
      networks: [
        {
          lampId: 'rear-left',
          connection: 'parallel',
          pieces: [{ partId: null, ohms: 1.5, watts: 300, tolerance: 0.05 }],
        },
      ],
    };
    const verdict = new TurnJudge(job, DEMO_SHELF, 'cured').verdict();
    expect(verdict.state).toBe('too-much');
  });
});

describe('trying a cure', () => {
  it('says what the judge says of the job with it, and leaves the job alone', () => {
    const job = demoJob('library-route-3');
    const before = JSON.stringify(job);
    for (const report of tried(job)) {
      if (!report.option.change) continue;
      const judged = new TurnJudge(withCure(job, report.option.change), DEMO_SHELF, 'cured').verdict().state;
      if (report.hottest?.state !== 'condemned') expect(report.state).toBe(judged);
    }
    expect(JSON.stringify(job)).toBe(before);
  });

  it('takes the cures of other circuits along', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    const kept = withCure(job, {});
    expect(kept.vehicleCures.map((cure) => ('circuitId' in cure ? cure.circuitId : ''))).toEqual(
      expect.arrayContaining(['tail-left', 'third']),
    );
    expect(kept.vehicleCures.some((cure) => 'circuitId' in cure && cure.circuitId === 'turn-left')).toBe(
      false,
    );
    expect(lampById(kept.vehicle, 'rear-left').id).toBe('rear-left');
  });
});

describe('ranking', () => {
  it('follows the weights: who cares for nothing but wire takes no resistor', () => {
    const reports = tried(demoJob('gritter-4')).filter((each) => each.state === 'holds');
    const twin: CureReport[] = [
      ...reports,
      ...reports.map((each) => ({
        ...each,
        option: { ...each.option, id: 'cool', name: 'cool' },
        heatWatts: 0,
        cuts: 50,
      })),
    ];
    const first = (weights: typeof DEFAULT_WEIGHTS) => rankCures(twin, weights)[0]?.report.option.id;
    expect(first({ warning: 0, heat: 10, cuts: 0, time: 0, price: 0 })).toBe('cool');
    expect(first({ warning: 0, heat: 0, cuts: 10, time: 0, price: 0 })).toBe('resistors');
  });
});
