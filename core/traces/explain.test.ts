// Longer than 300 lines: one effect after the other, each on the demo vehicle that shows it.
/** Every effect from the simulation of a demo vehicle, with the words that the dash shows for it. */
import { describe, expect, it } from 'vitest';
import { demoJob, withRearLoad } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Fault } from '../faults/kinds.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import { effectWords } from '../words/effects.ts';
import { eventWords } from '../words/events.ts';
import type { Effect } from './explain.ts';
import { supplyVoltsFor } from './supply.ts';
import { type Traces, traceLamps } from './traceLamps.ts';

function play(
  job: Job,
  configuration: Configuration,
  change: Partial<Controls>,
  { volts, faults = [] }: { volts?: number; faults?: readonly Fault[] } = {},
): Traces & { vehicle: Vehicle } {
  const controls = { ...CONTROLS_OFF, ...change };
  const emf = volts ?? supplyVoltsFor(job.vehicle, controls.key);
  return { ...traceLamps(job, DEMO_SHELF, configuration, controls, emf, faults), vehicle: job.vehicle };
}

/** The words of an effect, or undefined where it does not show. */
const words = (played: ReturnType<typeof play>, id: Effect['id'], lampId?: string) => {
  const shown = played.effects.find(
    (each) => each.id === id && (lampId === undefined || each.lampIds.includes(lampId)),
  );
  return shown && effectWords(played.vehicle, shown).text;
};
const lightOf = (played: Traces, lampId: string) =>
  Math.max(0, ...played.lamps.filter((lamp) => lamp.lampId === lampId).map((lamp) => lamp.steady));
const withLeds = (job: Job, leds: Record<string, string | null>): Job => ({
  ...job,
  chosen: { ...job.chosen, ...leds },
});

const van = demoJob('library-route-1');
const minibus = demoJob('dial-a-ride-2');
const gritter = demoJob('gritter-4');
const moped = demoJob('courier-moped-7');
const trailer = demoJob('exhibition-trailer');
const LEFT = { key: 'on', turn: 'left' } as const;

describe('fast only with lights on', () => {
  it('shows on the trailer: the same string, less from the turn feed, either side of the threshold', () => {
    const off = play(trailer, 'cured', LEFT);
    const on = play(trailer, 'cured', { ...LEFT, lights: true });
    expect(off.ratePerMinute).toBeCloseTo(85, 6);
    expect(on.ratePerMinute).toBeCloseTo(170, 6);
    expect(words(off, 'fast-with-lights')).toBeUndefined();
    expect(words(on, 'fast-with-lights')).toMatch(
      /lights off the turn feed draws 3\.4\d A, with lights on 3\.3\d A/,
    );
  });

  it('does not show where it is fast anyway', () => {
    expect(words(play(trailer, 'leds', { ...LEFT, lights: true }), 'fast-with-lights')).toBeUndefined();
  });
});

describe('four flash through the pilot lamp', () => {
  it('with LEDs, though a relay for LEDs flashes them; not with the stock filaments', () => {
    expect(lightOf(play(moped, 'stock', LEFT), 'front-right')).toBe(0);
    const relayOnly: Job = {
      ...moped,
      vehicleCures: moped.vehicleCures.filter((cure) => cure.kind === 'flasher-relay'),
    };
    const played = play(relayOnly, 'cured', LEFT);
    expect(played.ratePerMinute).toBeCloseTo(87, 6);
    expect(lightOf(played, 'front-right')).toBeGreaterThan(0.05);
    expect(words(played, 'all-four-flash')).toMatch(
      /up to \d+ % of their rated light\. Cure: a diode from each side/,
    );
  });

  it('is cured by two diodes and the pilot’s other end on earth, and the pilot still lights', () => {
    const played = play(moped, 'cured', LEFT);
    expect(lightOf(played, 'front-right')).toBe(0);
    expect(words(played, 'all-four-flash')).toBeUndefined();
    expect(lightOf(played, 'pilot')).toBeGreaterThan(0.2);
    expect(lightOf(play(moped, 'cured', { key: 'on', turn: 'right' }), 'front-left')).toBe(0);
  });
});

describe('the brake’s sense wire', () => {
  const third = withLeds(van, { 'third-brake': 'led-ruff-2r' });

  it('a dead sensed filament is explained as a dead bulb, and cured by a good one', () => {
    const dead = structuredClone(van);
    dead.vehicle.circuits.forEach((circuit) => {
      if (circuit.kind !== 'stop') return;
      circuit.sense = { what: 'Brake pedal input', pullUpOhms: 1000, heldUnderVolts: 2 };
      for (const { lampId } of circuit.feeds) dead.lookOver.lamps[lampId] = { condition: 'dead', note: '' };
    });
    expect(words(play(dead, 'stock', { key: 'on' }), 'brake-sense')).toMatch(
      /No current flows through the dead bulb of .*Put a good bulb in there first/,
    );
    expect(words(play(dead, 'stock', { key: 'on' }), 'brake-sense')).not.toContain('LED');
  });

  it('is held up by an LED third brake lamp with the pedal up, and says what cures it', () => {
    const played = play(third, 'leds', { key: 'on' });
    expect(
      played.events
        .filter(({ kind }) => kind === 'sense')
        .map(eventWords)
        .join(),
    ).toMatch(/gearshift lock.*must be under 1\.0 V/);
    expect(words(played, 'brake-sense')).toMatch(/at most 164 Ω to earth, or one filament left in/);
    expect(words(play(van, 'stock', { key: 'on' }), 'brake-sense')).toBeUndefined();
    expect(words(play(third, 'leds', { key: 'off' }), 'brake-sense')).toBeUndefined();
  });

  it.each([
    [150, true],
    [180, false],
  ])('a bleed of %i Ω releases it: %s', (ohms, released) => {
    const piece = { partId: null, ohms, watts: 25, tolerance: 0.05 };
    const cured: Job = { ...third, vehicleCures: [{ kind: 'bleed-resistor', circuitId: 'third', piece }] };
    // At the highest pull-up volts.
    const played = play(cured, 'cured', { key: 'on' }, { volts: 14.4 });
    expect(played.events.some((event) => event.kind === 'sense')).toBe(!released);
  });
});

describe('glow and flicker', () => {
  it('an output that leaks lets an LED glow and a filament stay dark', () => {
    const glowing = play(minibus, 'leds', {});
    expect(lightOf(glowing, 'third-brake')).toBeGreaterThan(0.002);
    expect(words(glowing, 'ghost-glow')).toMatch(/LED turns it into light: 0\.\d % of its rated light/);
    expect(lightOf(play(minibus, 'stock', {}), 'third-brake')).toBe(0);
  });

  it('a leak tried on any feed does the same', () => {
    const faults: Fault[] = [{ kind: 'leakage', circuitId: 'turn-left', ohms: 6000 }];
    expect(words(play(van, 'leds', {}, { faults }), 'ghost-glow')).toBeDefined();
    expect(words(play(van, 'stock', {}, { faults }), 'ghost-glow')).toBeUndefined();
  });

  it('a dimming output makes its LED flicker; a capacitor there spoils the tail level instead', () => {
    const bare = play(minibus, 'leds', { lights: true });
    expect(words(bare, 'flicker-dim')).toMatch(/200 times a second.*modulation 100 %.*No capacitor cures it/);
    const tail = bare.lamps.find((lamp) => lamp.lampId === 'stop-tail-left');
    expect(tail?.steady).toBeGreaterThan(0.15);
    expect(tail?.steady).toBeLessThan(0.25);
    const smoothed = play(
      withLeds(minibus, { 'stop-tail-left': 'led-tern-3rc', 'stop-tail-right': 'led-tern-3rc' }),
      'leds',
      { lights: true },
    );
    expect(words(smoothed, 'smoothed-dim')).toMatch(/at least 5 times as bright.*Take the capacitor out/);
    expect(lightOf(smoothed, 'stop-tail-left')).toBeGreaterThan(0.5);
    expect(words(play(minibus, 'stock', { lights: true }), 'flicker-dim')).toBeUndefined();
  });

  it('a voltage-holding output flickers only while charging, and a decoder smooths it', () => {
    expect(words(play(minibus, 'leds', { lights: true }), 'flicker-hold')).toBeUndefined();
    const running = play(minibus, 'leds', { key: 'running', lights: true });
    expect(words(running, 'flicker-hold')).toContain('A decoder with a large enough capacitor smooths it');
    const decoded: Job = {
      ...minibus,
      vehicleCures: (['left', 'right'] as const).map((side) => ({
        kind: 'decoder',
        lampId: `position-${side}`,
        partId: 'decoder-otter-d',
      })),
    };
    const smooth = play(decoded, 'cured', { key: 'running', lights: true });
    expect(words(smooth, 'flicker-hold')).toBeUndefined();
    const smoothed = smooth.effects.find((each) => each.id === 'smoothed-hold');
    expect(smoothed && effectWords(minibus.vehicle, smoothed).title).toBe('The capacitor smooths it');
  });

  it('cold checks report LEDs of lamps that are off, until the controller is told', () => {
    expect(words(play(minibus, 'leds', { key: 'on' }), 'cold-check')).toMatch(
      /short pulses while they are off/,
    );
    expect(words(play(minibus, 'cured', { key: 'on' }), 'cold-check')).toBeUndefined();
    expect(words(play(minibus, 'stock', { key: 'on' }), 'cold-check')).toBeUndefined();
  });
});

describe('sockets, earths and the wrong way round', () => {
  it('an LED of the other wiring in a CK socket blows the fuse of the parking feed', () => {
    const wrong = withLeds(trailer, { 'upper-left': 'led-curlew' });
    const played = play(wrong, 'leds', { lights: true });
    expect(played.blownFuses).toEqual(['tail-fuse']);
    expect(lightOf(played, 'plate')).toBe(0);
    expect(words(played, 'socket-clash', 'upper-left')).toMatch(
      /socket is wired CK, the LED is made for standard.*fuse has blown/,
    );
    const off = play(wrong, 'leds', LEFT);
    expect(off.blownFuses).toEqual([]);
    expect(words(off, 'socket-clash', 'upper-left')).toContain('as soon as the lights come on');
    expect(play(trailer, 'leds', { lights: true }).blownFuses).toEqual([]);
  });

  it('the same short the other way: a CK bulb in a standard socket', () => {
    const lamps = trailer.vehicle.lamps.map((lamp) =>
      lamp.socketWiring ? { ...lamp, socketWiring: 'standard' as const } : lamp,
    );
    const standard = { ...trailer, vehicle: { ...trailer.vehicle, lamps } };
    expect(play(standard, 'leds', { lights: true }).blownFuses).toEqual(['tail-fuse']);
    // A filament bulb does not care which wiring it sits in.
    expect(play(standard, 'stock', { lights: true }).blownFuses).toEqual([]);
  });

  it('a one-way LED in the wrong way round is dark, and found', () => {
    const faults: Fault[] = [{ kind: 'reversed', lampId: 'repeater-left' }];
    const played = play(van, 'leds', LEFT, { faults });
    expect(lightOf(played, 'repeater-left')).toBe(0);
    expect(words(played, 'reversed')).toMatch(/TERN-06 lights one way round only/);
    expect(words(play(van, 'leds', LEFT), 'reversed')).toBeUndefined();
    // A bulb with a bridge does not mind.
    const bridged: Fault[] = [{ kind: 'reversed', lampId: 'rear-left' }];
    expect(words(play(van, 'leds', LEFT, { faults: bridged }), 'reversed')).toBeUndefined();
  });

  it('a bad earth shared by lamps feeds the dark ones backwards', () => {
    const faults: Fault[] = [{ kind: 'bad-earth', earthPointId: 'rear-frame', ohms: 12 }];
    const played = play(gritter, 'stock', { brake: true }, { faults });
    expect(words(played, 'shared-earth')).toMatch(/12 Ω too many.*instead of nought/);
    expect(lightOf(played, 'stop-tail-left')).toBeLessThan(0.3);
    expect(words(play(gritter, 'stock', { brake: true }), 'shared-earth')).toBeUndefined();
  });
});

describe('flashers that cannot', () => {
  it('a thermal flasher with too little current stays on', () => {
    const played = play(moped, 'leds', LEFT);
    expect(played.ratePerMinute).toBeNull();
    expect(lightOf(played, 'front-left')).toBeGreaterThan(0.5);
    expect(words(played, 'thermal-stuck')).toMatch(/too little of the 1\.50 A it is made for/);
  });

  it('a make that runs fast instead does that', () => {
    const { flasher } = moped.vehicle;
    if (flasher.kind !== 'thermal') throw new Error('the moped has a thermal flasher');
    const fast: Job = {
      ...moped,
      vehicle: { ...moped.vehicle, flasher: { ...flasher, underloaded: 'fast' } },
    };
    expect(play(fast, 'leds', LEFT).ratePerMinute).toBeCloseTo(170, 6);
    expect(play(fast, 'stock', LEFT).ratePerMinute).toBeCloseTo(85, 6);
  });

  it('resistors alone hold the flash with the LED out of its socket, and hide it', () => {
    const faults: Fault[] = [{ kind: 'bulb-out', lampId: 'rear-left' }];
    const played = play(van, 'cured', LEFT, { faults });
    expect(played.ratePerMinute).toBe(88);
    expect(lightOf(played, 'rear-left')).toBe(0);
    expect(words(played, 'load-alone-holds')).toContain('They hide a dead LED');
    expect(play(van, 'stock', LEFT, { faults }).ratePerMinute).toBe(176);
  });

  it('a setting, or a relay that does not watch, hides a dead LED just as well', () => {
    const faults: Fault[] = [{ kind: 'bulb-out', lampId: 'rear-left' }];
    expect(words(play(minibus, 'cured', LEFT, { faults }), 'dead-unnoticed')).toContain(
      'enough for what watches, so the lamps must be looked at',
    );
    expect(words(play(minibus, 'stock', LEFT, { faults }), 'dead-unnoticed')).toBeUndefined();
    const relay = { kind: 'flasher-relay' as const, partId: 'relay-dipper-2', position: 0.5 };
    const swapped = { ...van, cures: {}, vehicleCures: [relay] };
    expect(words(play(swapped, 'cured', LEFT, { faults }), 'dead-unnoticed')).toContain('watches nothing');
  });

  it('a sequential lamp behind a fast flasher never finishes its sweep', () => {
    const sweeping = withLeds(van, { 'rear-left': 'led-swift-4' });
    const fast = play(sweeping, 'leds', LEFT);
    expect(fast.ratePerMinute).toBe(176);
    expect(words(fast, 'unfinished-sweep', 'rear-left')).toMatch(/needs 240 ms .* lit for 170 ms/);
    const cured = play(sweeping, 'cured', LEFT);
    expect(cured.ratePerMinute).toBe(88);
    expect(words(cured, 'unfinished-sweep', 'rear-left')).toBeUndefined();
  });

  it('an output with too much load switches off', () => {
    const heavy = withRearLoad({ ...minibus, vehicleCures: [] }, 1.2);
    const played = play(heavy, 'cured', LEFT);
    expect(played.events.some((event) => event.kind === 'output-off')).toBe(true);
    expect(words(played, 'output-off', 'front-left')).toContain('Too much load is a fault too');
  });

  it('an LED charge lamp may keep the alternator from starting', () => {
    const led = withLeds(van, { 'charge-lamp': 'led-wren-9' });
    expect(words(play(led, 'leds', { key: 'on' }), 'charge-lamp')).toMatch(
      /the alternator wants 90 mA to start/,
    );
    expect(words(play(van, 'stock', { key: 'on' }), 'charge-lamp')).toBeUndefined();
    expect(lightOf(play(van, 'stock', { key: 'running' }), 'charge-lamp')).toBe(0);
  });
});

it('a healthy stock vehicle needs no explaining, whatever is switched on', () => {
  for (const job of [van, minibus, gritter, moped, trailer]) {
    for (const change of [
      {},
      LEFT,
      { ...LEFT, lights: true, brake: true, reverse: true, fog: true, doors: true },
    ]) {
      const played = play(job, 'stock', change);
      expect(played.effects, `${job.id} ${JSON.stringify(change)}`).toEqual([]);
      expect(played.events, `${job.id} ${JSON.stringify(change)}`).toEqual([]);
      expect(played.blownFuses).toEqual([]);
    }
  }
});
