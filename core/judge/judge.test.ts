// Longer than 300 lines: cases of one judge over one demo fleet.
import { describe, expect, it } from 'vitest';
import { demoJob, onTurnFuse, withRelay } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { supposing } from '../circuit/engine/twinLedElements.ts';
import type { LoadResistorCure } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { LedPart } from '../model/part.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import { ALONE, type Company } from '../simulation/litState.ts';
import { reasonOf } from '../words/verdicts.ts';
import { Judge } from './judge.ts';
import { HealthyBands } from './outageBand.ts';
import { pointState } from './requirements/watcherLooks.ts';
import { worstState } from './states.ts';
import type { CircuitVerdict, HazardVerdict, TurnCircuitVerdict, TurnVerdict } from './verdict.ts';

const open = demoJobs()[0] as Job;
const said = (verdict: CircuitVerdict | HazardVerdict) => reasonOf(open.vehicle, verdict);

/** The open demo job with some resistors at each of the named ends, on both sides. */
function withResistors(ends: readonly ('front' | 'rear')[], ohms = 6, change: Partial<Job> = {}): Job {
  const cure = (side: string): LoadResistorCure => ({
    kind: 'load-resistor',
    networks: ends.map((end) => ({
      lampId: `${end}-${side}`,
      connection: 'parallel',
      pieces: [{ partId: null, ohms, watts: 50, tolerance: 0.05 }],
    })),
  });
  return { ...open, cures: { 'turn-left': cure('left'), 'turn-right': cure('right') }, ...change };
}

function onFuse(job: Job, ratedAmps: number): Job {
  return { ...job, vehicle: onTurnFuse(job.vehicle, ratedAmps) };
}

function judged(job: Job, configuration: 'stock' | 'leds' | 'cured'): TurnVerdict {
  return Judge.of(job, DEMO_SHELF, configuration).verdict();
}

function leftOf(verdict: TurnVerdict): TurnCircuitVerdict {
  return verdict.circuits[0] as TurnCircuitVerdict;
}

function hazardOf({ hazard }: TurnVerdict): HazardVerdict {
  if (!hazard) throw new Error('the van has a hazard switch');
  return hazard;
}

describe('the library van', () => {
  it('holds with its stock bulbs at 88 a minute', () => {
    const verdict = judged(open, 'stock');
    expect(verdict.state).toBe('holds');
    expect(leftOf(verdict).rate).toEqual({ low: 88, high: 88 });
  });

  it('falls short with 3 W LEDs alone and flashes twice as fast, worst with the engine off', () => {
    const left = leftOf(judged(open, 'leds'));
    expect(left.state).toBe('falls-short');
    expect(left.rate).toEqual({ low: 176, high: 176 });
    expect(left.worst.volts).toBe(11.8);
    expect(said(left)).toMatch(/draw 0\.4\d A at 11\.8 V .* from 2\.0\d A to 3\.7\d A/);
  });

  it('holds at every working point with two 6 Ω a side, tolerance included', () => {
    const verdict = judged(withResistors(['front', 'rear']), 'cured');
    expect(verdict.state).toBe('holds');
    for (const point of leftOf(verdict).points) expect(point.amps.low).toBeGreaterThan(point.band.highAmps);
  });

  it('could go either way with one 6 Ω a side', () => {
    const left = leftOf(judged(withResistors(['rear']), 'cured'));
    expect(left.state).toBe('either-way');
    expect(left.rate).toEqual({ low: 88, high: 176 });
    expect(left.points.every((point) => point.state === 'either-way')).toBe(true);
  });

  it('adds both sides in hazard: within a 15 A fuse, too much for a 10 A one', () => {
    const job = withResistors(['front', 'rear']);
    const on15 = hazardOf(judged(job, 'cured'));
    expect(on15.state).toBe('holds');
    const oneSide = leftOf(judged(job, 'cured')).points.at(-1)?.amps.high ?? 0;
    expect(on15.litAmps).toBeGreaterThan(1.9 * oneSide);
    expect(on15.litAmps).toBeLessThan(2 * oneSide);
    const on10 = judged(onFuse(job, 10), 'cured');
    expect(on10.state).toBe('too-much');
    expect(said(hazardOf(on10))).toContain('10 A fuse');
    expect(said(hazardOf(on10))).toContain('70 % of its rating');
  });

  it('lets the stock bulbs live on a 10 A fuse: it is the resistors that are too much', () => {
    expect(judged(onFuse(open, 10), 'stock').state).toBe('holds');
  });

  it('calls a stock vehicle with a dead bulb fast: the band stays that of the healthy one', () => {
    const dead: Job = {
      ...open,
      evidence: [],
      lookOver: {
        ...open.lookOver,
        lamps: { ...open.lookOver.lamps, 'rear-left': { condition: 'dead', note: '' } },
      },
    };
    const verdict = judged(dead, 'stock');
    expect(leftOf(verdict).state).toBe('falls-short');
    expect(verdict.circuits[1]?.state).toBe('holds');
    const [circuit] = turnCircuits(open.vehicle);
    const healthy = new HealthyBands(open);
    if (!circuit) throw new Error('the van turns');
    for (const { band, volts, lookSeconds } of leftOf(verdict).points)
      expect(band).toEqual(healthy.at(circuit, volts, lookSeconds));
  });

  it('refuses a resistor beyond its printed watts, or where there is no metal', () => {
    const hot = leftOf(judged(withResistors(['front', 'rear'], 3), 'cured'));
    expect(hot.state).toBe('too-much');
    expect(said(hot)).toContain('more than the 50 W printed');
    const repeater: LoadResistorCure = {
      kind: 'load-resistor',
      networks: [
        {
          lampId: 'repeater-left',
          connection: 'parallel',
          pieces: [{ partId: null, ohms: 6, watts: 50, tolerance: 0.05 }],
        },
      ],
    };
    const nowhere = leftOf(judged({ ...open, cures: { 'turn-left': repeater } }, 'cured'));
    expect(nowhere.state).toBe('too-much');
    expect(said(nowhere)).toContain('no metal');
  });

  it('refuses more than the relay is rated for', () => {
    const weak = withRelay(open.vehicle, { ratedAmps: 9 });
    const verdict = judged({ ...withResistors(['front', 'rear']), vehicle: weak }, 'cured');
    expect(hazardOf(verdict).state).toBe('too-much');
    expect(said(hazardOf(verdict))).toContain('relay is rated 9.00 A');
  });

  it('leaves the repeaters out on both sides of the scale when the relay does not watch them', () => {
    const blind = { ...open, vehicle: withRelay(open.vehicle, { watchesRepeaters: false }) };
    const seeing = leftOf(judged(open, 'leds')).worst;
    const unseeing = leftOf(judged(blind, 'leds')).worst;
    expect(unseeing.band.highAmps).toBeLessThan(seeing.band.highAmps - 0.3);
    expect(unseeing.amps.nominal).toBeLessThan(seeing.amps.nominal);
  });

  it('names an LED that is no longer on the shelf', () => {
    const lost = { ...open, chosen: { ...open.chosen, 'rear-left': 'led-gone' } };
    expect(() => judged(lost, 'leds')).toThrow(/led-gone.*choose another/);
  });
});

describe('every LED of the shelf in every lamp', () => {
  const leds = DEMO_SHELF.filter((part) => part.kind === 'led');
  it.each(turnCircuits(open.vehicle).flatMap(lampIdsOf))(
    '%s: is judged, alone among stock bulbs and among LEDs',
    (lampId) => {
      for (const part of leds) {
        for (const others of [{}, open.chosen]) {
          const verdict = judged({ ...open, chosen: { ...others, [lampId]: part.id } }, 'leds');
          expect(verdict.circuits.every((circuit) => circuit.worst.amps.nominal > 0.05)).toBe(true);
        }
      }
    },
  );
});

describe('pointState', () => {
  const band = { lowAmps: 2, highAmps: 4, missingLampId: 'x' };
  it.each([
    [{ low: 4, nominal: 4, high: 4 }, 'holds'],
    [{ low: 3.9, nominal: 4.1, high: 4.3 }, 'either-way'],
    [{ low: 1.9, nominal: 2, high: 2.1 }, 'either-way'],
    [{ low: 1.8, nominal: 1.9, high: 2 }, 'falls-short'],
  ] as const)('%o is %s', (amps, state) => {
    expect(pointState(amps, band)).toBe(state);
  });
});

it('the worst of several states is the one that matters most', () => {
  expect(worstState(['holds', 'either-way', 'falls-short'])).toBe('falls-short');
  expect(worstState(['falls-short', 'too-much'])).toBe('too-much');
  expect(worstState([])).toBe('holds');
});

describe('vehicles whose turn lamps hang together with their lights', () => {
  const trailer = demoJob('exhibition-trailer');

  it('lights and brake only ever take from the turn feed, whatever is fitted', () => {
    for (const job of [trailer, demoJob('gritter-4')]) {
      for (const configuration of ['stock', 'leds', 'cured'] as const) {
        const judge = Judge.of(job, DEMO_SHELF, configuration);
        for (const circuit of turnCircuits(job.vehicle)) {
          for (const share of [11.8, 12.6, 14.4]) {
            const volts = share * (job.vehicle.systemVolts / 12);
            const amps = (company: Company) => judge.circuitAt(circuit, volts, company).amps.nominal;
            for (const company of judge.turns.companies)
              expect(amps(company)).toBeLessThanOrEqual(amps(ALONE) * (1 + 1e-6));
          }
        }
      }
    }
  });

  it('holds with its stock bulbs in every state, lights and brake on too', () => {
    const verdict = judged(trailer, 'stock');
    expect(verdict.state).toBe('holds');
    expect(leftOf(verdict).points.every((point) => point.company.lights && point.company.brake)).toBe(true);
  });

  it('says when it is the lights alone that take it under the band', () => {
    // Resistors so chosen that the band’s upper edge is cleared with the lights off, and not with them on.
    const at = (ohms: number): Job => ({
      ...trailer,
      cures: Object.fromEntries(
        ['left', 'right'].map((side) => [
          `turn-${side}`,
          {
            kind: 'load-resistor',
            networks: [`upper-${side}`, `lower-${side}`].map((lampId) => ({
              lampId,
              connection: 'parallel',
              pieces: [{ partId: null, ohms, watts: 100, tolerance: 0 }],
            })),
          },
        ]),
      ),
    });
    const reasons = [6.0, 6.1, 6.2, 6.3, 6.4, 6.5, 6.6, 6.7, 6.8, 6.9, 7.0].map((ohms) =>
      said(leftOf(judged(at(ohms), 'cured'))),
    );
    expect(reasons.some((reason) => reason.includes('Only with the parking lights on'))).toBe(true);
  });
});

describe('a converter behind a bad shared earth', () => {
  it('may draw more with the brake on: it is asked for each, and not told from one', () => {
    const job = structuredClone(demoJob('exhibition-trailer'));
    const [turn] = turnCircuits(job.vehicle);
    const stop =
      job.vehicle.circuits.find((each) => each.kind === 'stop' || each.kind === 'third-brake') ??
      job.vehicle.circuits.find((each) => each.kind !== 'turn');
    const lampId = turn?.feeds[0]?.lampId;
    const lamp = job.vehicle.lamps.find((each) => each.id === lampId);
    if (!turn || !stop || !lamp?.earthPoint) throw new Error('they share an earth');
    for (const point of job.vehicle.earthPoints) if (point.id === lamp.earthPoint) point.ohms = 0.6;
    const base = DEMO_SHELF.find((part): part is LedPart => part.kind === 'led');
    if (!base) throw new Error('no LED');
    const { builtInLoadOhms: _, twin: __, sweep: ___, switchback: ____, ...plain } = base;
    const strong: LedPart = {
      ...plain,
      id: 'led-strong',
      watts: 17,
      atVolts: 12.8,
      ballast: { kind: 'converter', startVolts: 8 },
    };
    job.chosen = { [lamp.id]: strong.id };
    job.vehicleCures = [];
    job.cures = {};
    const judge = Judge.of(job, [...DEMO_SHELF, strong], 'leds');
    const amps = judge.turns.companies.map((company) => judge.circuitAt(turn, 14.4, company).amps.nominal);
    expect(judge.turns.companies.length).toBeGreaterThan(1);
    expect(Math.max(...amps.slice(1))).toBeGreaterThan(amps[0] ?? 0);
    // So every company is judged at every working point, and none is left out.
    expect(judge.sideVerdict(turn).points).toHaveLength(4 * judge.turns.companies.length);
  });
});

describe('steady circuits and turn circuits under one judge', () => {
  it('span an unknown topology and the tolerance of resistors alike', () => {
    const job = structuredClone(demoJob('gritter-4'));
    const jackdaw = DEMO_SHELF.find(
      (part): part is LedPart => part.kind === 'led' && part.code === 'JACKDAW-3R',
    );
    if (!jackdaw?.twin) throw new Error('no such twin LED');
    const unknown: LedPart = {
      ...jackdaw,
      id: 'led-unknown',
      twin: { ...jackdaw.twin, topology: 'unknown' },
    };
    const tail = job.vehicle.circuits.find((each) => each.kind === 'tail');
    if (!tail) throw new Error('no tail');
    for (const { lampId } of tail.feeds) job.chosen[lampId] = unknown.id;
    const judge = Judge.of(job, [...DEMO_SHELF, unknown], 'leds');
    const point = judge.circuitAt(tail, 25.2);
    const each = (['own-resistors', 'shared-regulator', 'shared-converter'] as const).map((topology) => {
      const known: LedPart = supposing(unknown, topology);
      return Judge.of(job, [...DEMO_SHELF, known], 'leds').circuitAt(tail, 25.2).amps.nominal;
    });
    expect(point.amps.low).toBeCloseTo(Math.min(...each), 3);
    expect(point.amps.high).toBeCloseTo(Math.max(...each), 3);
    expect(point.amps.high).toBeGreaterThan(point.amps.low);
  });

  it('of which nobody knows whether it is watched could go either way, with an if', () => {
    const job = structuredClone(demoJob('library-route-3'));
    const plate = job.vehicle.circuits.find((each) => each.kind === 'plate');
    if (!plate) throw new Error('no plate lamp');
    for (const { lampId } of plate.feeds) job.chosen[lampId] = 'led-gull-1w';
    const judged = () => Judge.of(job, DEMO_SHELF, 'leds').circuit(plate);
    expect(judged()).toMatchObject({ state: 'holds' });
    plate.watched = null;
    expect(judged()).toMatchObject({ state: 'either-way', watched: 'either-way' });
    expect(said(judged())).toMatch(/Nobody has looked .* If nothing does, it holds; if something does/);
    plate.watched = true;
    expect(judged().state).toBe('falls-short');
    // With its filaments in, it holds whether or not.
    plate.watched = null;
    expect(Judge.of(job, DEMO_SHELF, 'stock').circuit(plate).state).toBe('holds');
  });
});

describe('a relay that does not watch, its screw turned right off', () => {
  it('flashes as such relays do there, and one that is still fast is told to be turned first', () => {
    const job = structuredClone(demoJob('library-route-3'));
    job.cures = {};
    const at = (position: number, turnedOff?: 'slowest' | 'still-fast') => {
      const shelf = DEMO_SHELF.map((part) =>
        part.id === 'relay-dipper-2' && part.kind === 'flasher' && part.adjuster
          ? { ...part, adjuster: { ...part.adjuster, ...(turnedOff ? { turnedOff } : {}) } }
          : part,
      );
      job.vehicleCures = [{ kind: 'flasher-relay', partId: 'relay-dipper-2', position }];
      return leftOf(Judge.of(job, shelf, 'cured').verdict());
    };
    expect(at(0.5, 'still-fast').state).toBe('holds');
    const off = at(0, 'still-fast');
    expect(off.rate).toEqual({ low: 176, high: 176 });
    expect(off.state).toBe('falls-short');
    expect(said(off)).toMatch(
      /flashes 176 a minute, where 60 to 120 are allowed.*Turn its screw.*before another relay/,
    );
    expect(at(0, 'slowest').rate.high).toBeLessThan(90);
  });
});
