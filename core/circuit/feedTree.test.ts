import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bulbById, signalFilament } from '../catalogue/bulbs.ts';
import { type Device, Resistor } from './device.ts';
import { type FeedNode, NoSteadyStateError, solveFeedTree } from './feedTree.ts';
import { Filament } from './filament.ts';

const p21w = bulbById('P21W');
if (!p21w) throw new Error('P21W');
const bulb = new Filament(signalFilament(p21w));

describe('solveFeedTree', () => {
  it('solves a divider exactly', () => {
    const states = solveFeedTree({ id: 'n', ohms: 2, devices: [new Resistor(4)], branches: [] }, 12);
    expect(states.get('n')).toEqual({
      volts: expect.closeTo(8, 9),
      amps: expect.closeTo(2, 9),
      deviceAmps: [expect.closeTo(2, 9)],
    });
  });

  it('shares a common drop between branches', () => {
    const branch = (id: string): FeedNode => ({ id, ohms: 1, devices: [new Resistor(5)], branches: [] });
    const states = solveFeedTree(
      { id: 'bus', ohms: 1, devices: [], branches: [branch('a'), branch('b')] },
      12,
    );
    // Two branches of 6 Ω make 3 Ω behind 1 Ω: 3 A in all.
    expect(states.get('bus')?.amps).toBeCloseTo(3, 9);
    expect(states.get('a')?.volts).toBeCloseTo(7.5, 9);
  });

  it('keeps Kirchhoff at every node of random trees of bulbs and resistors', () => {
    const device = fc.oneof(
      fc.constant<Device>(bulb),
      fc.double({ min: 0.5, max: 100, noNaN: true }).map((ohms): Device => new Resistor(ohms)),
    );
    const ohms = fc.double({ min: 0.001, max: 2, noNaN: true });
    const leaf = fc.record({ ohms, devices: fc.array(device, { maxLength: 3 }) });
    const tree = fc.record({
      ohms,
      devices: fc.array(device, { maxLength: 2 }),
      leaves: fc.array(leaf, { maxLength: 4 }),
    });
    fc.assert(
      fc.property(tree, fc.double({ min: 1, max: 30, noNaN: true }), (shape, source) => {
        const root: FeedNode = {
          id: 'root',
          ohms: shape.ohms,
          devices: shape.devices,
          branches: shape.leaves.map((each, index) => ({ id: `leaf-${index}`, ...each, branches: [] })),
        };
        const states = solveFeedTree(root, source);
        const bus = states.get('root');
        if (!bus) throw new Error('root');
        const leaving =
          bus.deviceAmps.reduce((sum, amps) => sum + amps, 0) +
          root.branches.reduce((sum, each) => sum + (states.get(each.id)?.amps ?? Number.NaN), 0);
        expect((source - bus.volts) / root.ohms).toBeCloseTo(leaving, 6);
      }),
      { numRuns: 200, seed: 7 },
    );
  });

  it('lands on a load whose current jumps, where tangents lead nowhere', () => {
    // Nothing below 6 V, a dead short's worth above: the node is held at the edge.
    const jumping: Device = { operate: (volts) => ({ amps: volts > 6 ? 1000 : 0, siemens: 0 }) };
    const states = solveFeedTree({ id: 'edge', ohms: 1, devices: [jumping], branches: [] }, 12);
    expect(states.get('edge')?.volts).toBeCloseTo(6, 6);
  });

  it('gives a converter its running point: it draws more as its feed sags', () => {
    const converter: Device = {
      operate: (volts) =>
        volts < 8 ? { amps: 0, siemens: 0 } : { amps: 36 / volts, siemens: -36 / volts ** 2 },
    };
    const state = solveFeedTree({ id: 'lamp', ohms: 0.5, devices: [converter], branches: [] }, 14.4).get(
      'lamp',
    );
    // v = 14.4 − 0.5·36/v has its upper root at 13.015 V.
    expect(state?.volts).toBeCloseTo((14.4 + Math.sqrt(14.4 ** 2 - 4 * 18)) / 2, 6);
  });

  it('names the place where a load has no figure to give', () => {
    const broken: Device = { operate: () => ({ amps: Number.NaN, siemens: 0 }) };
    const root: FeedNode = {
      id: 'feed',
      ohms: 0.1,
      devices: [],
      branches: [{ id: 'rear left lamp', ohms: 1, devices: [broken], branches: [] }],
    };
    expect(() => solveFeedTree(root, 12)).toThrow(NoSteadyStateError);
    expect(() => solveFeedTree(root, 12)).toThrow(/rear left lamp/);
  });
});
