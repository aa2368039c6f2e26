import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { BRINEHOLT_18 } from '../../../demo/vehicles/brineholt18.ts';
import { LARKSPUR_16 } from '../../../demo/vehicles/larkspur16.ts';
import { QUILLON_75 } from '../../../demo/vehicles/quillon75.ts';
import { SHOWMAN_6 } from '../../../demo/vehicles/showman6.ts';
import { TANSY_50 } from '../../../demo/vehicles/tansy50.ts';
import { type HiddenPlug, measure, plugsOf, randomFrom } from '../../../tests/fuzz/hiddenPlug.ts';
import { newJob } from '../../model/newJob.ts';
import type { Connector } from '../../model/vehicle/connector.ts';
import { expectedReadings } from './expected.ts';
import { type CavityReading, PinFinder } from './finder.ts';
import { recordedConnector, writeMap } from './writeMap.ts';

const VEHICLES = [QUILLON_75, LARKSPUR_16, BRINEHOLT_18, TANSY_50, SHOWMAN_6];
const plugs: HiddenPlug[] = VEHICLES.flatMap(plugsOf);
const median = (of: readonly number[]) => of.toSorted((a, b) => a - b)[Math.floor(of.length / 2)] ?? 0;

describe('a plug measured on a simulated vehicle', () => {
  it('of every demo vehicle gives its true map, every time, where no reading is false', () => {
    const random = randomFrom(11);
    const wrong = plugs.flatMap((plug) =>
      Array.from({ length: 3 }, () => measure(plug, random, 0, 'advised')).flatMap((run) =>
        run.right && run.finding.next === null ? [] : [`${plug.vehicle.id} ${plug.connector.id}`],
      ),
    );
    expect(plugs.length).toBeGreaterThan(60);
    expect(wrong).toEqual([]);
  });

  it('gives it in 95 of 100 with one reading in ten false, within three times the clean number', () => {
    const random = randomFrom(5);
    let right = 0;
    let runs = 0;
    for (const plug of plugs) {
      const clean = median([1, 2, 3].map(() => measure(plug, random, 0, 'advised').readings));
      for (let run = 0; run < 6; run += 1) {
        right += Number(measure(plug, random, 0.1, 'advised', 3 * clean).right);
        runs += 1;
      }
    }
    expect(runs).toBeGreaterThan(350);
    expect(right / runs).toBeGreaterThanOrEqual(0.95);
  });

  it('takes at least 30 % fewer readings by advice than at random, in the median', () => {
    const random = randomFrom(3);
    const saved = plugs.map((plug) => {
      const advised = median([1, 2, 3].map(() => measure(plug, random, 0, 'advised').readings));
      return 1 - advised / median([1, 2, 3].map(() => measure(plug, random, 0, 'random').readings));
    });
    expect(median(saved)).toBeGreaterThanOrEqual(0.3);
  });
});

const rearLeft = () => {
  const job = structuredClone(newJob('j', 'van', QUILLON_75, '2026-11-26T10:00:00.000Z'));
  const connector = recordedConnector(job, 'plug-rear-left') as Connector;
  return {
    job,
    connector,
    finder: new PinFinder(job.vehicle, connector, expectedReadings(job, DEMO_SHELF, connector)),
  };
};
const volts = (cavity: string, circuitId: string, shown: number): CavityReading => ({
  cavity,
  circuitId,
  how: 'volts',
  seen: shown < 0.5 ? 'nothing' : 'steady',
  quantity: { value: shown, unit: 'V', uncertainty: null },
});

describe('PinFinder', () => {
  it('shows nothing proved before anything was read, and asks for a reading', () => {
    const { finder } = rearLeft();
    const finding = finder.find([]);
    expect(finding.cavities.some(({ proved }) => proved)).toBe(false);
    expect(finding.next).not.toBeNull();
    expect(finding.complete).toBe(false);
  });

  it('takes a colour for a hint and never for a proof', () => {
    const { job, connector } = rearLeft();
    const brown = { ...connector, cavities: connector.cavities.map((each) => ({ ...each })) };
    if (brown.cavities[0]) brown.cavities[0].colour = { base: 'BN' };
    const finder = new PinFinder(job.vehicle, brown, expectedReadings(job, DEMO_SHELF, brown));
    const [first] = finder.find([]).cavities;
    expect(first?.likely[0]?.group.name).toBe('earth');
    expect(first?.hint).toContain('German wiring');
    expect(first?.proved).toBe(false);
  });

  it('says which reading cannot be, and which does not go with the rest', () => {
    const { finder } = rearLeft();
    const impossible = finder.find([volts('1', 'stop', 24)]).contradictions;
    expect(impossible.join()).toMatch(/Cavity 1, stop on: 24\.0 V is what no wire of this plug gives/);
    const readings = [
      volts('1', 'stop', 12.4),
      volts('1', 'stop', 12.3),
      volts('1', 'stop', 12.4),
      { cavity: '1', circuitId: 'turn-left', how: 'volts', seen: 'bouncing' } as const,
    ];
    const finding = finder.find(readings);
    expect(finding.cavities[0]?.likely[0]?.group.name).toBe('stop');
    expect(finding.contradictions.join()).toMatch(
      /bouncing with the flash does not go with what else was read/,
    );
  });

  it('reports a reading that contradicts the sheet, and none that agrees with it', () => {
    const { finder, connector, job } = rearLeft();
    const agreeing = finder.find([volts('1', 'stop', 12.4), volts('1', 'stop', 12.3)]);
    const stop = agreeing.cavities[0]?.likely[0]?.group.functions[0]?.use;
    const tail = finder.groups.find(({ name }) => /tail/.test(name))?.functions[0]?.use;
    if (!stop || !tail) throw new Error('no stop or tail wire');
    const withSheet = (use: typeof stop) => {
      const said = structuredClone(connector);
      if (said.cavities[0]) Object.assign(said.cavities[0], { use, provedBy: 'colour' });
      return new PinFinder(job.vehicle, said, expectedReadings(job, DEMO_SHELF, said));
    };
    const readings = [volts('1', 'stop', 12.4), volts('1', 'stop', 12.3), volts('1', 'stop', 12.4)];
    expect(withSheet(stop).find(readings).contradictions.join()).not.toMatch(/The sheet/);
    expect(withSheet(tail).find(readings).contradictions.join()).toMatch(
      /The sheet has cavity 1 for .*tail.*; what was read there is .*stop.*Measure it once more/,
    );
  });

  it('knows the turn wire by its bounce, and two lamps on one plug by their functions', () => {
    const { finder } = rearLeft();
    const finding = finder.find([
      { cavity: '2', circuitId: 'turn-left', how: 'volts', seen: 'bouncing' },
      { cavity: '2', circuitId: 'turn-left', how: 'volts', seen: 'bouncing' },
    ]);
    expect(finding.cavities[1]?.likely[0]?.group.name).toBe('left turn');
    expect(finding.cavities[1]?.proved).toBe(true);
    expect(finding.cavities[1]?.by).toBe('meter');
  });

  it('writes what was read into the sheet, and leaves alone what nobody measured', () => {
    const { job, finder } = rearLeft();
    const bounce = { cavity: '2', circuitId: 'turn-left', how: 'volts', seen: 'bouncing' } as const;
    expect(writeMap(job, 'plug-rear-left', finder.find([bounce, bounce]))).toBe(1);
    const cavities = job.vehicle.connectors?.[0]?.cavities;
    expect(cavities?.[1]).toMatchObject({
      use: { does: 'feed', circuitIds: ['turn-left'] },
      provedBy: 'meter',
    });
    expect(cavities?.[0]?.use).toBeUndefined();
  });

  it('takes over what the sheet has proved, and asks only for the rest', () => {
    const { job, connector } = rearLeft();
    const known = structuredClone(connector);
    const [, second] = known.cavities;
    if (second) {
      second.use = { does: 'feed', circuitIds: ['turn-left'] };
      second.provedBy = 'meter';
    }
    const finder = new PinFinder(job.vehicle, known, expectedReadings(job, DEMO_SHELF, known));
    const finding = finder.find([]);
    expect(finding.cavities[1]).toMatchObject({ proved: true, by: 'meter', readings: 0 });
    expect(finding.next?.cavity).not.toBe('2');
    // Read again, it is what was read that counts.
    const stop = volts('2', 'stop', 12.4);
    expect(finder.find([stop, stop]).cavities[1]?.likely[0]?.group.name).toBe('stop');
  });

  it('tells what a meter would show of a pulsed feed: its mean, and its peak', () => {
    const job = newJob('j', 'bus', LARKSPUR_16, '2026-11-26T10:00:00.000Z');
    const connector = recordedConnector(structuredClone(job), 'plug-rear-left') as Connector;
    const readings = expectedReadings(job, DEMO_SHELF, connector);
    const tail = readings.functions.findIndex(({ name }) => name === 'left stop and tail');
    const at = (how: string) =>
      readings.table[
        readings.tests.findIndex((test) => test.circuitId === 'tail-left' && test.how === how)
      ]?.[tail];
    // P24: a pulsed feed of duty D reads D·V on the mean, V holding the peak.
    expect(at('volts')).toMatchObject({ kind: 'volts', flashes: false });
    const [mean, peak] = [at('volts'), at('peak')].map((each) => (each?.kind === 'volts' ? each.volts : 0));
    expect((mean ?? 0) / (peak ?? 1)).toBeCloseTo(0.22, 2);
  });
});
