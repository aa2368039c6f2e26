// Longer than 300 lines: one device after the other on the same bench.
import { describe, expect, it } from 'vitest';
import type { BodyController, ControllerOutput } from '../model/vehicle/flasher.ts';
import { CONTACTS } from '../model/vehicle/netlistNames.ts';
import { eventWords } from '../words/events.ts';
import { BulbCheckDevice } from './bulbCheck.ts';
import { ColdCheckDevice, ControllerTurnDevice, FadeDevice, SteadyOutputDevice } from './controller.ts';
import { eventKey, WATCHER_SAMPLE_SECONDS } from './device.ts';
import { FakeBench } from './fakeBench.ts';
import { NonWatchingRelayDevice, WatchingRelayDevice } from './relay.ts';
import { SweepDevice } from './sweep.ts';
import { thresholdAt } from './threshold.ts';

const loadOf = (amps: number) => ({ circuitIds: ['turn'], amps: () => amps });

describe('a watching relay', () => {
  const relay = { ratePerMinute: 90, onFraction: 0.5, fastMultiplier: 2, thresholdAmps: 3 };

  it('flashes at its rate with enough current and twice as fast without', () => {
    for (const [amps, rate] of [
      [3, 90],
      [2.99, 180],
    ] as const) {
      const bench = new FakeBench(() => amps);
      bench.run(new WatchingRelayDevice(loadOf(amps), relay), 10);
      expect(60 / (bench.flashes.at(-1)?.periodSeconds ?? 0)).toBeCloseTo(rate, 9);
      expect(bench.flashes.at(-1)?.missesLamp).toBe(rate === 180);
      // One closing and one opening a flash.
      expect(bench.moments.filter((each) => each.lit).length).toBe(Math.floor((10 * rate) / 60) + 1);
    }
  });

  it('looks once the inrush has passed, and cannot open before it has looked', () => {
    const seen: number[] = [];
    const load = {
      circuitIds: ['turn'],
      amps: (bench: { seconds: number }) => {
        seen.push(bench.seconds);
        return 0;
      },
    };
    const bench = new FakeBench(() => 0);
    bench.run(new WatchingRelayDevice(load, { ...relay, ratePerMinute: 200, onFraction: 0.3 }), 1);
    expect(seen[0]).toBeCloseTo(WATCHER_SAMPLE_SECONDS, 12);
    for (const flash of bench.flashes) expect(flash.onSeconds).toBeGreaterThanOrEqual(WATCHER_SAMPLE_SECONDS);
  });

  it('changes with the load from one flash to the next', () => {
    let amps = 4;
    const bench = new FakeBench(() => amps);
    const device = new WatchingRelayDevice({ circuitIds: ['turn'], amps: () => amps }, relay);
    bench.run(device, 2);
    amps = 1;
    bench.run(device, 4);
    expect(bench.flashes[0]?.missesLamp).toBe(false);
    expect(bench.flashes.at(-1)?.missesLamp).toBe(true);
  });
});

describe('a relay that does not watch', () => {
  const relay = { ratePerMinute: 85, onFraction: 0.5, minAmps: 0.05, ratedAmps: 3, name: 'relay' };

  it('keeps its rate from the least load to far above, says when it is over its rating', () => {
    for (const amps of [0.05, 1, 5]) {
      const bench = new FakeBench(() => amps);
      bench.run(new NonWatchingRelayDevice(loadOf(amps), relay), 5);
      expect(60 / (bench.flashes.at(-1)?.periodSeconds ?? 0)).toBeCloseTo(85, 9);
      expect(bench.told.some((event) => event.kind === 'flasher' && event.is === 'overloaded')).toBe(
        amps > 3,
      );
    }
  });

  it('goes dark and rests below its least load, and says why', () => {
    const bench = new FakeBench(() => 0.04);
    const device = new NonWatchingRelayDevice(loadOf(0.04), relay);
    bench.run(device, 5);
    expect(bench.flashes).toEqual([]);
    expect(bench.lit.turn).toBe(false);
    expect(device.dueAt).toBe(Number.POSITIVE_INFINITY);
    expect(bench.told.map(eventWords)[0]).toContain('0.04 A is under the 0.05 A');
  });
});

function output(circuitId: string, change: Partial<ControllerOutput> = {}): ControllerOutput {
  return {
    circuitId,
    onOhms: 0.02,
    limitAmps: 6,
    retries: 2,
    blankingSeconds: 0.1,
    watch: {
      setting: 'filament',
      canSetLed: true,
      simulatedFilament: { amps: 3, atVolts: 12, law: 'fixed' },
      simulatedLed: { amps: 0.05, atVolts: 12, law: 'fixed' },
      reaction: 'double-rate',
      message: 'Check lamp',
      code: 'B1A11-18',
    },
    ...change,
  };
}

const controllerOf = (...outputs: ControllerOutput[]): BodyController => ({
  id: 'c',
  kind: 'controller',
  name: 'controller',
  fuseId: 'f',
  normalRate: 90,
  onFraction: 0.5,
  fastMultiplier: 2,
  outputs,
});

describe('a body controller’s turn outputs', () => {
  const play = (outputs: ControllerOutput[], amps: (id: string) => number, seconds = 6) => {
    const bench = new FakeBench((id) => amps(id));
    bench.run(new ControllerTurnDevice(controllerOf(...outputs), outputs, 12), seconds);
    return bench;
  };
  const rate = (bench: FakeBench) => 60 / (bench.flashes.at(-1)?.periodSeconds ?? 0);

  it('double the rate for both sides when one misses a lamp, and store its code once', () => {
    const bench = play([output('left'), output('right')], (id) => (id === 'left.wire' ? 1 : 4));
    expect(rate(bench)).toBeCloseTo(180, 9);
    expect(new Set(bench.told.map(eventKey))).toEqual(new Set(['message-output-left', 'code-left']));
    expect(bench.told.map(eventWords).join()).toContain('B1A11-18 stored, 1.00 A while lit');
  });

  it('obey the LED setting: a twentieth of an ampere is enough', () => {
    const watch = output('left').watch;
    if (!watch) throw new Error('watched');
    const told = output('left', { watch: { ...watch, setting: 'led' } });
    const bench = play([told], () => 0.4);
    expect(rate(bench)).toBeCloseTo(90, 9);
    expect(bench.told).toEqual([]);
  });

  it('may only give a message, or switch the output off', () => {
    const watch = output('left').watch;
    if (!watch) throw new Error('watched');
    const message = play([output('left', { watch: { ...watch, reaction: 'message' } })], () => 1);
    expect(rate(message)).toBeCloseTo(90, 9);
    expect(message.told.length).toBeGreaterThan(0);
    const off = play([output('left', { watch: { ...watch, reaction: 'output-off' } })], () => 1);
    expect(off.lit.left).toBe(false);
    expect(off.flashes.length).toBeLessThan(3);
  });

  it('cut off what draws too much, try again so often, and then give up', () => {
    const bench = play([output('left')], () => 9);
    expect(bench.told.some((event) => event.kind === 'output-off')).toBe(true);
    expect(bench.lit.left).toBe(false);
    // Three flashes begun: the first and two retries.
    expect(bench.moments.filter((each) => each.lit && each.seconds < 6).length).toBeGreaterThanOrEqual(3);
  });
});

describe('an output that guards against inrush', () => {
  const inrush = { amps: 25, seconds: 0.001 };
  /** A capacitor's charge: 140 A at first, dying away with half a millisecond or five. */
  const charging =
    (tau: number, from = 0) =>
    (_: string, bench: FakeBench) =>
      140 * Math.exp(-Math.max(0, bench.seconds - from) / tau);

  it('bears what has died away when it looks, and cuts off what has not, steady or flashing', () => {
    for (const [tau, off] of [
      [5e-4, false],
      [5e-3, true],
    ] as const) {
      const steady = new FakeBench(charging(tau));
      steady.contacts[CONTACTS.circuit('tail')] = true;
      const { watch: _, ...unwatched } = output('tail', { inrush, retries: 0 });
      steady.run(new SteadyOutputDevice(unwatched, 12), 0.05);
      expect(steady.contacts[CONTACTS.circuit('tail')]).toBe(!off);
      expect(steady.told.map(eventWords).join()).toMatch(off ? /is over its 25 A/ : /^$/);
      const outputs = [{ ...unwatched, circuitId: 'left' }];
      const flashing = new FakeBench(charging(tau));
      flashing.run(new ControllerTurnDevice(controllerOf(...outputs), outputs, 12), 0.05);
      expect(flashing.lit.left).toBe(!off);
    }
  });

  it('looks at the steady limit after that, as before', () => {
    const bench = new FakeBench(() => 8);
    bench.contacts[CONTACTS.circuit('tail')] = true;
    bench.run(new SteadyOutputDevice(output('tail', { inrush, retries: 0 }), 12), 1);
    expect(
      bench.told
        .filter(({ kind }) => kind === 'output-off')
        .map(eventWords)
        .join(),
    ).toMatch(/ A is over its (?!25 A)/);
  });
});

describe('steady outputs', () => {
  const contact = CONTACTS.circuit('tail');

  it('look once after their blanking, and speak only then', () => {
    const bench = new FakeBench(() => 1);
    bench.contacts[contact] = true;
    const device = new SteadyOutputDevice(output('tail'), 12);
    bench.run(device, 0.05);
    expect(bench.told).toEqual([]);
    bench.run(device, 1);
    expect(bench.told.map((event) => event.kind)).toEqual(['message', 'code']);
    expect(bench.contacts[contact]).toBe(true);
  });

  it('switch off at their limit, retry, and stay off', () => {
    const bench = new FakeBench(() => 8);
    bench.contacts[contact] = true;
    const device = new SteadyOutputDevice(output('tail'), 12);
    bench.run(device, 0.2);
    expect(bench.contacts[contact]).toBe(false);
    bench.run(device, 0.65);
    expect(bench.contacts[contact]).toBe(true);
    bench.run(device, 5);
    expect(bench.contacts[contact]).toBe(false);
    expect(bench.told.map((event) => event.kind)).toEqual(['output-off']);
  });

  it('pulse a lamp that is off, and report what draws like no cold filament', () => {
    const coldCheck = { everySeconds: 0.5, pulseSeconds: 0.002 };
    for (const [amps, messages] of [
      [20, 0],
      [0.2, 4],
    ] as const) {
      const bench = new FakeBench(() => amps);
      bench.run(new ColdCheckDevice({ ...output('stop'), coldCheck }, 12), 2);
      expect(bench.told.filter((event) => event.kind === 'message').length).toBe(messages);
      expect(bench.contacts[CONTACTS.circuit('stop')]).toBe(false);
    }
  });

  it('fade up in even steps to full', () => {
    const bench = new FakeBench(() => 0);
    bench.run(new FadeDevice('interior', 0.8), 2);
    expect(bench.duties[0]).toBeGreaterThan(0);
    expect(bench.duties.at(-1)).toBe(1);
    expect(bench.duties).toEqual(bench.duties.toSorted((a, b) => a - b));
  });
});

describe('a bulb-check module', () => {
  const watch = {
    circuitId: 'tail',
    simulated: { amps: 0.5, atVolts: 12, law: 'fixed' as const },
    message: 'Tail',
  };

  it.each([
    [0.6, 0],
    [0.4, 1],
  ])('at %f A says so %i times', (amps, times) => {
    const bench = new FakeBench(() => amps);
    bench.run(new BulbCheckDevice(watch, 0.3, 12), 5);
    expect(bench.told.length).toBe(times);
  });
});

describe('the clock of a sequential lamp', () => {
  const lit = (bench: FakeBench) =>
    [0, 1, 2, 3].filter((index) => bench.contacts[CONTACTS.segment('lamp', index)]).length;

  it('lights one segment after another, all by the end of its sweep, and begins anew', () => {
    const device = new SweepDevice('lamp', ['turn'], { seconds: 0.3, segments: 4 });
    const bench = new FakeBench(() => 0);
    device.fed(true, bench);
    expect(lit(bench)).toBe(1);
    bench.run(device, 0.15);
    expect(lit(bench)).toBe(2);
    bench.run(device, 0.3);
    expect(lit(bench)).toBe(4);
    device.fed(false, bench);
    expect(device.finished).toBe(true);
    device.fed(true, bench);
    expect(lit(bench)).toBe(1);
  });

  it('knows when it was cut short', () => {
    const device = new SweepDevice('lamp', ['turn'], { seconds: 0.3, segments: 4 });
    const bench = new FakeBench(() => 0);
    device.fed(true, bench);
    bench.run(device, 0.17);
    device.fed(false, bench);
    expect(device.finished).toBe(false);
    expect(device.dueAt).toBe(Number.POSITIVE_INFINITY);
  });
});

describe('thresholdAt', () => {
  it.each([
    ['fixed', 2],
    ['proportional', 1],
    ['filament', 2 * 0.5 ** 0.54],
  ] as const)('%s at half the volts', (law, amps) => {
    expect(thresholdAt({ amps: 2, atVolts: 14, law }, 7)).toBeCloseTo(amps, 12);
  });
});
