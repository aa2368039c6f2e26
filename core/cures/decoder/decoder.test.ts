import { beforeAll, describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { flickerRisk } from '../../flicker/ieee1789.ts';
import type { Job } from '../../model/job.ts';
import type { ControllerOutput } from '../../model/vehicle/flasher.ts';
import { type CapacitorWindow, capacitorWindows } from './capacitorWindow.ts';
import { whileOff } from './whileOff.ts';

const minibus = () => structuredClone(demoJob('dial-a-ride-2'));
const outputsOf = (job: Job): ControllerOutput[] => {
  const { flasher } = job.vehicle;
  if (flasher.kind !== 'controller') throw new Error('the minibus has a controller');
  return flasher.outputs;
};
const of = (windows: readonly CapacitorWindow[], circuitId: string): CapacitorWindow => {
  const window = windows.find((each) => each.circuitId === circuitId);
  if (!window) throw new Error(`no window for ${circuitId}`);
  return window;
};
const trial = ({ trials }: CapacitorWindow, farads: number) => {
  const found = trials.find((each) => Math.abs(each.farads / farads - 1) < 1e-6);
  if (!found) throw new Error(`${farads} F was not tried`);
  return found;
};

describe('the minibus’s pulsed feeds', () => {
  let windows: CapacitorWindow[];
  beforeAll(() => {
    windows = capacitorWindows(minibus(), DEMO_SHELF);
  });

  it('are told once for both sides: the tails that are dimmed, the positions whose volts are held', () => {
    expect(windows.map(({ circuitId, to }) => [circuitId, to])).toEqual([
      ['tail-left', 'dim'],
      ['position-left', 'hold'],
    ]);
  });

  it('the held one by hand: on for (12.8 / 14.4)², 79 % of the time', () => {
    expect(of(windows, 'position-left').duty).toBeCloseTo((12.8 / 14.4) ** 2, 9);
  });

  it('flicker less the larger the capacitor: as 1 / C once the ripple is small', () => {
    const position = of(windows, 'position-left');
    for (const [index, each] of position.trials.entries()) {
      const smaller = position.trials[index - 1];
      // Past half a per cent it is the series resistance of the capacitor that is left.
      if (smaller && smaller.modulation > 5e-3) expect(each.modulation).toBeLessThan(smaller.modulation);
      expect(each.risk).toBe(flickerRisk(200, 100 * each.modulation));
    }
    const ratio = trial(position, 4.7e-4).modulation / trial(position, 1e-3).modulation;
    expect(ratio).toBeGreaterThan(0.93 * (1e-3 / 4.7e-4));
    expect(ratio).toBeLessThan(1.07 * (1e-3 / 4.7e-4));
  });

  it('a window lies between smooth enough and what the output feeds from cold, and the shelf’s decoder is in it', () => {
    const position = of(windows, 'position-left');
    expect(position.verdict).toBe('works');
    expect(position.leastFarads).toBeCloseTo(1e-4, 9);
    expect(position.mostFarads).toBeCloseTo(4.7e-3, 9);
    expect(trial(position, 4.7e-3).codes).toEqual(['OTTER-D']);
    expect(position.text).toMatch(/from 100 µF.*16 % at 200 Hz.*up to 4700 µF/);
  });

  it('the inrush by hand: it dies away as exp(−t / RC), so that 10 mF is over 25 A after a millisecond and 4.7 mF not', () => {
    const position = of(windows, 'position-left');
    // Everything in the way of the charge, told by its own peak: volts over amps.
    const r = (14.4 - 0.35) / trial(position, 1e-2).peakAmps;
    const after = (farads: number) => ((14.4 - 0.35) / r) * Math.exp(-1e-3 / (r * farads));
    expect(after(1e-2)).toBeGreaterThan(25);
    expect(after(4.7e-3)).toBeLessThan(25);
    expect(trial(position, 1e-2).trips).toBe(true);
    expect(trial(position, 4.7e-3).trips).toBe(false);
  });

  it('no capacitor at the tail: it would be as bright as the stop lamp, and it says what does work', () => {
    const tail = of(windows, 'tail-left');
    expect(tail.verdict).toBe('refused');
    expect(trial(tail, 4.7e-3).light).toBeGreaterThan(0.9);
    expect(tail.text).toMatch(
      /on for 22 %.*at least 5 to 1.*No capacitor can work here. What does: the filament/,
    );
  });

  it('an LED glows on for longer the larger its capacitor', () => {
    const glow = of(windows, 'position-left').trials.map((each) => each.afterglowSeconds);
    expect(glow.toSorted((a, b) => a - b)).toEqual(glow);
    expect(trial(of(windows, 'position-left'), 1e-3).afterglowSeconds).toBeGreaterThan(0.2);
  });
});

describe('where no capacitor works', () => {
  it('an output that takes every useful size for a short is told from one that bears it', () => {
    const job = minibus();
    for (const output of outputsOf(job))
      if (output.circuitId.startsWith('position')) output.inrush = { amps: 1, seconds: 1e-5 };
    const position = of(capacitorWindows(job, DEMO_SHELF), 'position-left');
    expect(position.verdict).toBe('none-works');
    expect(position.text).toMatch(/No capacitor can work: .*What does: the filament left in/);
  });

  it('a turn lamp must go dark between its flashes', () => {
    const job = minibus();
    for (const output of outputsOf(job))
      if (output.circuitId.startsWith('turn')) output.pwm = { to: 'hold', hertz: 200, holdVolts: 12.8 };
    const turn = of(capacitorWindows(job, DEMO_SHELF), 'turn-left');
    expect(trial(turn, 4.7e-2).blurs).toBe(true);
    expect(trial(turn, 1e-4).blurs).toBe(false);
    expect(turn.mostFarads).toBeLessThan(4.7e-2);
  });
});

describe('LEDs that are off', () => {
  it('glow from what their output lets through, until a load drains it', () => {
    const job = minibus();
    const third = (of: Job) =>
      whileOff(of, DEMO_SHELF, 'cured').find((each) => each.lampId === 'third-brake');
    expect(third(job)?.leakShare).toBeGreaterThan(0.005);
    job.cures.third = {
      kind: 'load-resistor',
      networks: [
        {
          lampId: 'third-brake',
          connection: 'parallel',
          pieces: [{ partId: null, ohms: 150, watts: 25, tolerance: 0.05 }],
        },
      ],
    };
    expect(third(job)?.leakShare).toBeLessThan(0.002);
  });

  it('show each test pulse, and a capacitor draws it out', () => {
    const job = minibus();
    const rear = (of: Job) => whileOff(of, DEMO_SHELF, 'cured').find((each) => each.lampId === 'rear-left');
    const bare = rear(job)?.coldCheck;
    expect(bare).toMatchObject({ everySeconds: 0.8, pulseSeconds: 0.002 });
    expect(bare?.shownSeconds).toBeLessThan(0.006);
    job.vehicleCures.push({ kind: 'decoder', lampId: 'rear-left', partId: 'decoder-otter-d' });
    expect(rear(job)?.coldCheck?.shownSeconds).toBeGreaterThan(0.1);
  });

  it('a filament shows neither, and plain relays do neither', () => {
    const job = minibus();
    expect(whileOff(job, DEMO_SHELF, 'stock')).toEqual([]);
    expect(whileOff(demoJob('library-route-3'), DEMO_SHELF, 'leds')).toEqual([]);
  });
});
