// Longer than 300 lines: cases of one table over one demo fleet.
import { beforeAll, describe, expect, it } from 'vitest';
import { demoJob, firstTurn } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { Judge } from '../../judge/judge.ts';
import type { Job } from '../../model/job.ts';
import type { LedPart } from '../../model/part.ts';
import { lampById, turnCircuits } from '../../model/vehicle/lookUp.ts';
import { handOverPage } from '../../record/handOver.ts';
import { CONTROLS_OFF } from '../../simulation/controls.ts';
import { traceLamps } from '../../traces/traceLamps.ts';
import { compareTurnCures } from './compare.ts';
import type { CureReport } from './evaluate.ts';
import { bestInWords, type DEFAULT_WEIGHTS, rankCures } from './rank.ts';
import { warningKept } from './warningKept.ts';
import { withCure } from './withCure.ts';

function tried(job: Job): CureReport[] {
  return compareTurnCures(job, DEMO_SHELF, firstTurn(job.vehicle));
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
    // Set to LED it flashes on with a lamp dead: nobody is told.
    expect(of(reports, 'setting')).toMatchObject({ state: 'holds', warning: 'lost', cuts: 0 });
    expect(of(reports, 'setting').cautions.join(' ')).toMatch(/one dead LED of several goes unnoticed/);
    expect(of(reports, 'built-in').state).not.toBe('holds');
    expect(bestInWords(rankCures(reports))).toMatch(
      /Controller setting “LED fitted”.*the failure warning is lost/,
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
    expect(bestInWords(rankCures(reports))).toMatch(/DIPPER-2, LED flasher relay, and two diodes/);
  });
});

describe('the trailer', () => {
  it('undoing the whole conversion is no cure', () => {
    const reports = tried(demoJob('exhibition-trailer'));
    expect(reports.some((each) => each.option.kinds.includes('filament'))).toBe(false);
    expect(reports.filter((each) => each.state === 'holds').length).toBeGreaterThan(1);
  });
});

describe('different cures at the two ends', () => {
  it('filaments at one end leave it open; with one resistor a side at the other they hold, with less heat', () => {
    const reports = tried(demoJob('gritter-4'));
    expect(of(reports, 'filament-front').state).toBe('either-way');
    const both = of(reports, 'filament-front+resistors-rear');
    expect(both).toMatchObject({ state: 'holds', unconverted: 2 });
    expect(both.option.kinds).toEqual(['filament', 'load-resistor']);
    expect(both.heatWatts).toBeLessThan(0.7 * of(reports, 'resistors').heatWatts);
    const at = Object.values(both.option.change?.cures ?? {}).flatMap((cure) =>
      cure.networks.map((network) => lampById(demoJob('gritter-4').vehicle, network.lampId).end),
    );
    expect(new Set(at)).toEqual(new Set(['rear']));
  });

  it('who minds a mixed look gets every lamp converted', () => {
    const reports = tried(demoJob('gritter-4'));
    const none = { warning: 0, heat: 0, cuts: 0, whole: 0, time: 0, price: 0 };
    expect(rankCures(reports, { ...none, whole: 5 })[0]?.report.unconverted).toBe(0);
    expect(rankCures(reports, { ...none, price: 5 })[0]?.report.option.id).toMatch(/^filament/);
  });

  it('are not offered where something does it without wire cut and without heat', () => {
    for (const id of ['library-route-3', 'dial-a-ride-2'])
      expect(tried(demoJob(id)).some((report) => report.option.id.includes('+'))).toBe(false);
  });
});

describe('plug-in harnesses', () => {
  it('hold on the library van without a joint, dearer and as hot as tapped resistors', () => {
    const reports = tried(demoJob('library-route-3'));
    const harness = of(reports, 'harness');
    const tapped = of(reports, 'resistors');
    expect(harness).toMatchObject({ state: 'holds', warning: 'lost', cuts: 0, reversible: true });
    expect(harness.price).toBeGreaterThan(tapped.price);
    expect(harness.heatWatts).toBeCloseTo(tapped.heatWatts, 6);
  });

  it('do not suit the trailer’s CK sockets, and heat the gritter’s 24 V to more than they bear', () => {
    expect(of(tried(demoJob('exhibition-trailer')), 'harness').option.refused).toMatch(
      /standard wiring, and CK is the wiring of upper rear left/,
    );
    const gritter = of(tried(demoJob('gritter-4')), 'harness');
    expect(gritter.state).toBe('too-much');
    expect(gritter.reason).toMatch(/28.8 V|°C/);
  });

  it('that load the tail feed too say so, and are heated by it all night', () => {
    const job = structuredClone(demoJob('exhibition-trailer'));
    for (const lamp of job.vehicle.lamps) if (lamp.socketWiring === 'ck') lamp.socketWiring = 'standard';
    for (const [id, part] of Object.entries(job.chosen)) if (part === null) delete job.chosen[id];
    const report = of(tried(job), 'harness');
    const dim = Object.values(report.option.change?.cures ?? {}).flatMap((cure) =>
      cure.networks.filter((network) => network.input === 'dim'),
    );
    expect(dim.length).toBeGreaterThan(0);
    expect(report.cautions.join(' ')).toMatch(/loads its tail feed too.*as long as the lights are on/);
  });
});

describe('a sequential lamp', () => {
  const swept = (id: string): Job => {
    const job = structuredClone(demoJob(id));
    for (const lampId of ['rear-left', 'rear-right']) job.chosen[lampId] = SEQUENTIAL.id;
    return job;
  };
  const rear = DEMO_SHELF.find(
    (part): part is LedPart => part.id === demoJob('library-route-3').chosen['rear-left'],
  );
  if (!rear) throw new Error('the van has no rear LED');
  const SEQUENTIAL: LedPart = { ...rear, id: 'led-sequential', sweep: { seconds: 0.4, segments: 6 } };

  it('behind a fast flasher is caught, and one whose relay can be slowed gets a slower one', () => {
    const job = swept('library-route-3');
    const reports = compareTurnCures(job, [...DEMO_SHELF, SEQUENTIAL], firstTurn(job.vehicle));
    expect(of(reports, 'nothing').reason).toMatch(/At 176 a minute rear left.*its sweep needs 400 ms/);
    // 85 a minute, half of it lit: 353 ms.
    const fixed = of(reports, 'relay-relay-dipper-3');
    expect(fixed.state).toBe('falls-short');
    expect(fixed.reason).toMatch(/is lit for 353 ms.*never finishes/);
    const slowed = of(reports, 'relay-relay-dipper-2');
    expect(slowed.state).toBe('holds');
    expect(slowed.option.name).toMatch(/set to 75 a minute/);
  });
});

describe('the combinations that break', () => {
  it('are told one by one: alone it holds, with the lights on it does not', () => {
    const reports = tried(demoJob('gritter-4'));
    const situation = (id: string, which: string) =>
      of(reports, id).situations.find((each) => each.id === which);
    expect(situation('resistors', 'lights')?.state).toBe('holds');
    expect(situation('nothing', 'engine-off')?.state).toBe('falls-short');
    expect(situation('resistors', 'hazard')?.text).toMatch(/A lit$/);
    expect(situation('resistors', 'cold-start')?.text).toMatch(/no more inrush/);
  });

  it('a cold start with capacitors is played, and one that an output cannot feed is too much', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    const played = of(tried(job), 'decoder-decoder-otter-d').situations.at(-1);
    expect(played?.text).toMatch(/capacitors take up to [\d.]+ A for an instant/);
    const shelf = DEMO_SHELF.map((part) =>
      part.kind === 'decoder' ? { ...part, capacitorFarads: 0.6 } : part,
    );
    const report = of(compareTurnCures(job, shelf, firstTurn(job.vehicle)), 'decoder-decoder-otter-d');
    expect(report.situations.at(-1)).toMatchObject({ state: 'too-much' });
    expect(report.reason).toMatch(/From cold the capacitors still take/);
  });
});

describe('a load inside the bulb', () => {
  it('is heated too: half an hour of hazard is told, a vehicle without hazard is not blamed for it', () => {
    const van = of(tried(demoJob('library-route-3')), 'built-in');
    expect(van.hottestLed).toBeGreaterThan(105);
    expect(van.cautions.join(' ')).toMatch(/thirty minutes of hazard.*estimate/);
    const moped = of(tried(demoJob('courier-moped-7')), 'built-in');
    expect(moped.cautions.join(' ')).not.toMatch(/hazard/);
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
    const verdict = Judge.of(job, DEMO_SHELF, 'cured').verdict();
    expect(verdict.state).toBe('too-much');
  });
});

describe('trying a cure', () => {
  it('says what the judge says of the job with it, and leaves the job alone', () => {
    const job = demoJob('library-route-3');
    const before = JSON.stringify(job);
    for (const report of tried(job)) {
      if (!report.option.change) continue;
      const judged = Judge.of(withCure(job, report.option.change), DEMO_SHELF, 'cured').verdict().state;
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
    expect(first({ warning: 0, heat: 10, cuts: 0, whole: 0, time: 0, price: 0 })).toBe('cool');
    const fewest = Math.min(...reports.map((each) => each.cuts));
    const chosen = first({ warning: 0, heat: 0, cuts: 10, whole: 0, time: 0, price: 0 });
    expect(reports.find((each) => each.option.id === chosen)?.cuts).toBe(fewest);
  });
});

describe('a cure of the turn lamps', () => {
  it('does not answer for resistors that cure another circuit', () => {
    const job = structuredClone(demoJob('library-route-3'));
    job.cures.stop = {
      kind: 'load-resistor',
      networks: [
        {
          lampId: 'stop-tail-left',
          connection: 'parallel',
          pieces: [{ partId: null, ohms: 3, watts: 100, tolerance: 0.05 }],
        },
      ],
    };
    const relay = of(tried(job), 'relay-relay-dipper-2');
    expect(relay).toMatchObject({ state: 'holds', hottest: null, cuts: 0 });
  });
});

describe('the failure warning', () => {
  /** Flashes a minute of the minibus set to LED, played with one lamp's LED dead. */
  const playedWithDead = (lampId: string) => {
    const job = demoJob('dial-a-ride-2');
    const controls = { ...CONTROLS_OFF, key: 'on' as const, turn: 'left' as const };
    return traceLamps(job, DEMO_SHELF, 'cured', controls, 12.6, [{ kind: 'bulb-out', lampId }]).ratePerMinute;
  };

  it('is lost where the vehicle, played with a lamp dead, flashes on as if nothing were', () => {
    expect(playedWithDead('rear-left')).toBeCloseTo(86, 0);
    const job = demoJob('dial-a-ride-2');
    const judge = Judge.of(job, DEMO_SHELF, 'cured');
    expect(warningKept(judge, turnCircuits(job.vehicle))).toBe('lost');
    // With the works' own bulbs each loss is called.
    expect(warningKept(Judge.of(job, DEMO_SHELF, 'stock'), turnCircuits(job.vehicle))).toBe('kept');
  });

  it('is on the page for the owner, as a load that outlives its LED is', () => {
    const { silenced } = handOverPage(demoJob('dial-a-ride-2'), DEMO_SHELF);
    expect(silenced.join(' ')).toMatch(/only once all of a circuit have failed \(.*left turn/);
    const loaded = DEMO_SHELF.find((part) => part.kind === 'led' && part.builtInLoadOhms !== undefined);
    const job = demoJob('library-route-3');
    const fitted = { ...job, chosen: { ...job.chosen, 'rear-left': loaded?.id ?? null } };
    expect(handOverPage(fitted, DEMO_SHELF).silenced.join(' ')).toMatch(/\(rear left\) may die unnoticed/);
  });
});
