import { describe, expect, it } from 'vitest';
import { firstTurn, relayOf } from '../../../demo/forTests.ts';
import { demoJobs } from '../../../demo/jobs.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { parallelOhms, seriesOhms } from '../../circuit/resistorNetwork.ts';
import { Judge } from '../../judge/judge.ts';
import { HealthyBands } from '../../judge/outageBand.ts';
import type { Job } from '../../model/job.ts';
import type { ResistorPart } from '../../model/part.ts';
import { fitmentOf, healthyStock, resistorsOf } from '../../simulation/fitment.ts';
import { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { ohmsInterval } from './interval.ts';
import { planResistors } from './plan.ts';
import { searchResistors } from './search.ts';

const open = demoJobs()[0] as Job;
const left = firstTurn(open.vehicle);
const fitted = TurnCircuits.of(open.vehicle, fitmentOf(open, DEMO_SHELF, 'leds'));
const healthy = TurnCircuits.of(open.vehicle, healthyStock(open));
const bands = new HealthyBands(open);
const interval = ohmsInterval(fitted, bands, left);

describe('ohmsInterval', () => {
  it('is decided with the engine off and agrees with the hand sum', () => {
    const { deciding } = interval;
    expect(deciding.point.volts).toBe(11.8);
    expect(deciding.maxOhms).toBeCloseTo(deciding.lampVolts / deciding.oweAmps, 6);
    expect(deciding.bulbAmps + deciding.oweAmps).toBeCloseTo(deciding.needAmps, 6);
    expect(interval.maxOhms).toBeGreaterThan(3.15);
    expect(interval.maxOhms).toBeLessThan(3.51);
  });

  it('has the turn switch as its lower limit, and fuse or relay where they are weaker', () => {
    // Half as much again as two P21W class bulbs and a W5W draw at 14.4 V.
    expect(interval.minSetBy).toBe('switch');
    expect(interval.allowedAmps).toBeCloseTo(1.5 * bands.at(left, 14.4).highAmps, 9);
    const fused = { ...open.vehicle, fuses: open.vehicle.fuses.map((fuse) => ({ ...fuse, ratedAmps: 10 })) };
    const small = ohmsInterval(TurnCircuits.of(fused, fitted.fitment), bands, left);
    expect(small.minSetBy).toBe('fuse-heating');
    expect(small.minOhms).toBeGreaterThan(interval.minOhms);
  });

  it('says that none can do it where the wires alone hold back what the band asks for', () => {
    const endless = {
      at: (...asked: Parameters<HealthyBands['at']>) => {
        const band = bands.at(...asked);
        return { ...band, highAmps: 300 * band.highAmps };
      },
    };
    const none = ohmsInterval(fitted, endless, left);
    expect(none.maxOhms).toBe(0);
    expect(none.deciding.oweAmps).toBeGreaterThan(10);
    const { choices, none: reason } = searchResistors(fitted, left, none, resistorsOf(DEMO_SHELF), 2);
    expect(choices).toEqual([]);
    expect(reason).toMatch(/No resistor can do both: the band asks for at most 0\.00 Ω a side/);
  });

  it('says that no resistor can be added where what is fitted is over already, and names no endless ohms', () => {
    const fused = { ...open.vehicle, fuses: open.vehicle.fuses.map((fuse) => ({ ...fuse, ratedAmps: 0.5 })) };
    const none = ohmsInterval(TurnCircuits.of(fused, fitted.fitment), bands, left);
    expect(none.minOhms).toBe(Number.POSITIVE_INFINITY);
    const { none: reason } = searchResistors(fitted, left, none, resistorsOf(DEMO_SHELF), 2);
    expect(reason).toMatch(/No resistor can be added: what is fitted is over what the fuse/);
    expect(reason).not.toContain('Infinity');
    const weak = TurnCircuits.of(open.vehicle, {
      ...fitted.fitment,
      flasher: { ...relayOf(open.vehicle), ratedAmps: 8 },
    });
    const limited = ohmsInterval(weak, bands, left);
    expect(limited.minSetBy).toBe('relay');
    expect(limited.minOhms).toBeGreaterThan(interval.minOhms);
  });

  it('owes nothing while the stock bulbs are in', () => {
    expect(ohmsInterval(healthy, bands, left).maxOhms).toBe(Number.POSITIVE_INFINITY);
  });
});

describe('searchResistors', () => {
  const search = searchResistors(fitted, left, interval, resistorsOf(DEMO_SHELF));

  it('finds only sets that the judge confirms on the whole vehicle', () => {
    const judgedSets = search.choices.filter((_, index) => index < 40 || index % 17 === 0);
    expect(judgedSets.length).toBeGreaterThan(40);
    for (const choice of judgedSets) {
      const right = choice.cure.networks.map((network) => ({
        ...network,
        lampId: network.lampId.replace('left', 'right'),
      }));
      const job: Job = {
        ...open,
        cures: { 'turn-left': choice.cure, 'turn-right': { kind: 'load-resistor', networks: right } },
      };
      expect(Judge.of(job, DEMO_SHELF, 'cured').verdict().state).toBe('holds');
    }
  });

  it('misses nothing: every shelf set a plain loop finds inside the interval is there', () => {
    const parts = resistorsOf(DEMO_SHELF);
    const found = new Set(
      search.choices.map((choice) =>
        keyOf(
          choice.connection,
          choice.pieces.map((piece) => piece.ohms),
        ),
      ),
    );
    let expected = 0;
    for (const set of plainSets(parts)) {
      for (const connection of ['parallel', 'series'] as const) {
        const values = set.map((part) => part.ohms);
        const ohms = connection === 'series' ? seriesOhms(values) : parallelOhms(values);
        const within = ohms * 1.05 <= interval.maxOhms && ohms * 0.95 >= interval.minOhms;
        const cool = set.every((part) => {
          const watts =
            connection === 'parallel'
              ? 14.4 ** 2 / (part.ohms * 0.95)
              : (14.4 / (ohms * 0.95)) ** 2 * part.ohms * 0.95;
          return watts <= part.watts;
        });
        if (!within || !cool || (set.length === 1 && connection === 'series')) continue;
        expected += 1;
        expect(found.has(keyOf(connection, values))).toBe(true);
      }
    }
    expect(expected).toBeGreaterThan(5);
  });

  it('ranks what is on the shelf before what must be bought', () => {
    const firstToBuy = search.choices.findIndex((choice) => !choice.onShelf);
    expect(firstToBuy).toBeGreaterThan(0);
    expect(search.choices.slice(firstToBuy).every((choice) => !choice.onShelf)).toBe(true);
  });

  it('counts the stock for both sides: one 3 Ω 100 W is not enough for two', () => {
    const single = (sides: number) =>
      searchResistors(fitted, left, interval, resistorsOf(DEMO_SHELF), sides).choices.find(
        (choice) => choice.pieces.length === 1 && choice.ohms === 3,
      );
    expect(single(2)?.onShelf).toBe(false);
    expect(single(1)?.onShelf).toBe(true);
  });

  it('gives parts yet to be bought the smallest size that carries their heat', () => {
    const bought = search.choices.flatMap((choice) =>
      choice.connection === 'parallel' ? choice.pieces.filter((piece) => piece.partId === null) : [],
    );
    expect(bought.length).toBeGreaterThan(10);
    for (const piece of bought) {
      const lit = 14.4 ** 2 / (piece.ohms * 0.95);
      // Large enough for its printed watts; larger only where its metal would not carry the heat off otherwise.
      const least = [25, 50, 100].find((size) => size >= lit) ?? Number.POSITIVE_INFINITY;
      expect(piece.watts).toBeGreaterThanOrEqual(least);
    }
  });

  it('says so when no resistor is needed, none can be mounted, or none can satisfy both limits', () => {
    const free = searchResistors(healthy, left, ohmsInterval(healthy, bands, left), []);
    expect(free.none).toMatch(/no resistor is needed/);
    const bare = TurnCircuits.of(
      {
        ...open.vehicle,
        lamps: open.vehicle.lamps.map((lamp) => ({ ...lamp, resistorMount: 'none' as const })),
      },
      fitted.fitment,
    );
    expect(searchResistors(bare, left, interval, []).none).toMatch(/no converted lamp/i);
    const squeezed = searchResistors(fitted, left, { ...interval, minOhms: interval.maxOhms * 1.1 }, []);
    expect(squeezed.none).toMatch(/at most 3\.\d+ Ω a side, and the supply allows no less/);
  });
});

describe('planResistors', () => {
  it('shows arithmetic whose lines agree with each other', () => {
    const lines = planResistors(open, DEMO_SHELF, left).arithmetic;
    const number = (label: RegExp) =>
      Number.parseFloat(lines.find((line) => label.test(line.label))?.result ?? 'NaN');
    expect(number(/must see/) - number(/bulbs now fitted/)).toBeCloseTo(number(/owe/), 6);
    expect(number(/Volts left/) / number(/owe/)).toBeCloseTo(number(/At most/), 1);
    expect(number(/Chosen, together/)).toBe(3);
    expect(number(/If 5 % high/)).toBe(3.15);
    expect(number(/Heat while lit.*rear left/)).toBe(34.6);
    expect(number(/Heat on average/)).toBeCloseTo(34.6, 1);
  });
});

function keyOf(connection: string, ohms: readonly number[]): string {
  return `${ohms.length === 1 ? 'parallel' : connection}:${ohms.toSorted((a, b) => a - b).join()}`;
}

function plainSets(parts: readonly ResistorPart[]): ResistorPart[][] {
  const sets: ResistorPart[][] = [];
  const none = undefined;
  for (const a of parts) {
    for (const b of [none, ...parts]) {
      for (const c of b ? [none, ...parts] : [none]) {
        for (const d of c ? [none, ...parts] : [none])
          sets.push([a, b, c, d].filter((part) => part !== undefined));
      }
    }
  }
  return sets;
}
