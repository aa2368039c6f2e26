// Longer than 300 lines: one published effect after the other on one set of circuits.
/**
 * Circuit effects behind the trouble of conversions, each from the simulator alone. The figures were worked
 * out by hand for the engine's brief, or are common practice where it says so.
 */
import { describe, expect, it } from 'vitest';
import { bulbById, signalFilament } from '../../core/catalogue/bulbs.ts';
import { Circuit } from '../../core/circuit/engine/circuit.ts';
import { ledElements } from '../../core/circuit/engine/ledElements.ts';
import { EARTH, type Element } from '../../core/circuit/engine/netlist.ts';
import { type TwinTopology, twinElements } from '../../core/circuit/engine/twinLedElements.ts';
import { Filament } from '../../core/circuit/filament.ts';
import type { LedPart } from '../../core/model/part.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

const battery = (volts: number): Element => ({
  kind: 'battery',
  id: 'battery',
  a: 'plus',
  b: EARTH,
  volts,
  ohms: 0.01,
});
const contact = (id: string, a: string, b: string): Element => ({
  kind: 'switch',
  id,
  a,
  b,
  control: id,
  closedOhms: 0.01,
});
const leak = (node: string): Element => ({
  kind: 'resistor',
  id: `leak-${node}`,
  a: node,
  b: EARTH,
  ohms: 1e6,
});
const resistor = (id: string, a: string, b: string, ohms: number): Element => ({
  kind: 'resistor',
  id,
  a,
  b,
  ohms,
});

function filament(bulbId: string, id: string, a: string, b: string): Element {
  const bulb = bulbById(bulbId);
  if (!bulb) throw new Error(bulbId);
  return { kind: 'filament', id, a, b, rating: signalFilament(bulb) };
}

function led(
  id: string,
  a: string,
  b: string,
  partId = 'led-tern-3a',
  ballast?: LedPart['ballast'],
): Element[] {
  const part = DEMO_SHELF.find((each) => each.id === partId);
  if (part?.kind !== 'led') throw new Error(partId);
  return ledElements(ballast ? { ...part, ballast } : part, id, a, b);
}

function solved(elements: readonly Element[], on: readonly string[]): Circuit {
  const circuit = new Circuit({ title: 'effect', elements });
  circuit.setControls(Object.fromEntries(on.map((name) => [name, true])));
  circuit.solveSteady();
  return circuit;
}

describe('fast only with lights on: a twin-level LED draws less from the turn feed while the tail is lit', () => {
  function turnAmps(topology: TwinTopology, tailOn: boolean, extra: readonly Element[] = []): number {
    return solved(
      [
        battery(12.6),
        contact('turn', 'plus', 'turn-feed'),
        contact('tail', 'plus', 'tail-feed'),
        leak('turn-feed'),
        leak('tail-feed'),
        resistor('turn-lead', 'turn-feed', 'bright', 0.05),
        resistor('tail-lead', 'tail-feed', 'dim', 0.05),
        ...twinElements(topology, 'bulb', 'bright', 'dim', EARTH),
        ...extra,
      ],
      tailOn ? ['turn', 'tail'] : ['turn'],
    ).amps('turn-lead');
  }
  const loss = (topology: TwinTopology) => 1 - turnAmps(topology, true) / turnAmps(topology, false);

  it('own resistors: about 2 % less', () => {
    const topology: TwinTopology = {
      kind: 'own-resistors',
      brightOhms: 24,
      dimOhms: 330,
      forwardVolts: 6.3,
      stringOhms: 8,
      atAmps: 0.234,
    };
    expect(loss(topology)).toBeGreaterThan(0.01);
    expect(loss(topology)).toBeLessThan(0.03);
  });

  it('a shared regulator behind 6 and 60 Ω, 0.234 A: about 10 % less', () => {
    const topology: TwinTopology = {
      kind: 'shared-regulator',
      brightOhms: 6,
      dimOhms: 60,
      forwardVolts: 6.3,
      stringOhms: 3,
      amps: 0.234,
    };
    expect(turnAmps(topology, false)).toBeCloseTo(0.234, 2);
    expect(loss(topology)).toBeGreaterThan(0.07);
    expect(loss(topology)).toBeLessThan(0.12);
  });

  it('a shared converter, 3 W: 0.252 A falls to half', () => {
    const topology: TwinTopology = { kind: 'shared-converter', watts: 3, startVolts: 8 };
    expect(turnAmps(topology, false)).toBeCloseTo(0.252, 2);
    expect(turnAmps(topology, true)).toBeCloseTo(0.126, 2);
  });

  it('a shared converter where a load resistor makes the turn feed sag: almost nothing', () => {
    const topology: TwinTopology = { kind: 'shared-converter', watts: 3, startVolts: 8 };
    const load = [resistor('load', 'bright', EARTH, 6)];
    const bulbAmps = (tailOn: boolean) => turnAmps(topology, tailOn, load) - 12.45 / 6;
    expect(bulbAmps(false)).toBeGreaterThan(0.2);
    const circuit = solved(
      [
        battery(12.6),
        contact('turn', 'plus', 'turn-feed'),
        contact('tail', 'plus', 'tail-feed'),
        resistor('turn-lead', 'turn-feed', 'bright', 0.1),
        resistor('tail-lead', 'tail-feed', 'dim', 0.05),
        ...twinElements(topology, 'bulb', 'bright', 'dim', EARTH),
        ...load,
      ],
      ['turn', 'tail'],
    );
    expect(circuit.amps('bulb.d1')).toBeLessThan(0.02);
  });
});

describe('one pilot lamp between left and right', () => {
  /** A 12 V, 2 W pilot across the sides; the left side is lit. */
  const pilot: Element = {
    kind: 'filament',
    id: 'pilot',
    a: 'left',
    b: 'right',
    rating: { role: 'only', testVolts: 12, amps: 2 / 12, ampsOrigin: 'rated', lumens: 10 },
  };
  const sides = (lamps: (side: string) => Element[], extra: readonly Element[], volts = 12.6) =>
    solved(
      [
        battery(volts),
        contact('turn', 'plus', 'left'),
        leak('left'),
        leak('right'),
        ...lamps('left'),
        ...lamps('right'),
        ...extra,
      ],
      ['turn'],
    );
  const filaments = (side: string) => [
    filament('R10W', `${side}-front`, side, EARTH),
    filament('R10W', `${side}-rear`, side, EARTH),
  ];
  /** Resistor LEDs of a longer string than the shelf's: they light from about 9.5 V. */
  const long: LedPart['ballast'] = { kind: 'series-resistor', forwardVolts: 8.1 };
  const leds = (side: string) => [
    ...led(`${side}-front`, side, EARTH, 'led-tern-3a', long),
    ...led(`${side}-rear`, side, EARTH, 'led-tern-3a', long),
  ];

  it('lights through the cold filaments of the far side, which stay dark', () => {
    const circuit = sides(filaments, [pilot]);
    expect(circuit.nodeVolts('right')).toBeLessThan(0.5);
    expect(circuit.amps('pilot')).toBeGreaterThan(0.15);
  });

  it('feeds the far side’s LEDs instead: near 9.8 V there and a good part of their light, so all four flash', () => {
    const circuit = sides(leds, [pilot]);
    expect(Math.abs(circuit.nodeVolts('right') - 9.8)).toBeLessThan(0.5);
    const share = circuit.amps('right-rear.led') / circuit.amps('left-rear.led');
    expect(share).toBeGreaterThan(0.1);
    expect(share).toBeLessThan(0.4);
  });

  it('is cured by a diode from each side and the pilot’s other end on earth', () => {
    const diode = (id: string, a: string): Element => ({
      kind: 'diode',
      id,
      a,
      b: 'joined',
      saturationAmps: 1e-9,
      emission: 1.8,
    });
    const circuit = sides(leds, [
      diode('d1', 'left'),
      diode('d2', 'right'),
      { ...pilot, a: 'joined', b: EARTH },
    ]);
    expect(circuit.nodeVolts('right')).toBeLessThan(0.5);
    expect(circuit.amps('pilot')).toBeGreaterThan(0.15);
  });

  it('is not cured by diodes while the pilot stays between the sides', () => {
    const diode = (id: string, a: string, b: string): Element => ({
      kind: 'diode',
      id,
      a,
      b,
      saturationAmps: 1e-9,
      emission: 1.8,
    });
    const circuit = sides(leds, [
      diode('d1', 'left', 'p'),
      diode('d2', 'right', 'q'),
      { ...pilot, a: 'p', b: 'right' },
      leak('q'),
    ]);
    expect(circuit.nodeVolts('right')).toBeGreaterThan(8.5);
  });

  it('is cured by a load on the far side too', () => {
    const circuit = sides((side) => [...leds(side), resistor(`${side}-load`, side, EARTH, 6)], [pilot]);
    expect(circuit.nodeVolts('right')).toBeLessThan(1.2);
  });
});

describe('a stop circuit whose sense input is held down by the lamp’s cold filament', () => {
  const sense = (...lamps: Element[]) =>
    solved([battery(14.4), resistor('pull-up', 'plus', 'stop', 2200), leak('stop'), ...lamps], []).nodeVolts(
      'stop',
    );

  it('is held down by a filament, and let up by an LED', () => {
    expect(sense(filament('P21W', 'third', 'stop', EARTH))).toBeLessThan(0.01);
    expect(sense(...led('third', 'stop', EARTH))).toBeGreaterThan(5);
  });

  it('is held under 1.0 V again by a bleed resistor of at most 164 Ω: 150 Ω will do, 180 Ω will not', () => {
    const most = (2200 * 1.0) / (14.4 - 1.0);
    expect(most).toBeCloseTo(164, 0);
    expect(sense(...led('third', 'stop', EARTH), resistor('bleed', 'stop', EARTH, 150))).toBeLessThan(1);
    expect(sense(...led('third', 'stop', EARTH), resistor('bleed', 'stop', EARTH, 180))).toBeGreaterThan(1);
    expect(14.4 ** 2 / 150).toBeCloseTo(1.4, 1);
  });

  it('is held down by one filament left in', () => {
    expect(sense(...led('third', 'stop', EARTH), filament('W5W', 'kept', 'stop', EARTH))).toBeLessThan(0.02);
  });
});

describe('earths, leaks and the wrong way round', () => {
  it('two lamps that share a bad earth feed back through each other: the unlit one glows', () => {
    const circuit = solved(
      [
        battery(12.6),
        contact('stop', 'plus', 'stop-feed'),
        leak('stop-feed'),
        filament('P21W', 'stop-lamp', 'stop-feed', 'joint'),
        filament('R5W', 'tail-lamp', 'tail-feed', 'joint'),
        // The tail feed is off, and hangs on the other tail lamp across the vehicle, whose earth is good.
        filament('R5W', 'far-tail', 'tail-feed', EARTH),
        resistor('bad-earth', 'joint', EARTH, 40),
      ],
      ['stop'],
    );
    expect(circuit.amps('tail-lamp')).toBeLessThan(-0.1);
    expect(circuit.nodeVolts('joint')).toBeGreaterThan(5);
  });

  it('a controller that leaks a milliampere lets an LED glow, and a filament stay dark', () => {
    const leaking = (...lamp: Element[]) =>
      solved([battery(12.6), resistor('leakage', 'plus', 'feed', 5000), ...lamp], []);
    const glow = leaking(...led('lamp', 'feed', EARTH));
    expect(glow.amps('lamp.led')).toBeGreaterThan(3e-4);
    expect(leaking(filament('P21W', 'lamp', 'feed', EARTH)).nodeVolts('feed')).toBeLessThan(0.01);
  });

  it('a one-way LED in the wrong way round is dark, and its load is not', () => {
    const reversed = solved(
      [
        battery(12.6),
        contact('on', 'plus', 'feed'),
        leak('feed'),
        ...led('lamp', EARTH, 'feed', 'led-plover-5'),
      ],
      ['on'],
    );
    expect(Math.abs(reversed.amps('battery'))).toBeLessThan(1e-4);
  });

  it('a bulb dims with a poor contact by what the contact drops', () => {
    const light = (ohms: number) => {
      const circuit = solved(
        [battery(13.5), resistor('contact', 'plus', 'lamp', ohms), filament('P21W', 'bulb', 'lamp', EARTH)],
        [],
      );
      const bulb = bulbById('P21W');
      if (!bulb) throw new Error('P21W');
      return new Filament(signalFilament(bulb)).lightAt(circuit.branch('bulb').filamentKelvin ?? 0);
    };
    expect(light(0.001)).toBeGreaterThan(0.97);
    expect(light(1)).toBeLessThan(0.65);
  });
});
